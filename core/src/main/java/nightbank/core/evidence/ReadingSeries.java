package nightbank.core.evidence;

import java.util.Arrays;

/**
 * Readings of one thermometer in time order as they came.
 *
 * @param channel whose they are
 * @param epochSeconds when
 * @param celsius what, °C
 */
public record ReadingSeries(String channel, long[] epochSeconds, double[] celsius) {
  public ReadingSeries {
    if (epochSeconds.length != celsius.length) {
      throw new IllegalArgumentException(
          "readings need as many times as values, was "
              + epochSeconds.length
              + " and "
              + celsius.length);
    }
    epochSeconds = epochSeconds.clone();
    celsius = celsius.clone();
  }

  public int size() {
    return celsius.length;
  }

  /** Linear between readings; NaN outside them or across a gap longer than so many seconds. */
  public double at(long epochSecond, long longestGap) {
    int found = Arrays.binarySearch(epochSeconds, epochSecond);
    if (found >= 0) {
      return celsius[found];
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
    return celsius[after - 1] * (1 - share) + celsius[after] * share;
  }
}
