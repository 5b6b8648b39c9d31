package nightbank.server.house;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.HouseLosses;
import nightbank.core.house.Keeps;
import nightbank.core.usual.Usual;
import nightbank.core.weather.Ground;
import nightbank.core.weather.Sky;
import nightbank.server.change.Changes;
import nightbank.server.change.Reversible;
import nightbank.server.holding.Holdings;
import nightbank.server.house.internal.HouseRepository;
import nightbank.server.house.internal.HouseRepository.StoredHouse;
import nightbank.server.shared.InputChanged;
import nightbank.server.shared.Json;
import nightbank.server.shared.Problem;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;

/** Houses: kept, checked, and handed to the core. */
@Service
public class Houses implements Reversible {

  private final HouseRepository repository;
  private final Holdings holdings;
  private final ApplicationEventPublisher events;
  private final Changes changes;
  private final Json json;
  private final Clock clock;

  Houses(
      HouseRepository repository,
      Holdings holdings,
      ApplicationEventPublisher events,
      Changes changes,
      Json json,
      Clock clock) {
    this.repository = repository;
    this.holdings = holdings;
    this.events = events;
    this.changes = changes;
    this.json = json;
    this.clock = clock;
  }

  /** What a keeper sends. */
  public record HouseDraft(UUID id, String name, HouseDesign design) {}

  /** A house and the holding that it stands in. */
  public record Where(UUID holding, UUID house) {}

  /** A house that is being taken away, and what stands in it with it. */
  public record Goes(UUID holding, UUID id) {}

  /**
   * A few answers from which a whole design is made.
   *
   * @param material of the covering, from the catalogue of skins
   * @param backCelsius temperature of the building that a lean-to leans on or a room lies in,
   *     absent when unheated
   * @param room what sort of room, for that shape
   * @param keeps what it is kept for, absent for plants
   */
  public record Answers(
      HouseDesign.Shape shape,
      String material,
      Double backCelsius,
      double airChangesPerHour,
      double plantLimitCelsius,
      @Nullable Room room,
      @Nullable Keeps keeps) {}

  /** Rooms by what lies behind their walls. */
  public enum Room {
    /** Rooms on all sides but one. */
    DWELLING,
    /** Alone or joined to a dwelling on one side. */
    GARAGE,
    /** Earth on all sides, a room above. */
    CELLAR,
    /** Earth behind and above, glass in front. */
    BERMED,
    /** Heavy walls in the open. */
    MASONRY
  }

  public List<HouseView> all(UUID holding) {
    return repository.all(holding).stream().map(Houses::view).toList();
  }

  /** Of all holdings, those changed last. */
  public List<Where> newest(int most) {
    return repository.newest(most);
  }

  public HouseView get(UUID holding, UUID id) {
    return view(stored(holding, id));
  }

  /** The core's house as its keeper described it, whatever was learned since. */
  public Greenhouse described(UUID holding, UUID id) {
    return HouseMapping.described(stored(holding, id).design());
  }

  public Greenhouse greenhouse(UUID holding, UUID id) {
    return HouseMapping.toCore(stored(holding, id).design());
  }

  @Transactional
  public HouseView create(UUID holding, HouseDraft draft) {
    check(draft);
    UUID id = draft.id() == null ? UUID.randomUUID() : draft.id();
    HouseDraft before = now(holding, id.toString());
    if (before != null) {
      HouseDraft sent = new HouseDraft(id, draft.name().strip(), draft.design());
      json.requireSame("house", before, sent);
      return get(holding, id);
    }
    repository.insert(holding, id, draft.name().strip(), draft.design(), clock.instant());
    HouseView made = get(holding, id);
    note(holding, id, null);
    return made;
  }

  /** Takes a house away; its stores stay, in no house, and its parts go with it. */
  @Transactional
  public void remove(UUID holding, UUID id) {
    HouseDraft before = draft(stored(holding, id));
    events.publishEvent(new Goes(holding, id));
    put(holding, id.toString(), null);
    note(holding, id, before);
  }

