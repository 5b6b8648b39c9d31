package nightbank.server.store;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import nightbank.core.caution.PartLimit;
import nightbank.core.caution.StoreCautions;
import nightbank.core.caution.StoreFacts;
import nightbank.core.store.FaceName;
import nightbank.core.store.HeatStore;
import nightbank.core.usual.Usual;
import nightbank.server.book.Books;
import nightbank.server.book.Materials;
import nightbank.server.change.Changes;
import nightbank.server.change.Reversible;
import nightbank.server.house.HouseDesign;
import nightbank.server.house.HouseView;
import nightbank.server.house.Houses;
import nightbank.server.part.PartDesign;
import nightbank.server.part.PartView;
import nightbank.server.part.Parts;
import nightbank.server.part.StoreHeat;
import nightbank.server.shared.InputChanged;
import nightbank.server.shared.InputChanged.Keys;
import nightbank.server.shared.Json;
import nightbank.server.shared.Problem;
import nightbank.server.store.internal.StoreRepository;
import nightbank.server.store.internal.StoreRepository.StoredStore;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;

/** Stores: kept, checked, appraised, and handed to the core. */
@Service
public class Stores implements Reversible {
  private final StoreRepository repository;
  private final Houses houses;
  private final Books books;
  private final Parts parts;
  private final ApplicationEventPublisher events;
  private final Changes changes;
  private final Json json;
  private final Clock clock;
  private final StoreNow now = new StoreNow();

  Stores(
      StoreRepository repository,
      Houses houses,
      Books books,
      Parts parts,
      ApplicationEventPublisher events,
      Changes changes,
      Json json,
      Clock clock) {
    this.repository = repository;
    this.houses = houses;
    this.books = books;
    this.parts = parts;
    this.events = events;
    this.changes = changes;
    this.json = json;
    this.clock = clock;
  }

  /**
   * A store for the core, with what the core does not need but its callers do.
   *
   * @param probes all of its thermometers, those beside it too
   * @param sunlit m² that the sun charges it by, as if they took all of it up; 0 without sun
   */
  public record CoreStore(
      UUID id,
      String name,
      @Nullable UUID houseId,
      HeatStore store,
      List<ProbeView> probes,
      StoreHeat heat,
      double sunlit,
      Lid lid) {
    /** Whether it makes heat of itself. */
    public boolean makesHeat() {
      return heat.kind() == StoreFacts.SourceKind.HEAP;
    }
  }

  /**
   * Layers on top that can be lifted.
   *
   * @param hours when they are off every day, absent for no such hours
   */
  public record Lid(boolean there, @Nullable LidHours hours) {}

  public List<StoreView> all(UUID holding) {
    var probes = repository.probes(holding);
    var earlier = repository.earlier(holding);
    var latest = latest(holding);
    Materials book = books.materials(holding);
    List<PartView> heating = parts.all(holding);
    Map<UUID, HouseDesign> designs =
        houses.all(holding).stream().collect(Collectors.toMap(HouseView::id, HouseView::design));
    return repository.all(holding).stream()
        .map(
            s ->
                view(
                    s,
                    probes.getOrDefault(s.id(), List.of()),
                    earlier.getOrDefault(s.id(), List.of()),
                    latest,
                    book,
                    heating,
                    room(s.houseId() == null ? null : designs.get(s.houseId()))))
        .toList();
  }

  public Map<UUID, String> names(UUID holding) {
    return repository.all(holding).stream()
        .collect(Collectors.toMap(StoredStore::id, StoredStore::name));
  }

  public StoreView get(UUID holding, UUID id) {
    StoredStore s = stored(holding, id);
    return view(
        s,
        probes(holding, id),
        earlier(holding, id),
        latest(holding),
        books.materials(holding),
        parts.all(holding),
        room(design(holding, s.houseId())));
  }

  public List<ProbeView> probes(UUID holding, UUID store) {
    return repository.probes(holding).getOrDefault(store, List.of());
  }

  /** As it is now. */
  public CoreStore core(UUID holding, UUID id) {
    return core(holding, id, arrangements(holding, id).now());
  }

