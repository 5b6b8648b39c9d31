package nightbank.core.store;

/**
 * Where a thermometer sits in a store.
 *
 * @param id the reading's key
 * @param radiusFraction 0 in the upright middle, 1 at the side; in a box on the line from the
 *     middle to the nearer side
 * @param heightFraction 0 at the foot, 1 at the top
 */
public record Probe(String id, double radiusFraction, double heightFraction) {
  public Probe {
    if (!(radiusFraction >= 0 && radiusFraction <= 1)) {
      throw new IllegalArgumentException(
          "probe position from the middle must lie in 0 to 1, was " + radiusFraction);
    }
    if (!(heightFraction >= 0 && heightFraction <= 1)) {
      throw new IllegalArgumentException("probe height must lie in 0 to 1, was " + heightFraction);
    }
  }
}
