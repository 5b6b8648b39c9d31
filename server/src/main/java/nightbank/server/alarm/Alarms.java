package nightbank.server.alarm;

import java.security.SecureRandom;
import java.time.Clock;
import java.util.Base64;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import nightbank.server.alarm.AlarmBook.Recipient;
import nightbank.server.alarm.internal.AlarmRepository;
import nightbank.server.shared.Problem;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Who is warned of what, what is wrong, and that somebody has seen it. */
@Service
public class Alarms {
  private static final int SHOWN = 50;
  private static final int MOST_RECIPIENTS = 20;

  private final AlarmRepository repository;
  private final SecureRandom random = new SecureRandom();
  private final Clock clock;

  Alarms(AlarmRepository repository, Clock clock) {
    this.repository = repository;
    this.clock = clock;
  }

  /** A book with its version. */
  public record BookOfAlarms(int version, AlarmBook book) {}

  public BookOfAlarms book(UUID holding) {
    return repository
        .book(holding)
        .map(k -> new BookOfAlarms(k.version(), k.book()))
        .orElse(new BookOfAlarms(0, AlarmBook.off()));
  }

  @Transactional
  public BookOfAlarms change(UUID holding, AlarmBook book, int version) {
    check(book);
    AlarmBook signed =
        new AlarmBook(
            book.on(),
            book.quietFrom(),
            book.quietTo(),
            book.againMinutes(),
            book.recipients().stream().map(this::withSecret).toList());
    if (!repository.save(holding, signed, version, clock.instant())) {
      throw Problem.changedMeanwhile("alarms");
    }
    return book(holding);
  }

  private Recipient withSecret(Recipient r) {
    if (r.hook() == null || r.hook().isBlank() || r.secret() != null && !r.secret().isBlank()) {
      return r;
    }
    return new Recipient(r.id(), r.name(), r.mail(), r.hook(), fresh(), r.fahrenheit(), r.kinds());
  }

  private String fresh() {
    byte[] some = new byte[24];
    random.nextBytes(some);
    return Base64.getUrlEncoder().withoutPadding().encodeToString(some);
  }

  private static void check(AlarmBook b) {
    AlarmTimes.hour("quietFrom", b.quietFrom());
    AlarmTimes.hour("quietTo", b.quietTo());
    if (b.againMinutes() < 5 || b.againMinutes() > 240) {
      throw Problem.invalid(
          "againMinutes", "It is told again after 5 to 240 minutes.", "For instance 30.");
    }
    if (b.recipients() == null || b.recipients().size() > MOST_RECIPIENTS) {
      throw Problem.invalid("recipients", "At most " + MOST_RECIPIENTS + ".", "Take some out.");
    }
    Set<UUID> ids = new HashSet<>();
    for (Recipient r : b.recipients()) {
      if (r == null || r.id() == null || r.kinds() == null || !ids.add(r.id())) {
        throw Problem.invalid("recipients", "One has no id, or none of its own.", "Add it anew.");
      }
      if (r.name() == null || r.name().isBlank() || r.name().length() > 80) {
        throw Problem.invalid("name", "Each has a name, of 80 letters at most.", "Name it.");
      }
      Addresses.check(r);
    }
  }

  /** What is wrong, then what was lately. */
  public List<AlarmView> all(UUID holding) {
    return repository.views(holding, SHOWN);
  }

  /** What did not go out within the last day. */
  public List<AlarmRepository.Failed> failed(UUID holding) {
    return repository.failed(holding, clock.instant().minusSeconds(86_400));
  }

  @Transactional
  public AlarmView seen(UUID holding, UUID id, String by) {
    return repository
        .seen(holding, id, by, clock.instant())
        .map(repository::view)
        .orElseThrow(() -> Problem.notFound("alarm"));
  }

  /** By whoever has a message of it. */
  @Transactional
  public AlarmView seenBy(@Nullable String code) {
    return repository
        .byCode(code == null ? "" : code)
        .map(a -> seen(a.getHoldingId(), a.getId(), "by its message"))
        .orElseThrow(() -> Problem.notFound("alarm"));
  }
}
