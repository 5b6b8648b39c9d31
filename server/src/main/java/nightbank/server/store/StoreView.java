package nightbank.server.store;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A store with its probes, what it comes to, and how it was last seen.
 *
 * @param reachesHouse whether its heat can reach a house, by its faces or by a circuit
 * @param earlier how it was before, in the order of time
 * @param planned not built yet: it counts in no night and no balance
 */
@RecordBuilder
public record StoreView(
    UUID id,
    String name,
    int version,
    @Nullable UUID houseId,
    boolean planned,
    boolean reachesHouse,
    StoreDesign design,
    List<ProbeView> probes,
    List<Arrangement> earlier,
    Appraisal appraisal,
    Now now) {

  /** The house that it stood in, absent for none. */
  public @Nullable UUID houseAt(Instant moment) {
    return earlier.stream()
        .filter(a -> a.until() != null && a.until().isAfter(moment))
        .findFirst()
        .map(Arrangement::houseId)
        .orElse(houseId);
  }

  /** Since when it is as it is; absent where it always was. */
  public @Nullable Instant since() {
    return earlier.isEmpty() ? null : earlier.get(earlier.size() - 1).until();
  }

  /**
   * As last read.
   *
   * @param meanCelsius from probe positions, absent without readings
   * @param usableJoules balance above the floor temperature
   * @param topCelsius outside of its top; absent where no room's air meets it
   * @param section temperatures on a cut from the middle to the side, absent without readings
   */
  public record Now(
      @Nullable Instant at,
      @Nullable Double meanCelsius,
      @Nullable Double usableJoules,
      @Nullable Double topCelsius,
      @Nullable Section section,
      List<Latest> latest) {}

  /** Temperatures from the middle outwards, row by row from the foot up, °C. */
  public record Section(int across, int up, List<Double> celsius) {}

  /** Latest reading of one probe. */
  public record Latest(UUID probeId, Instant at, double celsius) {}
}
