package nightbank.server.store;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
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
import nightbank.server.book.MediaBook;
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
  private static final int MOST_PROBES = 100;

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

  /** What a keeper sends. */
  public record StoreDraft(
      UUID id,
      String name,
      @Nullable UUID houseId,
      Boolean planned,
      StoreDesign design,
      List<ProbeView> probes) {
    boolean isPlanned() {
      return Boolean.TRUE.equals(planned);
    }
  }

  /**
   * A store for the core, with what the core does not need but its callers do.
   *
   * @param sunlit m² that the sun charges it by, as if they took all of it up; 0 without sun
   */
  public record CoreStore(
      UUID id, String name, UUID houseId, HeatStore store, StoreHeat heat, double sunlit, Lid lid) {
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
    var latest = latest(holding);
    MediaBook book = books.media(holding);
    List<PartView> heating = parts.all(holding);
    Map<UUID, HouseDesign> designs =
        houses.all(holding).stream().collect(Collectors.toMap(HouseView::id, HouseView::design));
    return repository.all(holding).stream()
        .map(
            s ->
                view(
                    s,
                    probes.getOrDefault(s.id(), List.of()),
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
        latest(holding),
        books.media(holding),
        parts.all(holding),
        room(design(holding, s.houseId())));
  }

  public List<ProbeView> probes(UUID holding, UUID store) {
    return repository.probes(holding).getOrDefault(store, List.of());
  }

  public CoreStore core(UUID holding, UUID id) {
    StoredStore s = stored(holding, id);
    HeatStore core = StoreMapping.toCore(s.design(), probes(holding, id), books.media(holding));
    StoreHeat heat = StoreHeat.of(id, parts.all(holding));
    return new CoreStore(
        s.id(),
        s.name(),
        s.houseId(),
        core,
        heat,
        heat.sunlit().map(x -> sunlit(x, core)).orElse(0.0),
        new Lid(LidHours.liftable(s.design()), s.design().lidOff()));
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
    MediaBook book = books.media(holding);
    HeatStore core = StoreMapping.toCore(design, List.of(), book);
    return Appraiser.appraise(
        design, core, heat(holding, storeId), book, Double.NaN, room(design(holding, houseId)));
  }

  private StoreHeat heat(UUID holding, UUID store) {
    return StoreHeat.of(store, store == null ? List.of() : parts.all(holding));
  }

  /** The design as the core has it; nothing is kept. */
  public HeatStore tried(UUID holding, StoreDesign design) {
    return StoreMapping.toCore(design, List.of(), books.media(holding));
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
    MediaBook book = books.media(holding);
    return BuildMapping.view(
        store, StoreMapping.toCore(store.design(), store.probes(), book), book);
  }

  /** A store that is being taken away, and what was made of its readings with it. */
  public record Goes(UUID holding, UUID id) {}

  @Transactional
  public StoreView create(UUID holding, StoreDraft draft) {
    check(holding, draft);
    UUID id = draft.id() == null ? UUID.randomUUID() : draft.id();
    StoreDraft before = now(holding, id.toString());
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
    changed(holding, id, !air(draft.probes()).isEmpty());
    note(holding, id, before);
    return get(holding, id);
  }

  /**
   * Takes a store away, with its runs and its own parts; what was read of it goes when it cannot
   * come back any more.
   */
  @Transactional
  public void remove(UUID holding, UUID id) {
    StoreDraft before = draft(stored(holding, id), probes(holding, id));
    parts.leave(holding, id);
    events.publishEvent(new Goes(holding, id));
    put(holding, id.toString(), null);
    note(holding, id, before);
  }

  /** Its stores stand in no house when a house goes. */
  @EventListener
  void standsOn(Houses.Goes house) {
    for (StoredStore s : repository.all(house.holding())) {
      if (house.id().equals(s.houseId())) {
        StoreDraft d = draft(s, probes(house.holding(), s.id()));
        change(
            house.holding(),
            s.id(),
            new StoreDraft(d.id(), d.name(), null, d.planned(), d.design(), d.probes()),
            s.version());
      }
    }
  }

  private void note(UUID holding, UUID id, @Nullable StoreDraft before) {
    StoreDraft after = now(holding, id.toString());
    String name = after == null ? Objects.requireNonNull(before).name() : after.name();
    changes.made(holding, kind(), id.toString(), name, before, after);
  }

  private static StoreDraft draft(StoredStore s, List<ProbeView> probes) {
    return new StoreDraft(s.id(), s.name(), s.houseId(), s.planned(), s.design(), probes);
  }

  @Override
  public Changes.Kind kind() {
    return Changes.Kind.STORE;
  }

  @Override
  public @Nullable StoreDraft now(UUID holding, String subject) {
    UUID id = UUID.fromString(subject);
    return repository.find(holding, id).map(s -> draft(s, probes(holding, id))).orElse(null);
  }

  @Override
  @Transactional
  public void put(UUID holding, String subject, @Nullable JsonNode state) {
    UUID id = UUID.fromString(subject);
    if (state == null) {
      repository.remove(holding, id, clock.instant());
    } else {
      StoreDraft d = json.read(state, StoreDraft.class);
      if (d.houseId() != null) {
        houses.get(holding, d.houseId());
      }
      repository.restore(
          holding, id, d.houseId(), d.name(), d.isPlanned(), d.design(), clock.instant());
      repository.saveProbes(holding, id, d.houseId(), d.probes(), clock.instant());
    }
    changed(holding, id, true);
  }

  @Override
  public void forget(Instant before) {
    repository.forget(before);
  }

  @Transactional
  public StoreView change(UUID holding, UUID id, StoreDraft draft, int version) {
    check(holding, draft);
    StoredStore before = stored(holding, id);
    List<ProbeView> probes = probes(holding, id);
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
    boolean moved =
        !Objects.equals(before.houseId(), draft.houseId())
            && !(air(probes).isEmpty() && air(draft.probes()).isEmpty());
    changed(holding, id, moved || !air(probes).equals(air(draft.probes())));
    note(holding, id, draft(before, probes));
    return get(holding, id);
  }

  /**
   * @param air whether there are other thermometers of air now, which other stores rest on too
   */
  private void changed(UUID holding, UUID id, boolean air) {
    Set<String> keys = new HashSet<>(Set.of(InputChanged.Keys.store(id)));
    if (air) {
      keys.add(InputChanged.Keys.AIR);
    }
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
        new StoreDraft(id, now.name(), now.houseId(), now.planned(), now.design(), all),
        now.version());
    return all;
  }

  private void check(UUID holding, StoreDraft draft) {
    if (draft.name() == null || draft.name().isBlank() || draft.name().length() > 200) {
      throw Problem.invalid(
          "name", "A store needs a name of up to 200 letters.", "Give it a name.");
    }
    if (draft.houseId() != null) {
      houses.get(holding, draft.houseId());
    }
    if (draft.probes() == null || draft.probes().size() > MOST_PROBES) {
      throw Problem.invalid(
          "probes", "A store has at most " + MOST_PROBES + " probes.", "Leave some out.");
    }
    Set<String> names = new HashSet<>();
    for (ProbeView p : draft.probes()) {
      if (p.id() == null || p.kind() == null || p.name() == null || p.name().isBlank()) {
        throw Problem.invalid("probes", "A probe lacks its name.", "Give every probe a name.");
      }
      if (p.name().length() > 100 || !names.add(p.name().strip().toLowerCase(Locale.ROOT))) {
        throw Problem.invalid(
            "probes",
            "Two probes are called " + p.name() + ".",
            "Give every probe a name of its own, up to 100 letters.");
      }
    }
    MediaBook book = books.media(holding);
    HeatStore core = StoreMapping.toCore(draft.design(), draft.probes(), book);
    Appraiser.appraise(draft.design(), core, StoreHeat.none(), book, Double.NaN, null);
    if (!(draft.design().chargeToCelsius() > draft.design().floorCelsius()
        && draft.design().chargeToCelsius() <= 1200)) {
      throw Problem.invalid(
          "design.chargeToCelsius",
          "It must be charged to more than its floor temperature, and to at most 1200 °C.",
          "The floor temperature is where it stops helping; charge above that.");
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
      Map<UUID, StoreView.Latest> latest,
      MediaBook book,
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
        .appraisal(Appraiser.appraise(s.design(), core, heat, book, hottest, room))
        .now(now.of(core, heat.kind() == StoreFacts.SourceKind.HEAP, probes, latest))
        .build();
  }
}
