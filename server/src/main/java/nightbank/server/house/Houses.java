package nightbank.server.house;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.HouseLosses;
import nightbank.core.usual.Usual;
import nightbank.core.weather.Ground;
import nightbank.core.weather.Sky;
import nightbank.server.holding.Holdings;
import nightbank.server.house.internal.HouseRepository;
import nightbank.server.house.internal.HouseRepository.StoredHouse;
import nightbank.server.shared.InputChanged;
import nightbank.server.shared.Problem;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Houses: kept, checked, and handed to the core. */
@Service
public class Houses {

  private final HouseRepository repository;
  private final Holdings holdings;
  private final ApplicationEventPublisher events;
  private final Clock clock;

  Houses(
      HouseRepository repository,
      Holdings holdings,
      ApplicationEventPublisher events,
      Clock clock) {
    this.repository = repository;
    this.holdings = holdings;
    this.events = events;
    this.clock = clock;
  }

  /** What a keeper sends. */
  public record HouseDraft(UUID id, String name, HouseDesign design) {}

  /**
   * A few answers from which a whole design is made.
   *
   * @param material of the covering, from the catalogue of skins
   * @param backCelsius temperature of the building that a lean-to leans on, absent when unheated
   */
  public record Answers(
      HouseDesign.Shape shape,
      String material,
      Double backCelsius,
      double airChangesPerHour,
      double plantLimitCelsius) {}

  public List<HouseView> all(UUID holding) {
    return repository.all(holding).stream().map(Houses::view).toList();
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

  public HouseView create(UUID holding, HouseDraft draft) {
    check(draft);
    UUID id = draft.id() == null ? UUID.randomUUID() : draft.id();
    repository.insert(holding, id, draft.name().strip(), draft.design(), clock.instant());
    return get(holding, id);
  }

  @Transactional
  public HouseView change(UUID holding, UUID id, HouseDraft draft, int version) {
    check(draft);
    HouseDesign before = stored(holding, id).design().described();
    if (!repository.update(
        holding, id, draft.name().strip(), draft.design(), version, clock.instant())) {
      throw Problem.changedMeanwhile("house");
    }
    if (!before.equals(draft.design().described())) {
      events.publishEvent(InputChanged.design(holding, Set.of(InputChanged.Keys.house(id))));
    }
    return get(holding, id);
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
            g, new HouseLosses.Conditions(inside, inside, outdoor, sky, calm, Double.NaN, false));
    return new HouseView(
        h.id(), h.name(), h.version(), h.design(), g.lossCoefficient(calm), LossView.of(losses));
  }
}