  /** As it was once. */
  public CoreStore core(UUID holding, UUID id, Arrangement as) {
    HeatStore core = StoreMapping.toCore(as.design(), as.probes(), books.materials(holding));
    StoreHeat heat = StoreHeat.of(id, parts.all(holding));
    return new CoreStore(
        id,
        stored(holding, id).name(),
        as.houseId(),
        core,
        as.probes(),
        heat,
        heat.sunlit().map(x -> sunlit(x, core)).orElse(0.0),
        new Lid(LidHours.liftable(as.design()), as.design().lidOff()));
  }

  /** How it was, when. */
  public Arrangements arrangements(UUID holding, UUID id) {
    return arrangements(holding, stored(holding, id), probes(holding, id));
  }

  private Arrangements arrangements(UUID holding, StoredStore s, List<ProbeView> probes) {
    return Arrangements.of(
        earlier(holding, s.id()), new Arrangement(null, s.houseId(), s.design(), probes));
  }

  private List<Arrangement> earlier(UUID holding, UUID id) {
    return repository.earlier(holding).getOrDefault(id, List.of());
  }

  private static double sunlit(PartDesign.Sunlight s, HeatStore core) {
    double area =
        s.squareMetres() == null
            ? core.faceArea(FaceName.SIDE) * core.count() / 2
            : s.squareMetres();
    return area * Usual.FACE_ABSORPTANCE.or(s.absorptance());
  }

  /**
   * What a design would come to, in a house or in none.
   *
   * @param storeId whose parts charge it, absent where it has none yet
   */
  public Appraisal appraise(UUID holding, StoreDesign design, UUID houseId, UUID storeId) {
    Materials book = books.materials(holding);
    HeatStore core = StoreMapping.toCore(design, List.of(), book);
    return Appraiser.appraise(
        design, core, heat(holding, storeId), book, Double.NaN, room(design(holding, houseId)));
  }

  private StoreHeat heat(UUID holding, UUID store) {
    return StoreHeat.of(store, store == null ? List.of() : parts.all(holding));
  }

  /** The design as the core has it; nothing is kept. */
  public HeatStore tried(UUID holding, StoreDesign design) {
    return StoreMapping.toCore(design, List.of(), books.materials(holding));
  }

  /** Parts in its heat that stand only so much. */
  public static List<PartLimit> parts(StoreDesign design) {
    return FactsMapping.parts(design);
  }

  /** What its design calls for when it gets so hot. */
  public static List<Appraisal.CautionView> cautions(
      StoreDesign design,
      HeatStore core,
      StoreHeat heat,
      double hottestCelsius,
      double contactCelsius) {
    var facts = FactsMapping.toCore(design, core, heat).withPeak(hottestCelsius, contactCelsius);
    return StoreCautions.of(facts).stream().map(Appraiser::view).toList();
  }

  public BuildView build(UUID holding, UUID id) {
    StoreView store = get(holding, id);
    Materials book = books.materials(holding);
    return BuildMapping.view(
        store, StoreMapping.toCore(store.design(), store.probes(), book), book);
  }

  /** A store that is being taken away, and what was made of its readings with it. */
  public record Goes(UUID holding, UUID id) {}

  @Transactional
  public StoreView create(UUID holding, StoreDraft draft) {
    StoreChecks.told(draft);
    UUID id = draft.id() == null ? UUID.randomUUID() : draft.id();
    Arrangements when = draft.over(new Arrangements(List.of(draft.now())), json);
    check(holding, draft, when);
    StoreDraft before = now(holding, id.toString());
    if (before != null) {
      StoreDraft sent = StoreDraft.of(id, draft.name().strip(), draft.isPlanned(), when);
      json.requireSame("store", before, sent);
      return get(holding, id);
    }
    if (parts.all(holding).stream().anyMatch(p -> p.id().equals(id))) {
      throw Problem.knownId("part");
    }
    repository.insert(
        holding,
        id,
        draft.houseId(),
        draft.name().strip(),
        draft.isPlanned(),
        draft.design(),
        clock.instant());
    stored(holding, id);
    repository.saveProbes(holding, id, draft.houseId(), draft.probes(), clock.instant());
    repository.saveEarlier(holding, id, when.earlier());
    changed(holding, Set.of(Keys.store(id)));
    if (!air(draft.probes()).isEmpty()) {
      changed(holding, Set.of(Keys.AIR));
    }
    note(holding, id, before);
    return get(holding, id);
  }

