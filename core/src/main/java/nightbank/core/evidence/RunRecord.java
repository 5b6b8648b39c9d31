package nightbank.core.evidence;

import io.soabase.recordbuilder.core.RecordBuilder;
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
 * @param course of its source, where sun or logged fires tell it; empty elsewhere
 * @param lidOff stretches for which its top stood bare, one after the other
 * @param ledgerFrom epoch second from which the ledger counts: what was read before only helps the
 *     fit
 * @param makesHeat whether the mass warms itself, as a heap does, so that its cooling tells nothing
 */
@RecordBuilder
public record RunRecord(
    HeatStore store,
    List<ReadingSeries> probes,
    ReadingSeries air,
    double groundCelsius,
    double sourceWatts,
    double needBelowCelsius,
    boolean makesHeat,
    Map<String, Set<Long>> believed,
    Optional<LoopReadings> loop,
    Optional<SourceProfile> course,
    List<TimeInterval> lidOff,
    long ledgerFrom) {
  /**
   * A heap's day is judged with so many seconds before it: what a mass makes by itself is told by
   * how it stands over days. Estimate: on an invented heap 45 of 238 kWh stayed unaccounted
   * without, 2 of 230 with four days.
   */
  public static final long HEAP_LOOKS_BACK = 4 * 86_400L;

  public RunRecord {
    probes = List.copyOf(probes);
    believed = Map.copyOf(believed);
    lidOff = List.copyOf(lidOff);
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
        Optional.empty(),
        Optional.empty(),
        List.of(),
        Long.MIN_VALUE);
  }

  public RunRecord withLoop(LoopReadings readings) {
    return with(Optional.of(readings), course, lidOff, ledgerFrom);
  }

  public RunRecord withCourse(SourceProfile told) {
    return with(loop, Optional.of(told), lidOff, ledgerFrom);
  }

  public RunRecord withLidOff(List<TimeInterval> stretches) {
    return with(loop, course, stretches, ledgerFrom);
  }

  public RunRecord withLedgerFrom(long epochSecond) {
    return with(loop, course, lidOff, epochSecond);
  }

  private RunRecord with(
      Optional<LoopReadings> stream,
      Optional<SourceProfile> told,
      List<TimeInterval> bare,
      long counted) {
    return RunRecordBuilder.builder(this)
        .loop(stream)
        .course(told)
        .lidOff(bare)
        .ledgerFrom(counted)
        .build();
  }
}
