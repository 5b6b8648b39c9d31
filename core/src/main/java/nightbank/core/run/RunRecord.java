package nightbank.core.run;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import nightbank.core.store.HeatStore;

/**
 * What is known of one run: the store, its probes' readings, the air beside it and its source.
 *
 * @param store design, whose probes carry the channels' names
 * @param probes readings by probe
 * @param air readings of the air round the store, empty when nobody measured it
 * @param groundCelsius deep ground below, used under a foot on the ground
 * @param sourceWatts label power of the source, 0 when unknown
 * @param needBelowCelsius house air below which heat counts as delivered, not early
 * @param believed moments of readings, by channel, that the grower believes whatever cleaning says
 * @param loop readings of a stream through it, empty when nobody took any
 * @param makesHeat whether the mass warms itself, as a heap does, so that its cooling tells nothing
 */
public record RunRecord(
    HeatStore store,
    List<ReadingSeries> probes,
    ReadingSeries air,
    double groundCelsius,
    double sourceWatts,
    double needBelowCelsius,
    boolean makesHeat,
    Map<String, Set<Long>> believed,
    Optional<LoopReadings> loop) {
  public RunRecord {
    probes = List.copyOf(probes);
    believed = Map.copyOf(believed);
  }

  /** A run whose cleaning nobody has overruled, of a store without a loop. */
  public RunRecord(
      HeatStore store,
      List<ReadingSeries> probes,
      ReadingSeries air,
      double groundCelsius,
      double sourceWatts,
      double needBelowCelsius,
      boolean makesHeat) {
    this(
        store,
        probes,
        air,
        groundCelsius,
        sourceWatts,
        needBelowCelsius,
        makesHeat,
        Map.of(),
        Optional.empty());
  }

  public RunRecord withLoop(LoopReadings readings) {
    return new RunRecord(
        store,
        probes,
        air,
        groundCelsius,
        sourceWatts,
        needBelowCelsius,
        makesHeat,
        believed,
        Optional.of(readings));
  }
}
