package nightbank.core.run;

import java.util.List;
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
 * @param makesHeat whether the mass warms itself, as a heap does, so that its cooling tells nothing
 */
public record RunRecord(
    HeatStore store,
    List<ReadingSeries> probes,
    ReadingSeries air,
    double groundCelsius,
    double sourceWatts,
    double needBelowCelsius,
    boolean makesHeat) {
  public RunRecord {
    probes = List.copyOf(probes);
  }
}
