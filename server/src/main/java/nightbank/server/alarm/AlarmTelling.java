package nightbank.server.alarm;

import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Objects;
import java.util.Optional;
import nightbank.db.tables.records.AlarmRecord;
import nightbank.server.alarm.AlarmBook.Recipient;
import nightbank.server.alarm.internal.AlarmRepository;
import nightbank.server.alarm.internal.AlarmRepository.Message;
import nightbank.server.holding.HoldingView;
import nightbank.server.holding.Holdings;
import nightbank.server.home.Doors;
import nightbank.server.shared.Json;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Tells what is wrong to those who are to hear it, again and again until somebody has seen it. */
@Component
public class AlarmTelling {
  private static final Logger LOG = LoggerFactory.getLogger(AlarmTelling.class);
  private static final Duration OURS =
      Duration.ofSeconds(60); // a message is one node's for so long
  private static final Duration AGAIN = Duration.ofMinutes(1);
  private static final int MOST_TRIES = 10;

  private final AlarmRepository repository;
  private final Holdings holdings;
  private final Courier courier;
  private final Doors doors;
  private final Json json;
  private final Clock clock;
  private final TransactionTemplate transaction;

  AlarmTelling(
      AlarmRepository repository,
      Holdings holdings,
      Courier courier,
      Doors doors,
      Json json,
      Clock clock,
      TransactionTemplate transaction) {
    this.repository = repository;
    this.holdings = holdings;
    this.courier = courier;
    this.doors = doors;
    this.json = json;
    this.clock = clock;
    this.transaction = transaction;
  }

  @Scheduled(initialDelay = 6000, fixedDelay = 3000)
  void tell() {
    try {
      tell(clock.instant());
    } catch (RuntimeException e) {
      LOG.warn("nobody was told: {}", e.toString());
    }
  }

  /** Tells all that is to be told by a moment, and sends all that waits. */
  public void tell(Instant now) {
    while (Boolean.TRUE.equals(transaction.execute(t -> post(now)))) {
      // the next
    }
    for (; ; ) {
      Optional<Message> next =
          Objects.requireNonNull(transaction.execute(t -> repository.toSend(now, OURS)));
      if (next.isEmpty()) {
        return;
      }
      send(next.get(), now);
    }
  }

  private boolean post(Instant now) {
    Optional<AlarmRecord> due = repository.toTell(now);
    due.ifPresent(
        a -> {
          AlarmBook book =
              repository
                  .book(a.getHoldingId())
                  .map(AlarmRepository.Kept::book)
                  .orElse(AlarmBook.off());
          ZoneId zone = ZoneId.of(holdings.get(a.getHoldingId()).zone());
          a.setTold(a.getTold() + 1);
          a.setTellAt(
              book.on() ? AlarmTimes.telling(book, zone).next(now, a.getCannotWait()) : null);
          a.update();
          if (book.on()) {
            for (Recipient r : book.recipients()) {
              if (r.kinds().contains(AlarmKind.valueOf(a.getKind()))) {
                post(a, r, now);
              }
            }
          }
        });
    return due.isPresent();
  }

  private void post(AlarmRecord a, Recipient r, Instant now) {
    if (Addresses.isThere(r.mail())) {
      repository.post(a.getId(), a.getTold(), r.id(), "MAIL", now);
    }
    if (Addresses.isThere(r.hook())) {
      repository.post(a.getId(), a.getTold(), r.id(), "HOOK", now);
    }
  }

  /** What is posted. */
  record Posted(
      String holding, AlarmView alarm, String text, String remedy, int number, String seen) {}

  private void send(Message m, Instant now) {
    HoldingView place = holdings.get(m.alarm().getHoldingId());
    Optional<Recipient> to =
        repository.book(place.id()).stream()
            .flatMap(k -> k.book().recipients().stream())
            .filter(r -> r.id().equals(m.recipient()))
            .findFirst();
    boolean stale = m.alarm().getSeenAt() != null || m.alarm().getOverAt() != null;
    if (to.isEmpty() || stale && m.tries() > 1) {
      repository.sent(m, null, null, "");
      return;
    }
    AlarmView alarm = repository.view(m.alarm());
    AlarmWords words = new AlarmWords(ZoneId.of(place.zone()), to.get().fahrenheit());
    String text = words.headline(alarm);
    String remedy = words.remedy(alarm);
    String seen = doors.address() + "/seen/" + m.alarm().getCode();
    try {
      if (m.way().equals("MAIL")) {
        String again = m.number() > 1 ? " (told for the %d. time)".formatted(m.number()) : "";
        courier.mail(
            Objects.requireNonNull(to.get().mail()),
            text,
            """
            %s: %s%s
            %s

            Seen? One touch, and nobody is told again: %s
            """
                .formatted(place.name(), text, again, remedy, seen));
      } else {
        courier.post(
            Objects.requireNonNull(to.get().hook()),
            Objects.requireNonNullElse(to.get().secret(), ""),
            json.write(new Posted(place.name(), alarm, text, remedy, m.number(), seen)).data(),
            now);
      }
      repository.sent(m, now, null, "");
    } catch (IOException | IllegalArgumentException e) {
      Instant again = m.tries() < MOST_TRIES ? now.plus(AGAIN.multipliedBy(m.tries())) : null;
      repository.sent(m, null, again, String.valueOf(e.getMessage()));
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }
}
