package nightbank.server.thermometer;

import java.time.Instant;
import java.util.UUID;
import nightbank.server.store.ProbeView;
import org.jspecify.annotations.Nullable;

/**
 * A thermometer in a house or outdoors.
 *
 * @param houseId absent outdoors
 * @param kind AIR or LOWEST in a house, OUTDOOR
 * @param at when it was last read, absent where never
 */
public record ThermometerView(
    UUID id,
    @Nullable UUID houseId,
    ProbeView.Kind kind,
    String name,
    @Nullable Instant at,
    @Nullable Double celsius) {
  /** As a probe that sits in no store. */
  public ProbeView probe() {
    return new ProbeView(id, kind, name, 1, 0.5);
  }
}
