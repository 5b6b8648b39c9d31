package nightbank.core.medium;

/** A quantity with the lowest and highest value met in practice; the span feeds uncertainty. */
public record Range(double low, double value, double high) {
  public Range {
    if (!(Double.isFinite(low) && Double.isFinite(value) && Double.isFinite(high))
        || low > value
        || value > high) {
      throw new IllegalArgumentException(
          "range must be finite with low <= value <= high, was "
              + low
              + ", "
              + value
              + ", "
              + high);
    }
  }

  public static Range exactly(double value) {
    return new Range(value, value, value);
  }

  /** The same relative spread around another middle value. */
  public Range around(double newValue) {
    return new Range(newValue * low / value, newValue, newValue * high / value);
  }

  /** The same spread, moved down where the middle value would exceed a bound. */
  public Range atMost(double bound) {
    return value <= bound ? this : around(bound);
  }

  /** Half the span over the middle value, read as two standard deviations. */
  public double relativeSpread() {
    return (high - low) / (2 * value);
  }
}
