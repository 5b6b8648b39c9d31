package nightbank.core.alarm;

import java.util.OptionalDouble;

/**
 * A temperature on its way down to a limit: the straight line of least squares through what was
 * read lately, carried on. Source: ordinary least squares. Neglected: that a fall grows slower as a
 * body nears its surroundings, so that the limit is reached no earlier than is said.
 */
public final class Falling {
  /** How long back the line looks, s. */
  public static final double LOOKS_BACK = 1800;

  private static final double NOISE = 0.15; // K: a fall of less over the time looked at is none

  private Falling() {}

  /**
   * Seconds from the last reading until a limit is reached.
   *
   * @param at s, rising
   * @param celsius as long as {@code at}
   * @param limit °C
   * @return 0 where it is reached already; empty without readings, without a fall, or with a single
   *     reading over the limit
   */
  public static OptionalDouble secondsTo(double[] at, double[] celsius, double limit) {
    int n = at.length;
    if (n == 0) {
      return OptionalDouble.empty();
    }
    if (celsius[n - 1] <= limit) {
      return OptionalDouble.of(0);
    }
    int first = n - 1;
    while (first > 0 && at[n - 1] - at[first - 1] <= LOOKS_BACK) {
      first--;
    }
    double slope = slope(at, celsius, first);
    double fall = -slope * (at[n - 1] - at[first]);
    return fall > NOISE
        ? OptionalDouble.of((celsius[n - 1] - limit) / -slope)
        : OptionalDouble.empty();
  }

  /** K/s from an index on; 0 where all is of one moment. */
  private static double slope(double[] at, double[] celsius, int first) {
    double meanAt = 0;
    double mean = 0;
    int n = at.length - first;
    for (int i = first; i < at.length; i++) {
      meanAt += at[i] / n;
      mean += celsius[i] / n;
    }
    double up = 0;
    double down = 0;
    for (int i = first; i < at.length; i++) {
      up += (at[i] - meanAt) * (celsius[i] - mean);
      down += (at[i] - meanAt) * (at[i] - meanAt);
    }
    return down == 0 ? 0 : up / down;
  }
}
