package nightbank.server.log;

import java.time.Instant;
import java.util.UUID;

/**
 * Something done or seen.
 *
 * @param amount kg of fuel, feed or water, absent when nobody weighed
 * @param moisture of the fuel, wet-basis share, absent when unknown
 */
public record EventView(
    UUID id, UUID storeId, Kind kind, Instant at, String note, Double amount, Double moisture) {
  /** What. */
  public enum Kind {
    FIRE_LIT,
    FUEL_ADDED,
    LID,
    SCREEN,
    DOOR,
    VENT,
    PUMP,
    ELEMENT,
    HEAP,
    WATER,
    REPAIR,
    SEEN,
    NOTE
  }
}