  private void note(UUID holding, UUID id, @Nullable HouseDraft before) {
    HouseDraft after = now(holding, id.toString());
    String name = after == null ? Objects.requireNonNull(before).name() : after.name();
    changes.made(holding, kind(), id.toString(), name, before, after);
  }

  private static HouseDraft draft(StoredHouse h) {
    return new HouseDraft(h.id(), h.name(), h.design());
  }

  @Override
  public Changes.Kind kind() {
    return Changes.Kind.HOUSE;
  }

  @Override
  public @Nullable HouseDraft now(UUID holding, String subject) {
    return repository.find(holding, UUID.fromString(subject)).map(Houses::draft).orElse(null);
  }

  @Override
  @Transactional
  public void put(UUID holding, String subject, @Nullable JsonNode state) {
    UUID id = UUID.fromString(subject);
    if (state == null) {
      repository.remove(holding, id, clock.instant());
    } else {
      HouseDraft d = json.read(state, HouseDraft.class);
      repository.restore(holding, id, d.name(), d.design(), clock.instant());
    }
    events.publishEvent(InputChanged.design(holding, Set.of(InputChanged.Keys.house(id))));
  }

  @Transactional
  public HouseView change(UUID holding, UUID id, HouseDraft draft, int version) {
    check(draft);
    StoredHouse stored = stored(holding, id);
    HouseDraft sent = new HouseDraft(id, draft.name().strip(), draft.design());
    if (stored.version() != version && json.same(draft(stored), sent)) {
      return get(holding, id);
    }
    HouseDesign before = stored.design().described();
    if (!repository.update(
        holding, id, draft.name().strip(), draft.design(), version, clock.instant())) {
      throw Problem.changedMeanwhile("house");
    }
    if (!before.equals(draft.design().described())) {
      events.publishEvent(InputChanged.design(holding, Set.of(InputChanged.Keys.house(id))));
    }
    note(holding, id, draft(stored));
    return get(holding, id);
  }

  @Override
  public void forget(Instant before) {
    repository.forget(before);
  }

  private StoredHouse stored(UUID holding, UUID id) {
    return repository.find(holding, id).orElseThrow(() -> Problem.notFound("house"));
  }

  private static void check(HouseDraft draft) {
    if (draft.name() == null || draft.name().isBlank() || draft.name().length() > 200) {
      throw Problem.invalid(
          "name", "A house needs a name of up to 200 letters.", "Give it a name.");
    }
    HouseMapping.toCore(draft.design());
  }

  /** A design from a few answers; nothing is kept. */
  public HouseDesign shaped(Answers answers) {
    HouseDesign design = ShapedHouse.of(answers);
    HouseMapping.toCore(design);
    return design;
  }

  /** The core's house for a design that is tried and not kept. */
  public Greenhouse tried(HouseDesign design) {
    return HouseMapping.toCore(design);
  }

  /** Two metres below its floor, °C: as given, or by latitude and season. */
  public double ground(UUID holding, HouseDesign design, Instant at) {
    return design != null && design.groundCelsius() != null
        ? design.groundCelsius()
        : Ground.celsius(holdings.get(holding).latitude(), 0, at, Ground.DEEP);
  }

  private static HouseView view(StoredHouse h) {
    Greenhouse g = HouseMapping.toCore(h.design());
    double outdoor = Usual.SHOWN_OUTDOORS.value();
    double calm = Usual.CALM.value();
    double inside = outdoor + 10;
    double sky = Sky.celsius(outdoor, Double.NaN, 0.5);
    HouseLosses losses =
        HouseLosses.at(
            g,
            new HouseLosses.Conditions(
                inside, inside, outdoor, sky, calm, Double.NaN, inside, false));
    return new HouseView(
        h.id(), h.name(), h.version(), h.design(), g.lossCoefficient(calm), LossView.of(losses));
  }
}
