package nightbank.server.log;

import java.time.Instant;
import java.util.EnumSet;
import java.util.Set;
import java.util.UUID;

/**
 * Something done or seen.
 *
 * @param way which of the two ways it went, absent when nobody said or there are none
 * @param amount kg of fuel, feed or water, absent when nobody weighed
 * @param moisture of the fuel, wet-basis share, absent when unknown
 */
public record EventView(
    UUID id,
    UUID storeId,
    Kind kind,
    Way way,
    Instant at,
    String note,
    Double amount,
    Double moisture) {

  /** A lid goes on or off, a screen is shut when it is drawn. */
  public enum Way {
    ON,
    OFF,
    OPEN,
    SHUT
  }

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
    NOTE;

    Set<Way> ways() {
      return switch (this) {
        case LID, PUMP, ELEMENT -> EnumSet.of(Way.ON, Way.OFF);
        case SCREEN, DOOR, VENT -> EnumSet.of(Way.OPEN, Way.SHUT);
        default -> EnumSet.noneOf(Way.class);
      };
    }
  }
}
