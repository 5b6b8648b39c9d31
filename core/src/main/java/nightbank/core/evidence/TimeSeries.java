package nightbank.core.evidence;

import java.util.Arrays;

/**
 * A quantity in time order; its unit is told by whoever holds it.
 *
 * @param epochSeconds when
 * @param values what
 */
public record TimeSeries(long[] epochSeconds, double[] values) {
  public TimeSeries {
    if (epochSeconds.length != values.length) {
      throw new IllegalArgumentException(
          "a series needs as many times as values, was "
              + epochSeconds.length
              + " and "
              + values.length);
    }
    epochSeconds = epochSeconds.clone();
    values = values.clone();
  }

  public int size() {
    return values.length;
  }

  /** Linear between moments; NaN outside them or across a gap longer than so many seconds. */
  public double at(long epochSecond, long longestGap) {
    return at(epochSeconds, values, epochSecond, longestGap);
  }

  static double at(long[] epochSeconds, double[] values, long epochSecond, long longestGap) {
    int found = Arrays.binarySearch(epochSeconds, epochSecond);
    if (found >= 0) {
      return values[found];
    }
    int after = -found - 1;
    if (after == 0 || after == epochSeconds.length) {
      return Double.NaN;
    }
    long span = epochSeconds[after] - epochSeconds[after - 1];
    if (span > longestGap) {
      return Double.NaN;
    }
    double share = (double) (epochSecond - epochSeconds[after - 1]) / span;
    return values[after - 1] * (1 - share) + values[after] * share;
  }
}
