package nightbank.server.part;

import java.time.Clock;
import java.time.ZoneOffset;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import nightbank.server.book.Books;
import nightbank.server.change.Changes;
import nightbank.server.change.Reversible;
import nightbank.server.house.Houses;
import nightbank.server.part.PartDesign.EndDesign;
import nightbank.server.part.PartDesign.HeatTo;
import nightbank.server.part.internal.PartRepository;
import nightbank.server.shared.InputChanged;
import nightbank.server.shared.Json;
import nightbank.server.shared.Problem;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;

/** A holding's sources, circuits and heat pumps: kept and checked. */
@Service
public class Parts implements Reversible {
  private static final int MOST = 200;

  private final PartRepository repository;
  private final Houses houses;
  private final Books books;
  private final ApplicationEventPublisher events;
  private final Changes changes;
  private final Json json;
  private final Clock clock;

  Parts(
      PartRepository repository,
      Houses houses,
      Books books,
      ApplicationEventPublisher events,
      Changes changes,
      Json json,
      Clock clock) {
    this.repository = repository;
    this.houses = houses;
    this.books = books;
    this.events = events;
    this.changes = changes;
    this.json = json;
    this.clock = clock;
  }

  /** What a keeper sends. */
  public record PartDraft(UUID id, String name, @Nullable UUID houseId, PartDesign design) {}

  public List<PartView> all(UUID holding) {
    return repository.all(holding);
  }

  /** The parts of a house's place. */
  public List<PartView> of(UUID holding, UUID house) {
    return repository.all(holding).stream().filter(p -> house.equals(p.houseId())).toList();
  }

  public PartView get(UUID holding, UUID id) {
    return repository.find(holding, id).orElseThrow(() -> Problem.notFound("part"));
  }

  @Transactional
  public PartView create(UUID holding, PartDraft draft) {
    if (repository.all(holding).size() >= MOST) {
      throw Problem.invalid(
          "design", "More than " + MOST + " parts in one holding.", "Remove some first.");
    }
    UUID id = draft.id() == null ? UUID.randomUUID() : draft.id();
    PartView part = checked(holding, id, draft, 1);
    Optional<PartView> before = repository.find(holding, id);
    if (before.isPresent()) {
      PartView b = before.get();
      json.requireSame(
          "part", b, new PartView(id, part.name(), part.houseId(), part.design(), b.version()));
      return b;
    }
    if (!repository.stores(holding, Set.of(id)).isEmpty()) {
      throw Problem.knownId("store");
    }
    repository.insert(holding, part, clock.instant());
    changed(holding, part.design());
    PartView made = get(holding, id);
    note(holding, null, made);
    return made;
  }

  @Transactional
  public PartView change(UUID holding, UUID id, PartDraft draft, int version) {
    PartView before = get(holding, id);
    PartView part = checked(holding, id, draft, version);
    if (before.version() != version
        && json.same(
            before,
            new PartView(id, part.name(), part.houseId(), part.design(), before.version()))) {
      return before;
    }
    if (!repository.update(holding, part, clock.instant())) {
      throw Problem.changedMeanwhile("part");
    }
    changed(holding, before.design());
    changed(holding, part.design());
    note(holding, before, part);
    return get(holding, id);
  }

  @Transactional
  public void remove(UUID holding, UUID id) {
    note(holding, get(holding, id), null);
    put(holding, id.toString(), null);
  }

  @EventListener
  void keepsWhatItIsFed(Books.TakenOut out) {
    for (PartView p : repository.all(out.holding())) {
      if (p.design() instanceof PartDesign.Heap h
          && h.fed().stream().anyMatch(f -> out.ids().contains(f.feedstock()))) {
        throw Problem.invalid(
            "feedstocks",
            "“%s” was fed with it.".formatted(p.name()),
            "Change its feedings first.");
      }
    }
  }

  /** Takes a house's parts away with it. */
  @EventListener
  void goesWith(Houses.Goes house) {
    of(house.holding(), house.id()).forEach(p -> remove(house.holding(), p.id()));
  }

  /** Takes a store's own parts away with it; what joins it to others has to be changed first. */
  public void leave(UUID holding, UUID store) {
    for (PartView p : repository.all(holding)) {
      Set<UUID> named = p.design().stores();
      if (named.equals(Set.of(store))) {
        remove(holding, p.id());
      } else if (named.contains(store)) {
        throw Problem.invalid(
            "parts",
            "“%s” joins it to other stores.".formatted(p.name()),
            "Take it away, or join it otherwise, first.");
      }
    }
  }

