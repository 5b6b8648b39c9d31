package nightbank.server.night;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import nightbank.core.house.Greenhouse;
import nightbank.core.night.NightForecast;
import nightbank.core.night.NightPlan;
import nightbank.core.night.NightResult;
import nightbank.core.night.NightStore;
import nightbank.core.store.HeatStore;
import nightbank.core.store.StoreGrid;
import nightbank.core.store.StoreState;
import nightbank.core.weather.SunTimes;
import nightbank.core.weather.Weather;
import nightbank.server.holding.HoldingView;
import nightbank.server.holding.Holdings;
import nightbank.server.house.Houses;
import nightbank.server.log.Readings;
import nightbank.server.run.Judgements;
import nightbank.server.shared.Problem;
import nightbank.server.store.StoreView;
import nightbank.server.store.Stores;
import org.springframework.stereotype.Service;

/** Gathers what is known of a house now and asks the core whether the night will hold. */
@Service
public class Tonight {
  private static final int MEMBERS = 64;
  private static final double STEP = 120;
  private static final Duration LOOK_BACK = Duration.ofHours(72);

  private final Holdings holdings;
  private final Houses houses;
  private final Stores stores;
  private final Readings readings;
  private final Judgements judgements;
  private final Clock clock;

  Tonight(
      Holdings holdings,
      Houses houses,
      Stores stores,
      Readings readings,
      Judgements judgements,
      Clock clock) {
    this.holdings = holdings;
    this.houses = houses;
    this.stores = stores;
    this.readings = readings;
    this.judgements = judgements;
    this.clock = clock;
  }

  private record Known(double celsius, Instant at) {}

  public TonightView ask(UUID holding, UUID houseId, TonightQuestion q) {
    check(q);
    Instant now = clock.instant();
    HoldingView place = holdings.get(holding);
    Greenhouse house = houses.greenhouse(holding, houseId);
    double ground = houses.get(holding, houseId).design().groundCelsius();
    List<TonightView.Assumption> assumed = new ArrayList<>();
    SunTimes sun = SunTimes.of(now, place.latitude(), place.longitude());
    Instant sunrise = sun.sunrise().orElse(now.plus(Duration.ofHours(14)));
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
    Instant end = later(sunrise, lowAt);
    double length = Duration.between(now, end).toSeconds();
    double evening = evening(holding, q, now, assumed);
    Weather weather =
        Weather.typed(
            evening,
            q.lowCelsius(),
            Math.max(600, Duration.between(now, lowAt).toSeconds()),
            q.wind() == null ? 2 : q.wind(),
            q.cloud() == null ? 0.5 : q.cloud(),
            length);
    double air = air(holding, houseId, now, evening, assumed);
    List<StoreTonightStart> starts = starts(holding, houseId, now, air, assumed);
    NightPlan plan =
        new NightPlan(
            house,
            starts.stream().map(StoreTonightStart::night).toList(),
            weather,
            air,
            mass(holding, houseId, now, air, assumed),
            ground,
            length,
            STEP);
    NightForecast f = NightForecast.of(plan, NightForecast.Doubt.ofTypedNight(), MEMBERS);
    return view(houseId, house, now, sun, f, starts, assumed);
  }

