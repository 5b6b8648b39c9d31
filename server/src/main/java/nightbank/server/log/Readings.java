package nightbank.server.log;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import nightbank.core.run.ReadingSeries;
import nightbank.core.unit.TypedTemperature;
import nightbank.server.log.internal.ReadingRepository;
import nightbank.server.shared.Problem;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Readings by hand, and series for those who judge. */
@Service
public class Readings {
  /** No reading is older. */
  public static final Instant EARLIEST = Instant.parse("2000-01-01T00:00:00Z");

  private static final int MOST_AT_ONCE = 500;

  private final ReadingRepository repository;
  private final ApplicationEventPublisher events;
  private final Clock clock;

  Readings(ReadingRepository repository, ApplicationEventPublisher events, Clock clock) {
    this.repository = repository;
    this.events = events;
    this.clock = clock;
  }

  /** One reading as typed: {@code 58F}, {@code 14,5}. */
  public record TypedReading(UUID probeId, Instant at, String typed) {}

  /** What became of typed readings; sent again, the same request adds nothing. */
  public record Logged(int added, int known) {}

  @Transactional
  public Logged log(UUID holding, List<TypedReading> typed, boolean fahrenheit) {
    if (typed == null || typed.isEmpty() || typed.size() > MOST_AT_ONCE) {
      throw Problem.invalid(
          "readings", "Between 1 and " + MOST_AT_ONCE + " readings at once.", "Send fewer.");
    }
    Set<UUID> probes = repository.probesOf(holding);
    List<ReadingRepository.Row> rows = new ArrayList<>();
    for (int i = 0; i < typed.size(); i++) {
      TypedReading t = typed.get(i);
      String field = "readings." + i;
      if (t.probeId() == null || !probes.contains(t.probeId())) {
        throw Problem.notFound("probe");
      }
      if (t.at() == null || t.at().isBefore(EARLIEST)) {
        throw Problem.invalid(field + ".at", "The time is missing or before 2000.", "Set it.");
      }
      if (t.at().isAfter(clock.instant().plus(Duration.ofMinutes(10)))) {
        throw Problem.invalid(
            field + ".at", "The reading lies in the future.", "Check date and time.");
      }
      double celsius =
          TypedTemperature.celsius(t.typed() == null ? "" : t.typed(), fahrenheit)
              .orElseThrow(
                  () ->
                      Problem.invalid(
                          field + ".typed",
                          "\u201c" + t.typed() + "\u201d is not a temperature.",
                          "For instance 14.5, 14,5 or 58F."));
      rows.add(new ReadingRepository.Row(t.probeId(), t.at(), celsius));
    }
    int added = insert(holding, rows);
    return new Logged(added, rows.size() - added);
  }

  /** One reading as a logger measured it. */
  public record Measured(UUID probeId, Instant at, double celsius) {}

  /** Keeps what a logger measured; how many were new. */
  @Transactional
  public int measured(UUID holding, List<Measured> measured) {
    return insert(
        holding,
        measured.stream()
            .map(m -> new ReadingRepository.Row(m.probeId(), m.at(), m.celsius()))
            .toList());
  }

  /** Keeps what is new and tells pages that are open; how many were new. */
  int insert(UUID holding, List<ReadingRepository.Row> rows) {
    int added = repository.insert(holding, rows);
    if (added > 0) {
      Set<UUID> probes =
          rows.stream().map(ReadingRepository.Row::probeId).collect(Collectors.toSet());
      events.publishEvent(new LiveReadings.Came(holding, probes));
    }
    return added;
  }

  public Set<UUID> probesOf(UUID holding) {
    return repository.probesOf(holding);
  }

  /** A probe's readings in a span, at most so many, thinned evenly when there are more. */
  public ReadingSeries series(UUID holding, UUID probe, Instant from, Instant to, int most) {
    return repository.series(holding, probe, from, to, most);
  }

  public Optional<Instant> newest(UUID holding, Set<UUID> probes) {
    return repository.newest(holding, probes);
  }

  /** The newest of all holdings'. */
  public Optional<Instant> newest() {
    return repository.newest();
  }

  /** How many readings and which newest lie in a span: changes when anything there does. */
  public String mark(UUID holding, Set<UUID> probes, Instant from, Instant to) {
    return repository.mark(holding, probes, from, to);
  }

  /** Probes of air in a house, or outdoors, by their id with the store they hang beside. */
  public Map<UUID, UUID> airProbes(UUID holding, UUID house) {
    return repository.airProbes(holding, house);
  }

  public List<UUID> outdoorProbes(UUID holding) {
    return repository.outdoorProbes(holding);
  }
}
