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
import nightbank.core.forecast.Advice;
import nightbank.core.forecast.Counterfactual;
import nightbank.core.forecast.NightForecast;
import nightbank.core.forecast.Possible;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.SolarGain;
import nightbank.core.system.Action;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemSimulation;
import nightbank.core.weather.SunTimes;
import nightbank.core.weather.Weather;
import nightbank.server.holding.HoldingView;
import nightbank.server.holding.Holdings;
import nightbank.server.house.HouseDesign;
import nightbank.server.house.Houses;
import nightbank.server.part.PartView;
import nightbank.server.part.Parts;
import nightbank.server.part.Span;
import nightbank.server.plant.Plants;
import nightbank.server.shared.Problem;
import nightbank.server.store.LidHours;
import nightbank.server.store.StoreView;
import nightbank.server.weather.Weathers;
import org.springframework.stereotype.Service;

/** Gathers what is known of a house now and asks the core whether the night will hold. */
@Service
public class Tonight {
  private static final double STEP = 120;
  private static final double UNREAD = 60; // h that a reading would be old to be as unsure

  private final Holdings holdings;
  private final Houses houses;
  private final Starts starts;
  private final Parts parts;
  private final Weathers weathers;
  private final Clock clock;

  /** What the last whole answer began from, for the quick ones while a hand moves. */
  private final Cache<Asked, Start> started =
      Caffeine.newBuilder().maximumSize(200).expireAfterWrite(Duration.ofSeconds(60)).build();

  Tonight(
      Holdings holdings,
      Houses houses,
      Starts starts,
      Parts parts,
      Weathers weathers,
      Clock clock) {
    this.holdings = holdings;
    this.houses = houses;
    this.starts = starts;
    this.parts = parts;
    this.weathers = weathers;
    this.clock = clock;
  }

  private record Asked(
      UUID holding,
      UUID house,
      Double evening,
      Double low,
      Double air,
      Double floor,
      List<TonightQuestion.StoreRead> stores,
      Instant end) {}

  private record Start(
      double evening,
      double air,
      double mass,
      List<Starts.StoreStart> stores,
      List<PartView> parts,
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
    Asked key =
        new Asked(
            holding,
            houseId,
            q.eveningCelsius(),
            q.lowCelsius(),
            q.airCelsius(),
            q.floorCelsius(),
            q.stores() == null ? List.of() : List.copyOf(q.stores()),
            end);
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
    ZoneId zone = ZoneId.of(place.zone());
    PlantSystem system =
        Plants.system(
            house,
            stores.stream().map(Starts.StoreStart::standing).toList(),
            start.parts(),
            new Span(now, length, zone),
            new Plants.Sunshine(
                weather.seconds(),
                SolarGain.onUpright(
                    front(design, place), weather, now, place.latitude(), place.longitude())));
    Doings doings = new Doings(system, start.parts(), stores, now, length);
    List<Action> standing = LidHours.actions(views(stores), now, zone, length);
    SystemPlan plan =
        SystemPlan.of(
                system,
                weather,
                start.air(),
                start.mass(),
                houses.ground(holding, design, now),
                length,
                STEP)
            .withActions(q.actions() == null ? standing : doings.toCore(q.actions()))
            .withSun(
                SolarGain.along(house, weather, now, place.latitude(), place.longitude()),
                SolarGain.onLevel(weather, now, place.latitude(), place.longitude()))
            .small();
    List<Possible> possible = Possible.in(system, Boolean.TRUE.equals(design.fleece()));
    List<TonightView.Assumption> assumed = new ArrayList<>(start.assumed());
    if (design.learned() != null) {
      assumed.add(
          new TonightView.Assumption(
              "HOUSE_LEARNED", null, null, String.valueOf(design.learned().nights())));
    }
    var view =
        new TonightMapping(
            houseId, plan, stores, start.parts(), doings, now, sun, possible, assumed);
    if (quick) {
      return view.quick(
          SystemSimulation.run(plan), SystemSimulation.run(plan.withoutStores()).lowestCelsius());
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
            Possible.options(plan.withActions(standing), possible, dusk),
            doubt,
            Map.of(plan.actions(), forecast));
    return view.whole(forecast, advice, Counterfactual.of(plan));
  }

  /** Where the house's front looks, or the sun's side. */
  private static double front(HouseDesign design, HoldingView place) {
    if (design.shape() != null) {
      return design.shape().frontDegrees();
    }
    return place.latitude() < 0 ? 0 : 180;
  }

  private static NightForecast.Doubt doubt(boolean typed, double length, HouseDesign design) {
    return design.learnedInto(
        typed
            ? NightForecast.Doubt.ofTypedNight()
            : NightForecast.Doubt.ofForecast(length / 3600 / 2));
  }

  private static List<StoreView> views(List<Starts.StoreStart> stores) {
    return stores.stream().map(Starts.StoreStart::view).toList();
  }

  /** Age of the oldest reading that the stores' state rests on; none counts as days. */
  private static double hoursSinceRead(List<Starts.StoreStart> stores, Instant now) {
    return stores.stream()
        .mapToDouble(
            s -> s.readAt() == null ? UNREAD : Duration.between(s.readAt(), now).toMinutes() / 60.0)
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
    double air =
        a.air() != null ? a.air() : starts.air(a.holding(), a.house(), now, evening, assumed);
    List<PartView> here = parts.of(a.holding(), a.house());
    double ground = houses.ground(a.holding(), houses.get(a.holding(), a.house()).design(), now);
    Starts.Surrounding around = starts.around(a.holding(), a.house(), now, air, evening, ground);
    return new Start(
        evening,
        air,
        a.floor() != null ? a.floor() : starts.mass(a.holding(), a.house(), now, air, assumed),
        starts.stores(a.holding(), a.house(), now, around, here, a.stores(), assumed),
        here,
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
    if (q.airCelsius() != null) {
      range("airCelsius", q.airCelsius(), -50, 60, "°C");
    }
    if (q.floorCelsius() != null) {
      range("floorCelsius", q.floorCelsius(), -30, 60, "°C");
    }
    if (q.stores() != null) {
      for (int i = 0; i < q.stores().size(); i++) {
        range("stores." + i + ".celsius", q.stores().get(i).celsius(), -40, 1000, "°C");
      }
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
