package nightbank.core.evidence;

import java.util.Arrays;
import java.util.List;
import java.util.stream.LongStream;
import nightbank.core.source.LitFire;

/**
 * When a source gave heat, and in what proportion from moment to moment, known without the
 * readings. How much it was on the whole is left to the fit.
 *
 * @param watts as far as it can be told, W
 * @param writtenDown whether it rests on what somebody logged, who may have forgotten a fire; the
 *     sun forgets nothing
 * @param fuelJoules of all that was burnt meanwhile, wherever its heat went; 0 where nothing was
 */
public record SourceProfile(TimeSeries watts, boolean writtenDown, double fuelJoules) {
  private static final long STEP = 300; // s, a ninth of the time in which a fire comes up

  public static SourceProfile ofSun(TimeSeries watts) {
    return new SourceProfile(watts, false, 0);
  }

  /** By fires as they were logged, between two epoch seconds. */
  public static SourceProfile ofFires(List<LitFire> fires, long from, long to) {
    long[] at = LongStream.iterate(from, t -> t <= to, t -> t + STEP).toArray();
    double[] taken = new double[at.length];
    double fuel = 0;
    for (LitFire lit : fires) {
      for (int i = 0; i < at.length; i++) {
        double watts = lit.watts(at[i]);
        taken[i] += watts * lit.toStore();
        fuel += watts * STEP;
      }
    }
    return new SourceProfile(new TimeSeries(at, taken), true, fuel);
  }

  public double greatest() {
    return Arrays.stream(watts.values()).max().orElse(0);
  }
}
