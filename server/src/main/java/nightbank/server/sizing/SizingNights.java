package nightbank.server.sizing;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.UUID;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.SolarGain;
import nightbank.core.night.NightPlan;
import nightbank.core.night.NightStore;
import nightbank.core.store.StoreGrid;
import nightbank.core.store.StoreState;
import nightbank.core.weather.SunTimes;
import nightbank.core.weather.Weather;
import nightbank.server.holding.HoldingView;
import nightbank.server.holding.Holdings;
import nightbank.server.house.HouseDesign;
import nightbank.server.house.Houses;
import nightbank.server.shared.Problem;
import nightbank.server.store.LidHours;
import nightbank.server.store.StoreView;
import nightbank.server.store.Stores;
import org.springframework.stereotype.Component;

/** Nights that designs are tried on: as long as tonight, as cold as asked. */
@Component
class SizingNights {
  private static final double CALM = 2; // m/s
  private static final double CLEAR = 0.2;
  private static final double EVENING_OVER_LOW = 6; // K, a clear night's fall from dusk
  private static final double NOON_OVER_LOW = 9; // K
  private static final double AIR_OVER_LIMIT = 2; // K, a house that was shut in time
  private static final double STEP = 600;
  private static final double PAIR_STEP = 300;
  private static final double FROM_NOON = 4.5 * 3600;
  private static final double LONGEST = 22 * 3600;

  private final Holdings holdings;
  private final Houses houses;
  private final Stores stores;
  private final Clock clock;

  SizingNights(Holdings holdings, Houses houses, Stores stores, Clock clock) {
    this.holdings = holdings;
    this.houses = houses;
    this.stores = stores;
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
  NightPlan night(
      UUID holding, UUID houseId, double low, Double wind, Double cloud, boolean keepStores) {
    Dark dark = dark(holding);
    double length = dark.seconds();
    NightPlan plan =
        plan(holding, houseId, low, EVENING_OVER_LOW, wind, cloud, length, STEP, keepStores);
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
  NightPlan fromNoon(UUID holding, UUID houseId, double low, Double wind, Double cloud) {
    Dark dark = dark(holding);
    double length = dark.seconds() + FROM_NOON;
    NightPlan plan =
        plan(holding, houseId, low, NOON_OVER_LOW, wind, cloud, length, PAIR_STEP, false);
    HoldingView place = holdings.get(holding);
    return plan.withSun(
        SolarGain.along(
            plan.house(),
            plan.weather(),
            dark.sunset().minusSeconds((long) FROM_NOON),
            place.latitude(),
            place.longitude()));
  }

  static double duskOfPair() {
    return FROM_NOON;
  }

  private NightPlan plan(
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
    double v = wind == null ? CALM : wind;
    double c = cloud == null ? CLEAR : cloud;
    range("wind", v, 0, 40, "m/s");
    range("cloud", c, 0, 1, "");
    HouseDesign design = houses.get(holding, houseId).design();
    Greenhouse house = houses.tried(design);
    double air = Math.max(design.plantLimitCelsius() + AIR_OVER_LIMIT, low + startOverLow + 3);
    return new NightPlan(
        house,
        keepStores ? standing(holding, houseId, air) : List.of(),
        Weather.typed(low + startOverLow, low, length - 3600, v, c, length),
        air,
        air - 1,
        houses.ground(holding, design, clock.instant()),
        length,
        step);
  }

  private List<NightStore> standing(UUID holding, UUID houseId, double air) {
    return inUse(holding, houseId).stream().map(s -> standing(holding, s, air)).toList();
  }

  private List<StoreView> inUse(UUID holding, UUID houseId) {
    return stores.all(holding).stream()
        .filter(s -> houseId.equals(s.houseId()) && !s.planned())
        .toList();
  }

  private NightStore standing(UUID holding, StoreView view, double air) {
    Stores.CoreStore core = stores.core(holding, view.id());
    double mean = view.now().meanCelsius() == null ? air : view.now().meanCelsius();
    StoreState state = StoreState.uniform(StoreGrid.night(core.store()), mean);
    return new NightStore(view.id().toString(), core.store(), state, core.hearth());
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
