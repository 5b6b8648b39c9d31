package nightbank.server.run;

import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import nightbank.server.change.Changes;
import nightbank.server.change.Reversible;
import nightbank.server.run.internal.RunRepository;
import nightbank.server.shared.InputChanged;
import nightbank.server.shared.Json;
import nightbank.server.shared.Problem;
import nightbank.server.shared.Versions;
import nightbank.server.store.Stores;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;

/** Runs: marked, named, removed. Readings stay whatever happens to runs. */
@Service
public class Runs implements Reversible {
  private final RunRepository repository;
  private final Stores stores;
  private final ApplicationEventPublisher events;
  private final Changes changes;
  private final Json json;

  Runs(
      RunRepository repository,
      Stores stores,
      ApplicationEventPublisher events,
      Changes changes,
      Json json) {
    this.repository = repository;
    this.stores = stores;
    this.events = events;
    this.changes = changes;
    this.json = json;
  }

  /** What a keeper sends. */
  public record RunDraft(
      @Nullable UUID id, String name, Instant from, Instant to, @Nullable RunDraft was) {
    public RunDraft(@Nullable UUID id, String name, Instant from, Instant to) {
      this(id, name, from, to, null);
    }
  }

  public List<RunView> all(UUID holding, UUID store) {
    stores.get(holding, store);
    return repository.all(holding, store);
  }

  public RunView get(UUID holding, UUID id) {
    return repository.find(holding, id).orElseThrow(() -> Problem.notFound("run"));
  }

  /** Those of these runs that there are, by id. */
  public Map<UUID, RunView> some(UUID holding, Collection<UUID> ids) {
    return repository.some(holding, ids);
  }

  @Transactional
  public RunView create(UUID holding, UUID store, RunDraft draft) {
    stores.get(holding, store);
    UUID id = draft.id() == null ? UUID.randomUUID() : draft.id();
    save(holding, checked(id, store, draft, null));
    return get(holding, id);
  }

  @Transactional
  public RunView change(UUID holding, UUID id, RunDraft draft) {
    RunView now = get(holding, id);
    Versions.require("run", draft.was(), new RunDraft(id, now.name(), now.from(), now.to()));
    save(holding, checked(id, now.storeId(), draft, now.importId()));
    return get(holding, id);
  }

  /** A run that is being taken away, and its places in trials with it. */
  public record Goes(UUID holding, UUID id) {}

  @Transactional
  public void remove(UUID holding, UUID id) {
    RunView before = get(holding, id);
    events.publishEvent(new Goes(holding, id));
    repository.delete(holding, id);
    changes.made(holding, kind(), id.toString(), before.name(), before, null);
  }

  /** Takes a store's runs away with it. */
  @EventListener
  void goesWith(Stores.Goes store) {
    repository.all(store.holding(), store.id()).forEach(r -> remove(store.holding(), r.id()));
  }

  @Override
  public Changes.Kind kind() {
    return Changes.Kind.RUN;
  }

  @Override
  public @Nullable RunView now(UUID holding, String subject) {
    return repository.find(holding, UUID.fromString(subject)).orElse(null);
  }

  @Override
  @Transactional
  public void put(UUID holding, String subject, @Nullable JsonNode state) {
    if (state == null) {
      repository.delete(holding, UUID.fromString(subject));
    } else {
      RunView run = json.read(state, RunView.class);
      stores.get(holding, run.storeId());
      keep(holding, run);
    }
  }

  /** Two runs of one: the first keeps its name and its id. */
  @Transactional
  public List<RunView> split(UUID holding, UUID id, Instant at) {
    repository.lock(holding, id);
    RunView r = get(holding, id);
    if (at == null || !at.isAfter(r.from()) || !at.isBefore(r.to())) {
      throw Problem.invalid(
          "at", "A run is split at a moment within it.", "Choose a moment between its ends.");
    }
    save(holding, new RunView(id, r.storeId(), r.name(), r.from(), at, r.importId()));
    RunView rest =
        new RunView(
            UUID.randomUUID(), r.storeId(), shortened(r.name()) + ", rest", at, r.to(), null);
    save(holding, rest);
    return List.of(get(holding, id), rest);
  }

  /** One run of two of the same store; the other goes. */
  @Transactional
  public RunView join(UUID holding, UUID id, UUID other) {
    repository.lock(holding, id, other);
    RunView a = get(holding, id);
    RunView b = get(holding, other);
    if (id.equals(other) || !a.storeId().equals(b.storeId())) {
      throw Problem.invalid(
          "other", "Only two runs of one store are joined.", "Choose another run of this store.");
    }
    Instant from = a.from().isBefore(b.from()) ? a.from() : b.from();
    Instant to = a.to().isAfter(b.to()) ? a.to() : b.to();
    remove(holding, other);
    save(holding, checked(id, a.storeId(), new RunDraft(id, a.name(), from, to), a.importId()));
    return get(holding, id);
  }

  private void save(UUID holding, RunView run) {
    RunView before = now(holding, run.id().toString());
    keep(holding, run);
    changes.made(holding, kind(), run.id().toString(), run.name(), before, run);
  }

  private void keep(UUID holding, RunView run) {
    repository.save(holding, run);
    events.publishEvent(InputChanged.design(holding, Set.of(InputChanged.Keys.run(run.id()))));
    events.publishEvent(new SheetsAhead.RunKept(holding, run.id()));
  }

  private static String shortened(String name) {
    return name.length() > 190 ? name.substring(0, 190) : name;
  }

  /** The run that a file brought. */
  @Transactional
  public void ofImport(
      UUID holding, UUID store, UUID importId, String name, Instant from, Instant to) {
    save(holding, new RunView(UUID.randomUUID(), store, name, from, to, importId));
  }

  private static RunView checked(UUID id, UUID store, RunDraft d, @Nullable UUID importId) {
    if (d.name() == null || d.name().isBlank() || d.name().length() > 200) {
      throw Problem.invalid("name", "A run needs a name of up to 200 letters.", "Name it.");
    }
    if (d.from() == null || d.to() == null || !d.from().isBefore(d.to())) {
      throw Problem.invalid("from", "A run must begin before it ends.", "Check both times.");
    }
    if (Duration.between(d.from(), d.to()).toDays() > 120) {
      throw Problem.invalid("to", "A run lasts at most 120 days.", "Choose a shorter stretch.");
    }
    return new RunView(id, store, d.name().strip(), d.from(), d.to(), importId);
  }
}
