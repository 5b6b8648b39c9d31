package nightbank.server.alarm;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Base64;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Consumer;
import nightbank.core.alarm.Telling;
import nightbank.db.tables.records.AlarmRecord;
import nightbank.server.alarm.internal.AlarmRepository;
import nightbank.server.holding.Holdings;
import nightbank.server.log.LiveReadings;
import nightbank.server.shared.Json;
import nightbank.server.weather.Weathers;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Looks at what is watched: every quarter of an hour, within seconds of readings and weather. Of
 * several nodes one does.
 */
@Component
public class AlarmWatch {
  private static final Logger LOG = LoggerFactory.getLogger(AlarmWatch.class);
  private static final Duration EVERY = Duration.ofMinutes(5);
  private static final Duration NIGHTS_EVERY = Duration.ofMinutes(15);
  private static final Duration SAME = Duration.ofHours(2); // what comes back within is the same
  private static final Duration KEPT = Duration.ofDays(120);

  private final AlarmRepository repository;
  private final Troubles troubles;
  private final Holdings holdings;
  private final Json json;
  private final Clock clock;
  private final TransactionTemplate transaction;
  private final SecureRandom random = new SecureRandom();

  /** Holdings of which readings, or other weather, have come in here since the last look. */
  private final Set<UUID> read = ConcurrentHashMap.newKeySet();

  private final Set<UUID> told = ConcurrentHashMap.newKeySet();

  AlarmWatch(
      AlarmRepository repository,
      Troubles troubles,
      Holdings holdings,
      Json json,
      Clock clock,
      TransactionTemplate transaction) {
    this.repository = repository;
    this.troubles = troubles;
    this.holdings = holdings;
    this.json = json;
    this.clock = clock;
    this.transaction = transaction;
  }

  /**
   * Whoever writes readings waits for nothing here; what is forgotten is looked at all the same.
   */
  @EventListener
  void readings(LiveReadings.Came came) {
    read.add(came.holding());
  }

  @EventListener
  void weather(Weathers.Came came) {
    told.add(came.holding());
  }

  @Scheduled(initialDelay = 5000, fixedDelay = 5000)
  void look() {
    try {
      look(clock.instant());
    } catch (RuntimeException e) {
      LOG.warn("nothing was looked at: {}", e.toString());
    }
  }

  @Scheduled(initialDelay = 60_000, fixedDelay = 3_600_000)
  void tidy() {
    repository.forget(clock.instant().minus(KEPT));
  }

  /** Looks at all that is due at a moment. */
  public void look(Instant now) {
    each(read, holding -> repository.soon(holding, now, null));
    each(told, holding -> repository.soon(holding, now, now));
    for (; ; ) {
      Optional<AlarmRepository.Due> due =
          Objects.requireNonNull(
              transaction.execute(t -> repository.take(now, EVERY, NIGHTS_EVERY)));
      if (due.isEmpty()) {
        return;
      }
      try {
        look(due.get(), now);
      } catch (RuntimeException e) {
        LOG.warn("a holding was not looked at: {}", e.toString());
      }
    }
  }

  private static void each(Set<UUID> holdings, Consumer<UUID> look) {
    for (UUID holding : List.copyOf(holdings)) {
      holdings.remove(holding);
      look.accept(holding);
    }
  }

  private void look(AlarmRepository.Due due, Instant now) {
    AlarmBook book = repository.book(due.holding()).orElseThrow().book();
    if (!book.on()) {
      return;
    }
    ZoneId zone = ZoneId.of(holdings.get(due.holding()).zone());
    Telling telling = AlarmTimes.telling(book, zone);
    List<Trouble> found = new ArrayList<>(troubles.now(due.holding()));
    Set<String> left = new HashSet<>();
    boolean nights = due.nights();
    if (nights) {
      Troubles.Nights looked = troubles.nights(due.holding(), telling.quiet());
      found.addAll(looked.troubles());
      left.addAll(looked.unknown());
    }
    transaction.executeWithoutResult(
        t -> {
          List<AlarmRecord> open = repository.open(due.holding());
          found.forEach(f -> note(due.holding(), open, f, telling, now));
          for (AlarmRecord a : open) {
            boolean looked = nights || !a.getKind().equals(AlarmKind.NIGHT.name());
            if (looked
                && !left.contains(a.getSubject())
                && found.stream().noneMatch(f -> is(a, f))) {
              a.setOverAt(now);
              a.setTellAt(null);
              a.update();
            }
          }
        });
  }

  private static boolean is(AlarmRecord a, Trouble f) {
    return a.getKind().equals(f.kind().name()) && a.getSubject().equals(f.subject());
  }

  private void note(UUID holding, List<AlarmRecord> open, Trouble f, Telling telling, Instant now) {
    AlarmRecord a =
        open.stream()
            .filter(o -> is(o, f))
            .findFirst()
            .or(() -> repository.lately(holding, f.kind(), f.subject(), now.minus(SAME)))
            .orElse(null);
    boolean fresh = a == null;
    if (a == null) {
      a = repository.blank();
      a.setId(UUID.randomUUID());
      a.setHoldingId(holding);
      a.setKind(f.kind().name());
      a.setSubject(f.subject());
      a.setSince(now);
      a.setTold(0);
      a.setCode(code());
    }
    boolean worse = !fresh && f.grade() > a.getGrade();
    boolean urgentNow = !fresh && f.cannotWait() && !a.getCannotWait();
    if (worse) {
      a.setSeenAt(null);
      a.setSeenBy(null);
    }
    if (fresh || worse || urgentNow && a.getSeenAt() == null) {
      a.setTellAt(telling.first(now, f.cannotWait()));
    } else if (a.getOverAt() != null && a.getSeenAt() == null) {
      a.setTellAt(telling.next(now, f.cannotWait()));
    }
    a.setOverAt(null);
    a.setGrade(f.grade());
    a.setCannotWait(f.cannotWait());
    a.setFacts(json.write(f.facts()));
    if (fresh) {
      a.insert();
    } else {
      a.update();
    }
  }

  private String code() {
    byte[] some = new byte[18];
    random.nextBytes(some);
    return Base64.getUrlEncoder().withoutPadding().encodeToString(some);
  }
}
