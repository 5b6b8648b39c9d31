package nightbank.core.evidence;

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
    return TimeSeries.at(epochSeconds, celsius, epochSecond, longestGap);
  }
}