  private static void check(TonightQuestion q) {
    range("lowCelsius", q.lowCelsius(), -50, 30, "°C");
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

  private double evening(
      UUID holding, TonightQuestion q, Instant now, List<TonightView.Assumption> assumed) {
    if (q.eveningCelsius() != null) {
      return q.eveningCelsius();
    }
    Optional<Known> outdoor = last(holding, readings.outdoorProbes(holding), now, 6);
    if (outdoor.isPresent()) {
      assumed.add(
          new TonightView.Assumption(
              "EVENING_READ", outdoor.get().celsius(), outdoor.get().at(), ""));
      return outdoor.get().celsius();
    }
    double guess = q.lowCelsius() + 6;
    assumed.add(new TonightView.Assumption("EVENING_GUESSED", guess, null, ""));
    return guess;
  }

  private double air(
      UUID holding, UUID house, Instant now, double evening, List<TonightView.Assumption> assumed) {
    var probes = readings.airProbes(holding, house).keySet().stream().sorted().toList();
    Optional<Known> air = last(holding, probes, now, 6);
    if (air.isPresent()) {
      assumed.add(new TonightView.Assumption("AIR_READ", air.get().celsius(), air.get().at(), ""));
      return air.get().celsius();
    }
    double guess = evening + 4;
    assumed.add(new TonightView.Assumption("AIR_GUESSED", guess, null, ""));
    return guess;
  }

  /** Walls and floor follow the air by a day: its mean over the last one, where it was read. */
  private double mass(
      UUID holding, UUID house, Instant now, double air, List<TonightView.Assumption> assumed) {
    for (UUID probe : readings.airProbes(holding, house).keySet().stream().sorted().toList()) {
      var day = readings.series(holding, probe, now.minus(Duration.ofDays(1)), now, 500);
      if (day.size() >= 12) {
        double mean = Arrays.stream(day.celsius()).average().orElseThrow();
        assumed.add(new TonightView.Assumption("MASS_FROM_DAY", mean, null, ""));
        return mean;
      }
    }
    assumed.add(new TonightView.Assumption("MASS_GUESSED", air, null, ""));
    return air;
  }

  private Optional<Known> last(UUID holding, List<UUID> probes, Instant now, int hours) {
    return readings
        .newest(holding, Set.copyOf(probes))
        .filter(at -> at.isAfter(now.minus(Duration.ofHours(hours))) && !at.isAfter(now))
        .flatMap(
            at ->
                probes.stream()
                    .map(p -> readings.series(holding, p, at, at, 1))
                    .filter(s -> s.size() > 0)
                    .findFirst()
                    .map(s -> new Known(s.celsius()[0], at)));
  }

  private record StoreTonightStart(
      UUID id, String name, Instant readAt, HeatStore store, StoreState state) {
    NightStore night() {
      return new NightStore(id.toString(), store, state);
    }
  }

  private List<StoreTonightStart> starts(
      UUID holding, UUID house, Instant now, double air, List<TonightView.Assumption> assumed) {
    List<StoreTonightStart> starts = new ArrayList<>();
    for (StoreView view : stores.all(holding)) {
      if (house.equals(view.houseId())) {
        starts.add(start(holding, view, now, air, assumed));
      }
    }
    return starts;
  }

  private StoreTonightStart start(
      UUID holding, StoreView view, Instant now, double air, List<TonightView.Assumption> assumed) {
    var core = stores.core(holding, view.id());
    StoreGrid grid = StoreGrid.coarse(core.store());
    Instant readAt = view.now().at();
    boolean recent = readAt != null && readAt.isAfter(now.minus(LOOK_BACK));
    if (!recent || readAt.isAfter(now)) {
      double flat = view.now().meanCelsius() == null ? air : view.now().meanCelsius();
      assumed.add(
          new TonightView.Assumption(
              readAt == null ? "STORE_UNREAD" : "STORE_STALE", flat, readAt, view.name()));
      return new StoreTonightStart(
          view.id(), view.name(), readAt, core.store(), StoreState.uniform(grid, flat));
    }
    if (readAt.isBefore(now.minus(Duration.ofHours(6)))) {
      assumed.add(new TonightView.Assumption("STORE_AGE", null, readAt, view.name()));
    }
    var judged = judgements.judge(holding, core, readAt.minus(LOOK_BACK), readAt);
    if (judged.isPresent()) {
      HeatStore learned = judged.get().run().learned();
      return new StoreTonightStart(
          view.id(), view.name(), readAt, learned, judged.get().run().lastState());
    }
    return new StoreTonightStart(
        view.id(),
        view.name(),
        readAt,
        core.store(),
        StoreState.uniform(grid, view.now().meanCelsius()));
  }

  private static TonightView view(
      UUID houseId,
      Greenhouse house,
      Instant now,
      SunTimes sun,
      NightForecast f,
      List<StoreTonightStart> starts,
      List<TonightView.Assumption> assumed) {
    NightResult m = f.middle();
    int every = Math.max(1, m.seconds().length / 300);
    double limit = house.plantLimitCelsius();
    double balance = 0;
    double left = 0;
    List<TonightView.StoreTonight> through = new ArrayList<>();
    for (int i = 0; i < starts.size(); i++) {
      StoreTonightStart s = starts.get(i);
      NightResult.StoreNight n = m.stores().get(i);
      balance += n.usableJoules()[0];
      left += n.usableJoules()[n.usableJoules().length - 1];
      through.add(
          new TonightView.StoreTonight(
              s.id(),
              s.name(),
              s.readAt(),
              n.meanCelsius()[0],
              n.usableJoules()[0],
              n.deliveredJoules(),
              n.earlyJoules(),
              n.lostJoules(),
              thin(n.usableJoules(), every),
              thin(n.toHouseWatts(), every)));
    }
    double shortfall = Math.max(0, m.coldDegreeHours() * 3600 * house.lossCoefficient(2));
    String kind = shortfall <= 0 ? "NONE" : left > shortfall ? "POWER" : "ENERGY";
    List<Long> at = new ArrayList<>();
    for (int i = 0; i < m.seconds().length; i += every) {
      at.add(now.getEpochSecond() + (long) m.seconds()[i]);
    }
    return new TonightView(
        houseId,
        f.verdict().name(),
        limit,
        m.lowestCelsius(),
        now.plusSeconds((long) m.lowestAtSeconds()),
        m.lowestCelsius() - limit,
        f.lowestTenth(),
        f.lowestNinetieth(),
        f.chanceOfHolding(),
        f.without().lowestCelsius(),
        m.lowestCelsius() - f.without().lowestCelsius(),
        m.billJoules(),
        balance,
        shortfall,
        kind,
        m.coldDegreeHours(),
        sun.sunset().orElse(null),
        sun.sunrise().orElse(null),
        at,
        thin(m.outdoor(), every),
        thin(m.air(), every),
        thin(f.bandLow(), every),
        thin(f.bandHigh(), every),
        thin(f.without().air(), every),
        through,
        assumed);
  }

  private static List<Double> thin(double[] values, int every) {
    List<Double> kept = new ArrayList<>();
    for (int i = 0; i < values.length; i += every) {
      kept.add(Math.round(values[i] * 1000) / 1000.0);
    }
    return kept;
  }
}
