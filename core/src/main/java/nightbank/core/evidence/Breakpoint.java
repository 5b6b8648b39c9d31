package nightbank.core.evidence;

import java.util.Arrays;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * The moment at which readings turn from one straight line into another, between readings too:
 * least squares of {1, t, max(0, t - τ)} over τ.
 *
 * @param at τ, s
 * @param explained squares that the turn takes away from those that one line leaves
 */
record Breakpoint(double at, double explained) {
  private static final int PARTS = 8; // of a step, by which τ is sought
  private static final double CLEAR = 0.6; // least share of the squares that the turn must explain
  private static final int LEAST = 5; // readings

  /**
   * Finds it near a reading; empty where no such turn stands out.
   *
   * @param at rising times, s
   * @param value readings, NaN where missing
   * @param near index about which it is sought
   * @param reach readings to either side that are looked at
   * @param up whether the second line is the steeper
   */
  static Optional<Breakpoint> find(long[] at, double[] value, int near, int reach, boolean up) {
    int[] known =
        IntStream.rangeClosed(Math.max(0, near - reach), Math.min(at.length - 1, near + reach))
            .filter(i -> !Double.isNaN(value[i]))
            .toArray();
    if (known.length < LEAST) {
      return Optional.empty();
    }
    double[] t = Arrays.stream(known).mapToDouble(i -> at[i] - at[known[0]]).toArray();
    double[] v = besideLine(t, Arrays.stream(known).mapToDouble(i -> value[i]).toArray());
    double all = dot(v, v);
    Breakpoint best = null;
    for (int i = 1; i < t.length - 1; i++) {
      for (int part = 0; part < PARTS; part++) {
        double turn = t[i] + (t[i + 1] - t[i]) * part / PARTS;
        double[] hinge = besideLine(t, Arrays.stream(t).map(s -> Math.max(0, s - turn)).toArray());
        double along = dot(hinge, v);
        double explained = along * along / dot(hinge, hinge);
        if (along > 0 == up
            && explained > CLEAR * all
            && (best == null || explained > best.explained)) {
          best = new Breakpoint(at[known[0]] + turn, explained);
        }
      }
    }
    return Optional.ofNullable(best);
  }

  /** What the best straight line leaves. */
  private static double[] besideLine(double[] t, double[] v) {
    double middle = Arrays.stream(t).average().orElseThrow();
    double level = Arrays.stream(v).average().orElseThrow();
    double[] c = Arrays.stream(t).map(s -> s - middle).toArray();
    double slope = dot(c, v) / dot(c, c);
    return IntStream.range(0, t.length).mapToDouble(i -> v[i] - level - slope * c[i]).toArray();
  }

  private static double dot(double[] a, double[] b) {
    double sum = 0;
    for (int i = 0; i < a.length; i++) {
      sum += a[i] * b[i];
    }
    return sum;
  }
}
