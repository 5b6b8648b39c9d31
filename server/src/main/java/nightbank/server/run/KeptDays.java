package nightbank.server.run;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import nightbank.server.run.internal.JudgementRepository;
import nightbank.server.run.internal.JudgementRepository.KeptDay;
import nightbank.server.shared.InputChanged.Keys;
import nightbank.server.shared.Json;
import org.springframework.stereotype.Service;

/** Days of stores as they were judged. */
@Service
public class KeptDays {
  /** So long a day may go without the readings that came after it was judged, by real time. */
  private static final Duration RESPITE = Duration.ofMinutes(2);

  private final JudgementRepository repository;
  private final Json json;

  KeptDays(JudgementRepository repository, Json json) {
    this.repository = repository;
    this.json = json;
  }

  /**
   * A day that is right as far as it goes.
   *
   * @param old whether readings have come since that it should be judged with
   */
  public record Kept<T>(T day, boolean old) {}

  /** Those of a store's days that are right, by evening. */
  public <T> Map<LocalDate, Kept<T>> between(
      UUID holding, UUID store, LocalDate from, LocalDate to, Class<T> type) {
    Map<LocalDate, Kept<T>> days = new HashMap<>();
    Instant patient = Instant.now().minus(RESPITE);
    for (KeptDay d : repository.days(holding, store, from, to)) {
      if (d.right() || !d.late()) {
        boolean old = !d.right() && d.touchedAt() != null && d.touchedAt().isBefore(patient);
        days.put(d.evening(), new Kept<>(json.read(d.result(), type), old));
      }
    }
    return days;
  }

  /**
   * Days on which nothing was read, kept until something is.
   *
   * @param noons when each begins, and then when the last one ends
   */
  public void unread(
      UUID holding,
      UUID store,
      Set<UUID> probes,
      Map<LocalDate, Object> days,
      Map<LocalDate, Instant> noons) {
    Set<String> keys = probes.stream().map(Keys::probe).collect(Collectors.toSet());
    keys.addAll(Set.of(Keys.PLACE, Keys.store(store)));
    List<JudgementRepository.UnreadDay> rows = new ArrayList<>();
    days.forEach(
        (evening, day) ->
            rows.add(
                new JudgementRepository.UnreadDay(
                    JudgedSubject.day(holding, store, evening),
                    noons.get(evening),
                    noons.get(evening.plusDays(1)),
                    json.write(day))));
    repository.keepUnread(rows, keys);
    repository.awaitWriters(holding);
  }

  /** Days that were read after all. */
  public void forget(UUID holding, UUID store, Set<LocalDate> days) {
    repository.forgetDays(holding, store, days);
  }
}
