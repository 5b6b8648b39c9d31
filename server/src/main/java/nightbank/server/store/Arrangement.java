package nightbank.server.store;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * How a store was for a while.
 *
 * @param until when it was changed, absent for how it is now
 * @param houseId where it stood, absent for no house
 * @param probes as they sat
 */
public record Arrangement(
    @Nullable Instant until, @Nullable UUID houseId, StoreDesign design, List<ProbeView> probes) {
  public Arrangement {
    probes = probes == null ? List.of() : Collections.unmodifiableList(new ArrayList<>(probes));
  }

  Arrangement until(@Nullable Instant moment) {
    return new Arrangement(moment, houseId, design, probes);
  }

  boolean like(Arrangement other) {
    return until(null).equals(other.until(null));
  }

  /** The same where it did not stand in a house that goes. */
  Arrangement without(UUID house) {
    return house.equals(houseId) ? new Arrangement(until, null, design, probes) : this;
  }
}
