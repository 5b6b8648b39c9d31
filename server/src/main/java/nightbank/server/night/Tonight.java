package nightbank.server.night;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.SolarGain;
import nightbank.core.night.Action;
import nightbank.core.night.Advice;
import nightbank.core.night.Counterfactual;
import nightbank.core.night.NightForecast;
import nightbank.core.night.NightPlan;
import nightbank.core.night.NightSimulation;
import nightbank.core.night.NightStore;
import nightbank.core.weather.SunTimes;
import nightbank.core.weather.Weather;
import nightbank.server.holding.HoldingView;
import nightbank.server.holding.Holdings;
import nightbank.server.house.HouseDesign;
import nightbank.server.house.Houses;
import nightbank.server.shared.Problem;
import nightbank.server.store.LidHours;
import nightbank.server.store.StoreView;
import nightbank.server.weather.Weathers;
import org.springframework.stereotype.Service;

/** Gathers what is known of a house now and asks the core whether the night will hold. */
@Service
public class Tonight {
  private static final double STEP = 120;

  private final Holdings holdings;
  private final Houses houses;
  private final Starts starts;
  private final Weathers weathers;
  private final Clock clock;

  /** What the last whole answer began from, for the quick ones while a hand moves. */
  private final Cache<Asked, Start> started =
      Caffeine.newBuilder().maximumSize(200).expireAfterWrite(Duration.ofSeconds(60)).build();

  Tonight(Holdings holdings, Houses houses, Starts starts, Weathers weathers, Clock clock) {
    this.holdings = holdings;
    this.houses = houses;
    this.starts = starts;
    this.weathers = weathers;
    this.clock = clock;
  }

  private record Asked(UUID holding, UUID house, Double evening, Double low, Instant end) {}

  private record Start(
      double evening,
      double air,
      double mass,
      List<Starts.StoreStart> stores,
      List<TonightView.Assumption> assumed,
      Weathers.Known known) {}

  public TonightView ask(UUID holding, UUID houseId, TonightQuestion q) {
    check(q);
    Instant now = clock.instant();
    HoldingView place = holdings.get(holding);
    HouseDesign kept = houses.get(holding, houseId).design();
    HouseDesign design = q.design() == null ? kept : q.design();
    Greenhouse house = houses.tried(design);
    SunTimes sun = SunTimes.of(now, place.latitude(), place.longitude());
    Instant sunrise = sun.sunrise().orElse(now.plus(Duration.ofHours(14)));
    boolean typed = q.lowCelsius() != null;
    Instant lowAt = lowAt(q, now, sunrise);
    Instant end = typed ? later(sunrise, lowAt) : sunrise;
    double length = Math.max(1800, Duration.between(now, end).toSeconds());
    boolean quick = Boolean.TRUE.equals(q.quick());
    Asked key = new Asked(holding, houseId, q.eveningCelsius(), q.lowCelsius(), end);
    Start start = quick ? started.getIfPresent(key) : null;
    if (start == null) {
      start = start(key, now);
      started.put(key, start);
    }
    Weather weather =
        typed
            ? Weather.typed(
                start.evening(),
                q.lowCelsius(),
                Math.max(600, Duration.between(now, lowAt).toSeconds()),
                q.wind() == null ? Weather.USUAL_WIND : q.wind(),
                q.cloud() == null ? Weather.USUAL_CLOUD : q.cloud(),
                length)
            : TonightWeather.of(start.known(), q, now);
    List<Starts.StoreStart> stores = start.stores();
    List<Action> standing = LidHours.actions(views(stores), now, ZoneId.of(place.zone()), length);
    List<Action> actions =
        q.actions() == null ? standing : Doings.toCore(q.actions(), stores, now, length);
    NightPlan plan =
        new NightPlan(
            house,
            stores.stream().map(Starts.StoreStart::night).map(NightStore::small).toList(),
            weather,
            start.air(),
            start.mass(),
            houses.ground(holding, design, now),
            length,
            STEP,
            actions,
            SolarGain.along(house, weather, now, place.latitude(), place.longitude()));
    var possible = Doings.possible(design, stores);
    List<TonightView.Assumption> assumed = new ArrayList<>(start.assumed());
    if (design.learned() != null) {
      assumed.add(
          new TonightView.Assumption(
              "HOUSE_LEARNED", null, null, String.valueOf(design.learned().nights())));
    }
    var view = new TonightMapping(houseId, plan, stores, now, sun, possible, assumed);
    if (quick) {
      return view.quick(
          NightSimulation.run(plan), NightSimulation.run(plan.withoutStores()).lowestCelsius());
    }
    NightForecast.Doubt doubt =
        doubt(typed, length, design).withStartAged(hoursSinceRead(stores, now));
    assumed.addAll(Givens.of(plan, doubt, design, q));
    NightForecast forecast = NightForecast.of(plan, doubt, Advice.MEMBERS);
    double dusk =
        sun.sunset().map(s -> (double) Duration.between(now, s).toSeconds()).orElse(1800.0);
    Advice advice =
        Advice.find(
            plan.withActions(standing),
            Doings.options(possible, standing, dusk, length),
            doubt,
            Map.of(plan.actions(), forecast));
    return view.whole(forecast, advice, Counterfactual.of(plan));
  }