  private void note(UUID holding, @Nullable PartView before, @Nullable PartView after) {
    PartView p = after == null ? Objects.requireNonNull(before) : after;
    changes.made(holding, kind(), p.id().toString(), p.name(), draft(before), draft(after));
  }

  private static @Nullable PartDraft draft(@Nullable PartView p) {
    return p == null ? null : new PartDraft(p.id(), p.name(), p.houseId(), p.design());
  }

  @Override
  public Changes.Kind kind() {
    return Changes.Kind.PART;
  }

  @Override
  public @Nullable PartDraft now(UUID holding, String subject) {
    return draft(repository.find(holding, UUID.fromString(subject)).orElse(null));
  }

  @Override
  @Transactional
  public void put(UUID holding, String subject, @Nullable JsonNode state) {
    UUID id = UUID.fromString(subject);
    Optional<PartView> before = repository.find(holding, id);
    before.ifPresent(p -> changed(holding, p.design()));
    if (state == null) {
      repository.remove(holding, id);
      return;
    }
    PartDraft d = json.read(state, PartDraft.class);
    PartView part =
        new PartView(
            id, d.name(), d.houseId(), d.design(), before.map(PartView::version).orElse(1));
    if (d.houseId() != null) {
      houses.get(holding, d.houseId());
    }
    references(holding, part);
    repository.insert(holding, part, clock.instant());
    before.ifPresent(p -> repository.update(holding, part, clock.instant()));
    changed(holding, part.design());
  }

  /** What is judged of the stores that it names rests on it. */
  private void changed(UUID holding, PartDesign design) {
    Set<String> keys =
        design.stores().stream().map(InputChanged.Keys::store).collect(Collectors.toSet());
    if (!keys.isEmpty()) {
      events.publishEvent(InputChanged.design(holding, keys));
    }
  }

  /** Refuses parts that point at what is not there or cannot be, as a file may bring them. */
  public void checkAll(UUID holding) {
    for (PartView p : repository.all(holding)) {
      checked(
          holding, p.id(), new PartDraft(p.id(), p.name(), p.houseId(), p.design()), p.version());
    }
  }

  private PartView checked(UUID holding, UUID id, PartDraft draft, int version) {
    if (draft.name() == null || draft.name().isBlank() || draft.name().length() > 200) {
      throw Problem.invalid("name", "A part needs a name of up to 200 letters.", "Give it a name.");
    }
    if (draft.design() == null) {
      throw Problem.invalid("design", "What it is, is missing.", "Choose what it is.");
    }
    if (draft.houseId() != null) {
      houses.get(holding, draft.houseId());
    }
    PartView part =
        new PartView(id, draft.name().strip(), draft.houseId(), draft.design(), version);
    Span day = new Span(clock.instant(), 86_400, ZoneOffset.UTC);
    PartMapping.check(part, day, books.materials(holding));
    references(holding, part);
    return part;
  }

  private void references(UUID holding, PartView part) {
    Set<UUID> named = new HashSet<>(part.design().stores());
    Set<UUID> known = repository.stores(holding, named);
    if (!known.containsAll(named)) {
      throw Problem.notFound("store");
    }
    if (part.design() instanceof PartDesign.Circuit c) {
      Set<UUID> through =
          c.ends().stream()
              .filter(e -> e instanceof EndDesign.Through)
              .map(e -> ((EndDesign.Through) e).storeId())
              .collect(Collectors.toSet());
      if (!repository.led(holding, through).containsAll(through)) {
        throw Problem.invalid(
            "design.ends",
            "Nothing is led through that store.",
            "Draw its pipe, its stones or its bore first, or draw water from it directly.");
      }
    }
    Set<UUID> circuits =
        part.design().heats().stream()
            .filter(h -> h.to() == PartDesign.To.CIRCUIT)
            .map(HeatTo::id)
            .collect(Collectors.toSet());
    Set<UUID> here =
        repository.all(holding).stream()
            .filter(p -> p.design() instanceof PartDesign.Circuit)
            .map(PartView::id)
            .collect(Collectors.toSet());
    if (!here.containsAll(circuits)) {
      throw Problem.notFound("circuit");
    }
  }
}
