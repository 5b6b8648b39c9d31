package nightbank.server.log;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import nightbank.core.evidence.EventKind;
import nightbank.core.evidence.LoggedEvent;
import nightbank.server.change.Changes;
import nightbank.server.change.Reversible;
import nightbank.server.log.internal.EventRepository;
import nightbank.server.shared.InputChanged;
import nightbank.server.shared.Json;
import nightbank.server.shared.Problem;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;

/** Things done and seen. */
@Service
public class EventLog implements Reversible {
  private final EventRepository repository;
  private final ApplicationEventPublisher publisher;
  private final Changes changes;
  private final Json json;
  private final Clock clock;

  EventLog(
      EventRepository repository,
      ApplicationEventPublisher publisher,
      Changes changes,
      Json json,
      Clock clock) {
    this.repository = repository;
    this.publisher = publisher;
    this.changes = changes;
    this.json = json;
    this.clock = clock;
  }

  public List<EventView> between(UUID holding, Instant from, Instant to) {
    return repository.between(holding, from, to);
  }

  /**
   * What counts for a store: events of some kinds that happened to it, or to none in particular,
   * and of each kind that has two ways the last that went one of them before.
   */
  public List<EventView> counted(
      UUID holding, UUID store, Collection<EventKind> kinds, Instant from, Instant to) {
    return repository.counted(holding, store, kinds, from, to);
  }

  /** Fires lit and fed, oldest first. */
  public List<EventView> burnt(UUID holding, Instant from, Instant to) {
    List<EventKind> kinds = Arrays.stream(EventKind.values()).filter(EventKind::burns).toList();
    return repository.ofKinds(holding, kinds, from, to);
  }

  public static LoggedEvent toCore(EventView e) {
    return new LoggedEvent(
        e.at().getEpochSecond(),
        e.kind(),
        e.way(),
        e.amount() == null ? Double.NaN : e.amount(),
        e.moisture() == null ? Double.NaN : e.moisture());
  }

  /** Sets an event right afterwards: its time, amount or note. */
  @Transactional
  public EventView change(UUID holding, UUID id, EventView event) {
    Optional<EventView> before = repository.find(holding, id);
    before.ifPresent(e -> changed(holding, e));
    EventView kept =
        checked(
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
    changed(holding, kept);
    if (!repository.update(holding, kept)) {
      throw Problem.notFound("event");
    }
    before.ifPresent(e -> note(holding, e, kept));
    return kept;
  }

  @Transactional
  public void remove(UUID holding, UUID id) {
    EventView gone = repository.find(holding, id).orElseThrow(() -> Problem.notFound("event"));
    note(holding, gone, null);
    put(holding, id.toString(), null);
  }

  private void note(UUID holding, @Nullable EventView before, @Nullable EventView after) {
    EventView e = after == null ? Objects.requireNonNull(before) : after;
    String code = e.kind() + (e.way() == null ? "" : " " + e.way());
    changes.made(holding, Changes.Kind.EVENT, e.id().toString(), code, before, after);
  }

  @Override
  public Changes.Kind kind() {
    return Changes.Kind.EVENT;
  }

  @Override
  public @Nullable EventView now(UUID holding, String subject) {
    return repository.find(holding, UUID.fromString(subject)).orElse(null);
  }

  @Override
  @Transactional
  public void put(UUID holding, String subject, @Nullable JsonNode state) {
    UUID id = UUID.fromString(subject);
    repository.find(holding, id).ifPresent(e -> changed(holding, e));
    if (state == null) {
      repository.delete(holding, id);
      return;
    }
    EventView event = json.read(state, EventView.class);
    repository.insert(holding, event);
    repository.update(holding, event);
    changed(holding, event);
  }

  private void changed(UUID holding, EventView e) {
    publisher.publishEvent(InputChanged.event(holding, e.kind(), e.storeId(), e.at()));
  }

  /** Keeps an event; the same again is the same, another under its id is refused. */
  @Transactional
  public EventView add(UUID holding, EventView event) {
    EventView kept = checked(holding, event);
    Optional<EventView> before = repository.find(holding, kept.id());
    before.ifPresent(b -> json.requireSame("entry", b, kept));
    if (before.isEmpty()) {
      repository.insert(holding, kept);
      if (repository.find(holding, kept.id()).isEmpty()) {
        throw Problem.notFound("entry"); // the id is another holding's
      }
      note(holding, null, kept);
    }
    changed(holding, kept);
    return kept;
  }

  private EventView checked(UUID holding, EventView event) {
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
    return new EventView(
        event.id(),
        event.storeId(),
        event.kind(),
        event.way(),
        event.at(),
        event.note() == null ? "" : event.note(),
        event.amount(),
        event.moisture());
  }
}
