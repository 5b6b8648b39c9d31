package nightbank.server.log;

import java.time.Instant;
import java.util.UUID;

/** Something done or seen. */
public record EventView(UUID id, UUID storeId, Kind kind, Instant at, String note) {
  /** What. */
  public enum Kind {
    FIRE_LIT,
    FUEL_ADDED,
    LID,
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
