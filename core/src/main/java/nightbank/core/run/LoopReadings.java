package nightbank.core.run;

/**
 * Readings of a stream on its way into a store and out of it.
 *
 * @param capacityRate ṁ c of the stream while it flows, W/K
 */
public record LoopReadings(ReadingSeries inlet, ReadingSeries outlet, double capacityRate) {
  public LoopReadings {
    if (!(capacityRate > 0 && capacityRate <= 300_000)) {
      throw new IllegalArgumentException(
          "flow times specific heat must lie between 0 and 300000 W/K, was " + capacityRate);
    }
  }
}
