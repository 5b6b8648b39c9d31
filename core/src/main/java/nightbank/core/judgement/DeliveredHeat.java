package nightbank.core.judgement;

import java.util.Objects;
import java.util.Optional;
import nightbank.core.evidence.RunTimeline;
import nightbank.core.fit.CorrectedField;
import nightbank.core.fit.ForwardRun;
import nightbank.core.store.FaceName;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Place;

/**
 * What a store gave to the air of its house. While nothing charges it, that is what its measured
 * content fell by, less what went to ground: slopes of three hours by least squares. Else it is
 * what the fitted faces say. What a loop was read to carry off is taken to reach the house.
 */
final class DeliveredHeat {
  private static final long HALF_WINDOW = 5400; // s
  private static final long SHORTEST = 3600; // s, for a slope

  private DeliveredHeat() {}

  /** W in the step that ends at each moment; below zero where the store took heat. */
  static double[] watts(
      RunTimeline line,
      ForwardRun.SimulatedSeries track,
      CorrectedField field,
      HeatStore store,
      boolean makesHeat,
      Optional<JudgedLoop> loop) {
    int n = line.at().length;
    double[] watts = new double[n];
    double[] carried = loop.map(l -> l.carriedOff(line.at())).orElse(new double[n]);
    if (!store.place().reachesHouse()) {
      return carried;
    }
    double[] away = new double[n];
    for (FaceName name : FaceName.values()) {
      double[] face = Objects.requireNonNull(track.faceWatts().get(name));
      double[] into = reachesHouse(store, name) ? watts : away;
      for (int i = 0; i < n; i++) {
        into[i] += face[i];
      }
    }
    for (int i = 0; i < n; i++) {
      watts[i] += carried[i];
    }
    double[] balanced = watts.clone();
    for (int i = 1; i < n && !makesHeat; i++) {
      int low = i;
      while (low > 0 && !line.charging(low) && line.at()[i] - line.at()[low] < HALF_WINDOW) {
        low--;
      }
      int high = i;
      while (high < n - 1
          && !line.charging(high + 1)
          && line.at()[high] - line.at()[i] < HALF_WINDOW) {
        high++;
      }
      if (!line.charging(i) && line.at()[high] - line.at()[low] >= SHORTEST) {
        balanced[i] = -slope(line.at(), field.content(), low, high) - away[i];
      }
    }
    return balanced;
  }

  /** Whether heat through a face goes to the house and not to ground or open air. */
  static boolean reachesHouse(HeatStore store, FaceName name) {
    return store.place().beyond(name) == Place.Beyond.HOUSE_AIR;
  }

  private static double slope(long[] at, double[] value, int low, int high) {
    double middle = (at[low] + at[high]) / 2.0;
    double xy = 0;
    double xx = 0;
    for (int i = low; i <= high; i++) {
      double x = at[i] - middle;
      xy += x * value[i];
      xx += x * x;
    }
    return xy / xx;
  }
}
