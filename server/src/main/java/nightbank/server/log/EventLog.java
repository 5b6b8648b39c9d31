package nightbank.server.log;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import nightbank.core.run.Stretch;
import nightbank.server.log.internal.EventRepository;
import nightbank.server.shared.Problem;
import org.springframework.stereotype.Service;

/** Things done and seen. */
@Service
public class EventLog {
  private final EventRepository repository;
  private final Clock clock;

  EventLog(EventRepository repository, Clock clock) {
    this.repository = repository;
    this.clock = clock;
  }

  public List<EventView> between(UUID holding, Instant from, Instant to) {
    return repository.between(holding, from, to);
  }

  /** Each time that something of a store, or of all, was said to go one way or the other. */
  public List<EventView> switched(UUID holding, UUID store, EventView.Kind kind, Instant to) {
    return repository.switched(holding, store, kind, to);
  }

  /** Stretches for which a store's pump stood, as it was logged; the last may last still. */
  public List<Stretch> pumpStood(UUID holding, UUID store, Instant to) {
    List<Stretch> stood = new ArrayList<>();
    Instant since = null;
    for (EventView e : switched(holding, store, EventView.Kind.PUMP, to)) {
      if (e.way() == EventView.Way.OFF && since == null) {
        since = e.at();
      } else if (e.way() == EventView.Way.ON && since != null) {
        stood.add(new Stretch(since.getEpochSecond(), e.at().getEpochSecond()));
        since = null;
      }
    }
    if (since != null) {
      stood.add(new Stretch(since.getEpochSecond(), Long.MAX_VALUE));
    }
    return stood;
  }

  /** Sets an event right afterwards: its time, amount or note. */
  public EventView change(UUID holding, UUID id, EventView event) {
    EventView kept =
        add(
            holding,
            new EventView(
                id,
                event.storeId(),
                event.kind(),
                event.way(),
                event.at(),
                event.note(),
                event.amount(),
                event.moisture()));
    if (!repository.update(holding, kept)) {
      throw Problem.notFound("event");
    }
    return kept;
  }

  public void remove(UUID holding, UUID id) {
    repository.delete(holding, id);
  }

  /** Keeps an event; the same id again changes nothing. */
  public EventView add(UUID holding, EventView event) {
    if (event.id() == null || event.kind() == null || event.at() == null) {
      throw Problem.invalid("kind", "What happened, or when, is missing.", "Choose both.");
    }
    if (event.way() != null && !event.kind().ways().contains(event.way())) {
      throw Problem.invalid(
          "way",
          "%s does not go %s.".formatted(event.kind(), event.way()),
          "A lid, pump or element goes on or off; a screen, door or vent opens or shuts.");
    }
    if (event.at().isAfter(clock.instant().plus(Duration.ofDays(1)))
        || event.at().isBefore(Readings.EARLIEST)) {
      throw Problem.invalid("at", "It lies in the future or before 2000.", "Check date and time.");
    }
    if (event.note() != null && event.note().length() > 2000) {
      throw Problem.invalid("note", "The note has more than 2000 letters.", "Shorten it.");
    }
    if (event.amount() != null && !(event.amount() >= 0 && event.amount() <= 100_000)) {
      throw Problem.invalid(
          "amount", "An amount must lie between 0 and 100000 kg.", "Weigh it again.");
    }
    if (event.moisture() != null && !(event.moisture() >= 0 && event.moisture() <= 0.95)) {
      throw Problem.invalid(
          "moisture", "Water in wood is a share between 0 and 0.95.", "Dry wood has 0.15 to 0.2.");
    }
    if (event.storeId() != null && !repository.storeBelongs(holding, event.storeId())) {
      throw Problem.notFound("store");
    }
    EventView kept =
        new EventView(
            event.id(),
            event.storeId(),
            event.kind(),
            event.way(),
            event.at(),
            event.note() == null ? "" : event.note(),
            event.amount(),
            event.moisture());
    repository.insert(holding, kept);
    return kept;
  }
}
