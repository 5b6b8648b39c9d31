package nightbank.core.retrofit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import nightbank.core.source.WoodFire;
import nightbank.core.store.model.StoreState;
import nightbank.core.system.Action;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemPlanBuilder;
import nightbank.core.system.SystemResult;
import nightbank.core.system.SystemSimulation;
import nightbank.core.system.SystemStore;
import nightbank.core.usual.Usual;
import nightbank.core.weather.Weather;

/**
 * A place through the hard days of a winter: those whose night is lost or nearly so as it is, each
 * with the days before it, one after the other. What is left out is mild and would be held by any
 * change that is worth the while. Fires are lit at dusk, with a usual load, before nights as cold
 * outdoors as those that would be lost without.
 *
 * @param days the hard ones alone, begun as the first of them is come to
 * @param fewest those of the very hardest nights alone
 * @param whole all of the winter
 */
record HardDays(SystemPlan days, SystemPlan fewest, Wintered whole) {
  /** Nights that tell how hard a winter is. */
  static final int FEWEST = 6;

  private static final double DAY = 86_400;
  private static final double LIGHT_AT = 17 * 3600; // of the day
  private static final double NEARLY = 2.5; // K over the limit
  private static final int BEFORE = 2; // days in which stores come to what they have
  private static final int BEFORE_FEWEST = 1; // of what only says which pairs to look at
  private static final int DAYS_OF_SOIL = 3 * 24; // records of an hour each

  /** The whole winter with its fires. */
  static SystemPlan lit(SystemPlan unlit, SystemSimulation.Watcher watcher) {
    List<String> fires =
        unlit.system().sources().stream()
            .filter(s -> s.source() instanceof WoodFire)
            .map(s -> s.id())
            .toList();
    if (fires.isEmpty()) {
      return unlit;
    }
    double[] margins = Wintered.of(unlit, watcher).lows();
    double cold = Double.NEGATIVE_INFINITY;
    for (int n = 1; n < margins.length; n++) {
      cold = margins[n] < 0 ? Math.max(cold, outdoors(unlit, n)) : cold;
    }
    List<Action> actions = new ArrayList<>(unlit.actions());
    for (int n = 1; n < margins.length; n++) {
      if (outdoors(unlit, n) <= cold) {
        for (String fire : fires) {
          actions.add(Action.load(fire, (n - 1) * DAY + LIGHT_AT, Usual.WOOD_LOAD.value()));
        }
      }
    }
    return unlit.withActions(actions);
  }

  /** Lowest from dusk to the next noon; nights are counted by their midnights. */
  private static double outdoors(SystemPlan plan, int night) {
    return IntStream.rangeClosed(-6, 12)
        .mapToDouble(h -> plan.weather().outdoorAt(night * DAY + h * 3600.0))
        .min()
        .orElseThrow();
  }

  static HardDays of(SystemPlan plan, SystemSimulation.Watcher watcher) {
    SystemResult through = SystemSimulation.run(plan, watcher);
    Wintered whole = Wintered.of(plan, through);
    double fewest = whole.low(FEWEST);
    return new HardDays(
        down(plan, through, whole, Math.max(NEARLY, fewest), BEFORE),
        down(plan, through, whole, fewest, BEFORE_FEWEST),
        whole);
  }

  /** The days of nights that come down to so much over the limit, with those before them. */
  private static SystemPlan down(
      SystemPlan plan, SystemResult through, Wintered whole, double kelvin, int before) {
    double[] margins = whole.lows();
    int days = (int) Math.ceil(plan.lengthSeconds() / DAY);
    boolean[] kept = new boolean[days];
    for (int n = 0; n < margins.length; n++) {
      if (margins[n] <= kelvin) {
        for (int d = Math.max(0, n - 1 - before); d <= Math.min(days - 1, n); d++) {
          kept[d] = true;
        }
      }
    }
    int first = 0;
    while (first < days - 1 && !kept[first]) {
      first++;
    }
    return without(begunLike(plan, through, first * DAY), kept);
  }

  /** Begun with stores and air as they are at a moment. */
  private static SystemPlan begunLike(SystemPlan winter, SystemResult through, double second) {
    int k = 0;
    while (k < through.seconds().length - 1 && through.seconds()[k] < second) {
      k++;
    }
    List<SystemStore> stores = new ArrayList<>();
    for (int i = 0; i < winter.system().stores().size(); i++) {
      SystemStore s = winter.system().stores().get(i);
      double mean = through.stores().get(i).meanCelsius()[k];
      stores.add(
          s.with(
              s.store(),
              StoreState.uniform(Ranking.grid(winter.system(), s.id(), s.store()), mean)));
    }
    double air = through.air()[k];
    double floor = mean(through.floor(), Math.max(0, k - DAYS_OF_SOIL), k);
    return winter
        .withSystem(winter.system().withStores(stores))
        .startingAt(air, Double.isFinite(floor) ? floor : air, winter.groundCelsius());
  }

  private static double mean(double[] row, int from, int to) {
    return Arrays.stream(row, from, to + 1).average().orElse(Double.NaN);
  }

  /**
   * The same winter without some of its days. What is done goes with the day that it begins on.
   *
   * @param kept by day, from midnight to midnight
   */
  static SystemPlan without(SystemPlan winter, boolean[] kept) {
    int[] place = new int[kept.length];
    int count = 0;
    for (int d = 0; d < kept.length; d++) {
      place[d] = count;
      count += kept[d] ? 1 : 0;
    }
    Weather w = winter.weather();
    List<Integer> hours = new ArrayList<>();
    for (int i = 0; i < w.seconds().length; i++) {
      int d = (int) Math.floor(w.seconds()[i] / DAY);
      if (d < kept.length && kept[d]) {
        hours.add(i);
      }
    }
    double[] at =
        hours.stream()
            .mapToDouble(
                i -> {
                  double s = w.seconds()[i];
                  int d = (int) Math.floor(s / DAY);
                  return s - (d - place[d]) * DAY;
                })
            .toArray();
    Weather rest =
        new Weather(
            at,
            some(w.outdoorCelsius(), hours),
            some(w.windMetresPerSecond(), hours),
            some(w.cloud(), hours),
            some(w.dewPointCelsius(), hours),
            w.skyFactor());
    List<Action> actions = new ArrayList<>();
    for (Action a : winter.actions()) {
      int d = (int) Math.floor(a.fromSeconds() / DAY);
      if (kept[Math.min(kept.length - 1, d)]) {
        double sooner = (d - place[d]) * DAY;
        actions.add(
            new Action(
                a.kind(),
                a.of(),
                a.fromSeconds() - sooner,
                a.toSeconds() - sooner,
                a.amount(),
                a.moisture()));
      }
    }
    return SystemPlanBuilder.builder(winter)
        .weather(rest)
        .sunWatts(some(winter.sunWatts(), hours))
        .irradiance(some(winter.irradiance(), hours))
        .lengthSeconds(count * DAY)
        .actions(actions)
        .build();
  }

  private static double[] some(double[] row, List<Integer> at) {
    return row.length == 0 ? row : at.stream().mapToDouble(i -> row[i]).toArray();
  }
}
