package nightbank.server.sizing;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.UUID;
import nightbank.core.forecast.NightForecast;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.SolarGain;
import nightbank.core.sizing.Season;
import nightbank.core.sizing.Winter;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreState;
import nightbank.core.system.Action;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.SystemPlan;
import nightbank.core.usual.Usual;
import nightbank.core.weather.SunTimes;
import nightbank.core.weather.Weather;
import nightbank.server.book.Books;
import nightbank.server.holding.HoldingView;
import nightbank.server.holding.Holdings;
import nightbank.server.house.HouseDesign;
import nightbank.server.house.Houses;
import nightbank.server.part.PartView;
import nightbank.server.part.Span;
import nightbank.server.plant.Feedings;
import nightbank.server.plant.Plants;
import nightbank.server.shared.Problem;
import nightbank.server.store.LidHours;
import nightbank.server.store.StoreView;
import nightbank.server.store.Stores;
import org.springframework.stereotype.Component;

/** Nights that designs are tried on: as long as tonight, as cold as asked. */
@Component
class SizingNights {
  private static final double STEP = 600;
  private static final double PAIR_STEP = 300;
  private static final double FROM_NOON = 4.5 * 3600;
  private static final double LONGEST = 22 * 3600;

  private final Holdings holdings;
  private final Books books;
  private final Houses houses;
  private final Stores stores;
  private final Feedings feedings;
  private final Clock clock;

  SizingNights(
      Holdings holdings,
      Houses houses,
      Stores stores,
      Feedings feedings,
      Clock clock,
      Books books) {
    this.books = books;
    this.holdings = holdings;
    this.houses = houses;
    this.stores = stores;
    this.feedings = feedings;
    this.clock = clock;
  }

  /** When it is dark tonight. */
  record Dark(Instant sunset, Instant sunrise) {
    double seconds() {
      return Math.max(4 * 3600, Math.min(LONGEST, Duration.between(sunset, sunrise).toSeconds()));
    }
  }

  Dark dark(UUID holding) {
    HoldingView place = holdings.get(holding);
    Instant now = clock.instant();
    SunTimes sun = SunTimes.of(now, place.latitude(), place.longitude());
    Instant set = sun.sunset().orElse(now.plus(Duration.ofHours(2)));
    Instant rise = sun.sunrise().filter(r -> r.isAfter(set)).orElse(set.plus(Duration.ofHours(14)));
    return new Dark(set, rise);
  }

  /** Dusk to sunrise, with the house's stores as last read or without any. */
  SystemPlan night(
      UUID holding, UUID houseId, double low, Double wind, Double cloud, boolean keepStores) {
    Dark dark = dark(holding);
    double length = dark.seconds();
    SystemPlan plan =
        plan(
            holding,
            houseId,
            low,
            Usual.EVENING_OVER_LOW.value(),
            wind,
            cloud,
            length,
            STEP,
            keepStores);
    return keepStores
        ? plan.withActions(
            LidHours.actions(
                inUse(holding, houseId),
                dark.sunset(),
                ZoneId.of(holdings.get(holding).zone()),
                length))
        : plan;
  }

  /** Noon to sunrise with the sun of this time of year, without stores. */
  SystemPlan fromNoon(UUID holding, UUID houseId, double low, Double wind, Double cloud) {
    Dark dark = dark(holding);
    double length = dark.seconds() + FROM_NOON;
    SystemPlan plan =
        plan(
            holding,
            houseId,
            low,
            Usual.NOON_OVER_LOW.value(),
            wind,
            cloud,
            length,
            PAIR_STEP,
            false);
    HoldingView place = holdings.get(holding);
    return plan.withSun(
        SolarGain.along(
            plan.house(),
            plan.weather(),
            dark.sunset().minusSeconds((long) FROM_NOON),
            place.latitude(),
            place.longitude()),
        new double[0]);
  }

  static double duskOfPair() {
    return FROM_NOON;
  }

