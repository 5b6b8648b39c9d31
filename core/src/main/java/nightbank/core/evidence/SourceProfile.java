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
 * @param rated whether its power is known by its label
 * @param writtenDown whether it rests on what somebody logged, who may have forgotten a fire; the
 *     sun forgets nothing
 * @param fuelJoules of all that was burnt meanwhile, wherever its heat went; 0 where nothing was
 */
public record SourceProfile(
    TimeSeries watts, boolean rated, boolean writtenDown, double fuelJoules) {
  private static final long STEP = 300; // s, a ninth of the time in which a fire comes up

  public static SourceProfile ofSun(TimeSeries watts) {
    return new SourceProfile(watts, false, false, 0);
  }

  /** Switched on and off as it was logged, between two epoch seconds. */
  public static SourceProfile ofHours(List<TimeInterval> on, double watts, long from, long to) {
    long[] at =
        LongStream.concat(
                LongStream.iterate(from, t -> t <= to, t -> t + STEP),
                on.stream()
                    .flatMapToLong(h -> LongStream.of(h.from() - 1, h.from(), h.to(), h.to() + 1)))
            .filter(t -> t >= from && t <= to)
            .sorted()
            .distinct()
            .toArray();
    double[] given =
        Arrays.stream(at)
            .mapToDouble(t -> on.stream().anyMatch(h -> t >= h.from() && t <= h.to()) ? watts : 0)
            .toArray();
    return new SourceProfile(new TimeSeries(at, given), true, true, 0);
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
    return new SourceProfile(new TimeSeries(at, taken), false, true, fuel);
  }

  public double greatest() {
    return Arrays.stream(watts.values()).max().orElse(0);
  }
}
