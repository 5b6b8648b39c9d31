package nightbank.core.retrofit;

import java.util.Arrays;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemResult;
import nightbank.core.system.SystemSimulation;

/**
 * A place once through its winter.
 *
 * @param lows what is felt at the coldest of each night over what must not get colder, K
 * @param coldKelvinHours below it
 */
record Wintered(double[] lows, double coldKelvinHours, double fuelJoules, double electricJoules) {
  private static final double DAY = 86_400;

  static Wintered of(SystemPlan plan) {
    return of(plan, SystemSimulation.run(plan));
  }

  static Wintered of(SystemPlan plan, SystemSimulation.Watcher watcher) {
    return of(plan, SystemSimulation.run(plan, watcher));
  }

  static Wintered of(SystemPlan plan, SystemResult r) {
    double limit = plan.house().plantLimitCelsius();
    int nights = (int) Math.round(plan.lengthSeconds() / DAY);
    double[] lows = new double[nights];
    Arrays.fill(lows, Double.POSITIVE_INFINITY);
    for (int k = 0; k < r.plants().length; k++) {
      int night = (int) Math.floor((r.seconds()[k] + DAY / 2) / DAY);
      if (night < nights) {
        lows[night] = Math.min(lows[night], r.plants()[k] - limit);
      }
    }
    return new Wintered(lows, r.coldDegreeHours(), r.fuelJoules(), r.electricJoules());
  }

  int lost() {
    return (int) Arrays.stream(lows).filter(t -> t < 0).count();
  }

  /** The so-manieth of the coldest nights, K over the limit. */
  double low(int night) {
    double[] sorted = sorted();
    return sorted[Math.min(night, sorted.length) - 1];
  }

  /** Mean over so many of the coldest nights, K over the limit. */
  double coldest(int nights) {
    double[] sorted = sorted();
    return Arrays.stream(sorted, 0, Math.min(nights, sorted.length)).average().orElseThrow();
  }

  private double[] sorted() {
    double[] sorted = lows.clone();
    Arrays.sort(sorted);
    return sorted;
  }
}