  private SystemPlan plan(
      UUID holding,
      UUID houseId,
      double low,
      double startOverLow,
      Double wind,
      Double cloud,
      double length,
      double step,
      boolean keepStores) {
    range("lowCelsius", low, -50, 25, "°C");
    double v = Usual.CALM.or(wind);
    double c = Usual.CLEAR_CLOUD.or(cloud);
    range("wind", v, 0, 40, "m/s");
    range("cloud", c, 0, 1, "");
    HouseDesign design = houses.get(holding, houseId).design();
    double air =
        Math.max(
            design.plantLimitCelsius() + Usual.HOUSE_OVER_LIMIT.value(), low + startOverLow + 3);
    SystemPlan plan =
        SystemPlan.of(
            system(holding, houseId, air, length),
            Weather.typed(low + startOverLow, low, length - 3600, v, c, length),
            air,
            air - 1,
            houses.ground(holding, design, clock.instant()),
            length,
            step);
    return keepStores ? plan : plan.withoutStores();
  }

  /** The place with its stores as last read and everything that runs by itself. */
  private PlantSystem system(UUID holding, UUID houseId, double air, double length) {
    Greenhouse house = houses.tried(houses.get(holding, houseId).design());
    List<PartView> here = feedings.place(holding, houseId).parts();
    Span span = new Span(clock.instant(), length, ZoneId.of(holdings.get(holding).zone()));
    List<Plants.Standing> standing =
        inUse(holding, houseId).stream().map(s -> standing(holding, s, air)).toList();
    return Plants.system(
        house, standing, here, span, Plants.Sunshine.NONE, books.materials(holding));
  }

  /** The place through winters of one length, each from its first midnight on. */
  List<SystemPlan> winters(UUID holding, UUID houseId, List<Winter> winters, boolean keepStores) {
    HoldingView place = holdings.get(holding);
    HouseDesign design = houses.get(holding, houseId).design();
    double air = design.plantLimitCelsius() + Usual.HOUSE_OVER_LIMIT.value();
    double length = winters.get(0).nights().size() * 86_400.0;
    PlantSystem all = system(holding, houseId, air, length);
    PlantSystem system = keepStores ? all : all.without(id -> true);
    Instant begin = firstNight(place);
    double ground = houses.ground(holding, design, begin);
    List<Action> lids =
        keepStores
            ? LidHours.actions(inUse(holding, houseId), begin, ZoneId.of(place.zone()), length)
            : List.of();
    return winters.stream()
        .map(
            w ->
                Season.plan(
                        system,
                        w,
                        ground,
                        SolarGain.along(
                            system.house().orElseThrow(),
                            w.weather(),
                            begin,
                            place.latitude(),
                            place.longitude()),
                        SolarGain.onLevel(w.weather(), begin, place.latitude(), place.longitude()),
                        List.of())
                    .withActions(lids))
        .toList();
  }

  /** A winter's first midnight, as far as its sun is concerned. */
  private Instant firstNight(HoldingView place) {
    ZoneId zone = ZoneId.of(place.zone());
    int month = place.latitude() < 0 ? 5 : 11;
    return clock
        .instant()
        .atZone(zone)
        .withMonth(month)
        .withDayOfMonth(15)
        .toLocalDate()
        .atStartOfDay(zone)
        .toInstant();
  }

  NightForecast.Doubt doubt(UUID holding, UUID houseId) {
    return houses.get(holding, houseId).design().learnedInto(NightForecast.Doubt.ofTypedNight());
  }

  private List<StoreView> inUse(UUID holding, UUID houseId) {
    return stores.all(holding).stream()
        .filter(s -> houseId.equals(s.houseId()) && !s.planned())
        .toList();
  }

  private Plants.Standing standing(UUID holding, StoreView view, double air) {
    Stores.CoreStore core = stores.core(holding, view.id());
    double mean = view.now().meanCelsius() == null ? air : view.now().meanCelsius();
    StoreState state = StoreState.uniform(StoreGrid.night(core.store()), mean);
    return new Plants.Standing(view.id(), view.design().indoors(), core.store(), state);
  }

  static void range(String field, double v, double low, double high, String unit) {
    if (!(v >= low && v <= high)) {
      throw Problem.invalid(
          field,
          "It must lie between " + low + " and " + high + " " + unit + ", was " + v + ".",
          "Check the number and its sign.");
    }
  }
}