  private static NightForecast.Doubt doubt(boolean typed, double length, HouseDesign design) {
    NightForecast.Doubt doubt =
        typed
            ? NightForecast.Doubt.ofTypedNight()
            : NightForecast.Doubt.ofForecast(length / 3600 / 2);
    HouseDesign.LearnedFactors l = design.learned();
    return l == null || l.skinSigma() == null || l.leakSigma() == null || l.massSigma() == null
        ? doubt
        : doubt.withLearned(l.skinSigma(), l.leakSigma(), l.massSigma());
  }

  private static List<StoreView> views(List<Starts.StoreStart> stores) {
    return stores.stream().map(Starts.StoreStart::view).toList();
  }

  /** Age of the oldest reading that the stores' state rests on; none counts as a day. */
  private static double hoursSinceRead(List<Starts.StoreStart> stores, Instant now) {
    return stores.stream()
        .mapToDouble(
            s -> s.readAt() == null ? 24 : Duration.between(s.readAt(), now).toMinutes() / 60.0)
        .max()
        .orElse(0);
  }

  private Start start(Asked a, Instant now) {
    List<TonightView.Assumption> assumed = new ArrayList<>();
    Weathers.Known known =
        a.low() == null
            ? TonightWeather.told(weathers.between(a.holding(), now, a.end()), a.end(), assumed)
            : null;
    double evening =
        known != null
            ? known.hours().get(0).celsius()
            : starts.evening(a.holding(), a.evening(), a.low(), now, assumed);
    double air = starts.air(a.holding(), a.house(), now, evening, assumed);
    return new Start(
        evening,
        air,
        starts.mass(a.holding(), a.house(), now, air, assumed),
        starts.stores(a.holding(), a.house(), now, air, assumed),
        assumed,
        known);
  }

  private static Instant lowAt(TonightQuestion q, Instant now, Instant sunrise) {
    Instant lowAt =
        q.lowAt() != null
            ? q.lowAt()
            : later(sunrise.minus(Duration.ofHours(1)), now.plus(Duration.ofMinutes(15)));
    if (lowAt.isBefore(now) || lowAt.isAfter(now.plus(Duration.ofHours(30)))) {
      throw Problem.invalid(
          "lowAt",
          "The low must come within the next 30 hours.",
          "Give the hour of tonight's low.");
    }
    return lowAt;
  }

  private static void check(TonightQuestion q) {
    if (q.lowCelsius() != null) {
      range("lowCelsius", q.lowCelsius(), -50, 30, "°C");
    }
    if (q.eveningCelsius() != null) {
      range("eveningCelsius", q.eveningCelsius(), -50, 40, "°C");
    }
    if (q.cloud() != null) {
      range("cloud", q.cloud(), 0, 1, "");
    }
    if (q.wind() != null) {
      range("wind", q.wind(), 0, 40, "m/s");
    }
  }

  private static void range(String field, double v, double low, double high, String unit) {
    if (!(v >= low && v <= high)) {
      throw Problem.invalid(
          field,
          "It must lie between " + low + " and " + high + " " + unit + ", was " + v + ".",
          "Check the number and its sign.");
    }
  }

  private static Instant later(Instant a, Instant b) {
    return a.isAfter(b) ? a : b;
  }
}