  /**
   * Takes a store away, with its runs and its own parts; what was read of it goes when it cannot
   * come back any more.
   */
  @Transactional
  public void remove(UUID holding, UUID id) {
    StoreDraft before = now(holding, id.toString());
    stored(holding, id);
    parts.leave(holding, id);
    events.publishEvent(new Goes(holding, id));
    put(holding, id.toString(), null);
    note(holding, id, before);
  }

  /** Its stores stand in no house when a house goes. */
  @EventListener
  void standsOn(Houses.Goes house) {
    for (StoredStore s : repository.all(house.holding())) {
      StoreDraft d = draft(house.holding(), s);
      List<Arrangement> earlier = d.earlier() == null ? List.of() : d.earlier();
      boolean once = earlier.stream().anyMatch(a -> house.id().equals(a.houseId()));
      if (once || house.id().equals(s.houseId())) {
        change(
            house.holding(),
            s.id(),
            new StoreDraft(
                d.id(),
                d.name(),
                house.id().equals(d.houseId()) ? null : d.houseId(),
                d.planned(),
                d.design(),
                d.probes(),
                earlier.stream().map(a -> a.without(house.id())).toList(),
                null,
                null),
            s.version());
      }
    }
  }

  private void note(UUID holding, UUID id, @Nullable StoreDraft before) {
    StoreDraft after = now(holding, id.toString());
    String name = after == null ? Objects.requireNonNull(before).name() : after.name();
    changes.made(holding, kind(), id.toString(), name, before, after);
  }

  private StoreDraft draft(UUID holding, StoredStore s) {
    List<ProbeView> probes = probes(holding, s.id());
    return StoreDraft.of(s.id(), s.name(), s.planned(), arrangements(holding, s, probes));
  }

  @Override
  public Changes.Kind kind() {
    return Changes.Kind.STORE;
  }

  @Override
  public @Nullable StoreDraft now(UUID holding, String subject) {
    UUID id = UUID.fromString(subject);
    return repository.find(holding, id).map(s -> draft(holding, s)).orElse(null);
  }

  @Override
  @Transactional
  public void put(UUID holding, String subject, @Nullable JsonNode state) {
    UUID id = UUID.fromString(subject);
    if (state == null) {
      repository.remove(holding, id, clock.instant());
    } else {
      StoreDraft d = json.read(state, StoreDraft.class);
      Arrangements when = Arrangements.of(d.earlier() == null ? List.of() : d.earlier(), d.now());
      when.all().stream()
          .map(Arrangement::houseId)
          .filter(Objects::nonNull)
          .forEach(house -> houses.get(holding, house));
      repository.restore(
          holding, id, d.houseId(), d.name(), d.isPlanned(), d.design(), clock.instant());
      repository.saveProbes(holding, id, d.houseId(), d.probes(), clock.instant());
      repository.saveEarlier(holding, id, when.earlier());
    }
    changed(holding, Set.of(Keys.store(id), Keys.AIR));
  }

  @Override
  public void forget(Instant before) {
    repository.forget(before);
  }

  @Transactional
  public StoreView change(UUID holding, UUID id, StoreDraft draft, int version) {
    StoreChecks.told(draft);
    StoredStore before = stored(holding, id);
    List<ProbeView> probes = probes(holding, id);
    Arrangements was = arrangements(holding, before, probes);
    Arrangements when = draft.over(was, json);
    check(holding, draft, when);
    StoreDraft kept = StoreDraft.of(id, before.name(), before.planned(), was);
    StoreDraft sent = StoreDraft.of(id, draft.name().strip(), draft.isPlanned(), when);
    if (before.version() != version && json.same(kept, sent)) {
      return get(holding, id);
    }
    if (!repository.update(
        holding,
        id,
        draft.houseId(),
        draft.name().strip(),
        draft.isPlanned(),
        draft.design(),
        version,
        clock.instant())) {
      throw Problem.changedMeanwhile("store");
    }
    repository.saveProbes(holding, id, draft.houseId(), draft.probes(), clock.instant());
    repository.saveEarlier(holding, id, when.earlier());
    boolean renamed =
        !before.name().equals(draft.name().strip()) || before.planned() != draft.isPlanned();
    Optional<Arrangements.Lasting> other = was.differ(when);
    if (renamed || other.isEmpty()) {
      changed(holding, Set.of(Keys.store(id)));
    } else {
      events.publishEvent(
          InputChanged.design(
              holding, Set.of(Keys.store(id)), other.get().from(), other.get().to()));
    }
    boolean moved =
        !Objects.equals(before.houseId(), draft.houseId())
            && !(air(probes).isEmpty() && air(draft.probes()).isEmpty());
    if (moved || !air(probes).equals(air(draft.probes()))) {
      changed(holding, Set.of(Keys.AIR));
    }
    note(holding, id, StoreDraft.of(id, before.name(), before.planned(), was));
    return get(holding, id);
  }

