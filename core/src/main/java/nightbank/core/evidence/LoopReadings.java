package nightbank.core.evidence;

import java.util.List;

/**
 * Readings of a stream on its way into a store and out of it.
 *
 * @param capacityRate ṁ c of the stream while it flows, W/K
 * @param stood stretches for which its pump stood: warm pipes then carry nothing
 */
public record LoopReadings(
    ReadingSeries inlet, ReadingSeries outlet, double capacityRate, List<TimeInterval> stood) {
  public LoopReadings {
    if (!(capacityRate > 0 && capacityRate <= 300_000)) {
      throw new IllegalArgumentException(
          "flow times specific heat must lie between 0 and 300000 W/K, was " + capacityRate);
    }
    stood = List.copyOf(stood);
  }

  /** Of a stream that never stood, as far as anybody said. */
  public LoopReadings(ReadingSeries inlet, ReadingSeries outlet, double capacityRate) {
    this(inlet, outlet, capacityRate, List.of());
  }
}