  private void changed(UUID holding, Set<String> keys) {
    events.publishEvent(InputChanged.design(holding, keys));
  }

  private static Map<UUID, ProbeView.Kind> air(List<ProbeView> probes) {
    return probes.stream()
        .filter(p -> StoreNow.BESIDE.contains(p.kind()))
        .collect(Collectors.toMap(ProbeView::id, ProbeView::kind));
  }

  /** Adds probes that a file brought with it; the store's version moves on. */
  @Transactional
  public List<ProbeView> addProbes(UUID holding, UUID id, List<ProbeView> more) {
    StoreView now = get(holding, id);
    List<ProbeView> all = new ArrayList<>(now.probes());
    all.addAll(more);
    change(
        holding,
        id,
        new StoreDraft(
            id, now.name(), now.houseId(), now.planned(), now.design(), all, null, null, null),
        now.version());
    return all;
  }

  /** That all there are can be reckoned with, as they are and as they were. */
  public void checkAll(UUID holding) {
    for (StoreView s : all(holding)) {
      s.earlier().forEach(a -> core(holding, s.id(), a));
    }
  }

  private void check(UUID holding, StoreDraft draft, Arrangements when) {
    if (draft.name() == null || draft.name().isBlank() || draft.name().length() > 200) {
      throw Problem.invalid(
          "name", "A store needs a name of up to 200 letters.", "Give it a name.");
    }
    StoreChecks.inTime(draft.since(), when, clock.instant());
    Materials book = books.materials(holding);
    for (Arrangement a : when.all()) {
      if (a.houseId() != null) {
        houses.get(holding, a.houseId());
      }
      StoreChecks.temperatures(a.design());
      HeatStore core = StoreMapping.toCore(a.design(), a.probes(), book);
      Appraiser.appraise(a.design(), core, StoreHeat.none(), book, Double.NaN, null);
    }
  }

  private StoredStore stored(UUID holding, UUID id) {
    return repository.find(holding, id).orElseThrow(() -> Problem.notFound("store"));
  }

  private Map<UUID, StoreView.Latest> latest(UUID holding) {
    return repository.latest(holding).stream()
        .collect(Collectors.toMap(StoreView.Latest::probeId, Function.identity()));
  }

  private @Nullable HouseDesign design(UUID holding, UUID houseId) {
    return houseId == null ? null : houses.get(holding, houseId).design();
  }

  /** Inside of a house by its shape; null for none or one that was typed part by part. */
  private static StoreFacts.@Nullable Room room(@Nullable HouseDesign house) {
    HouseDesign.Shape s = house == null ? null : house.shape();
    return s == null || s.kind() == HouseDesign.Shape.Kind.DOME
        ? null
        : new StoreFacts.Room(s.lengthMetres(), s.widthMetres(), s.highMetres());
  }

  private StoreView view(
      StoredStore s,
      List<ProbeView> probes,
      List<Arrangement> earlier,
      Map<UUID, StoreView.Latest> latest,
      Materials book,
      List<PartView> heating,
      StoreFacts.@Nullable Room room) {
    HeatStore core = StoreMapping.toCore(s.design(), probes, book);
    double hottest =
        core.probes().stream()
            .map(p -> latest.get(UUID.fromString(p.id())))
            .filter(l -> l != null)
            .mapToDouble(StoreView.Latest::celsius)
            .max()
            .orElse(Double.NaN);
    StoreHeat heat = StoreHeat.of(s.id(), heating);
    return StoreViewBuilder.builder()
        .id(s.id())
        .name(s.name())
        .version(s.version())
        .houseId(s.houseId())
        .planned(s.planned())
        .reachesHouse(core.place().reachesHouse() || heat.ledToHouse())
        .design(s.design())
        .probes(probes)
        .earlier(earlier)
        .appraisal(Appraiser.appraise(s.design(), core, heat, book, hottest, room))
        .now(now.of(core, heat.kind() == StoreFacts.SourceKind.HEAP, probes, latest))
        .build();
  }
}
