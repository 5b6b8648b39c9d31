package nightbank.core.usual;

import nightbank.core.medium.Range;
import org.jspecify.annotations.Nullable;

/**
 * A number taken where nobody says otherwise. Ranges are what is commonly met; "estimate" has no
 * better source.
 */
public enum Usual {
  HEATER_EFFICIENCY("", 0.75, 0.85, 0.95, "room heaters and boilers with a flue, as rated"),
  HEATER_HOTTEST("°C", 250, 300, 400, "a pot on a burner; estimate"),
  BOILER_HOTTEST("°C", 60, 90, 95, "an open water circuit's own cut-out"),
  FACE_ABSORPTANCE("", 0.7, 0.85, 0.95, "dark paint, dark stone (Incropera et al., app. A)"),
  BRIGHT_SUN("W/m²", 200, 350, 500, "a dark face on a bright winter's day at 50 to 58°; estimate"),
  WOOD_LOAD("kg", 3, 6, 12, "one filling of a bench's or wall's hearth; estimate"),
  WOOD_MOISTURE("", 0.12, 0.18, 0.3, "split and two years dry, wet basis"),
  KINDLING("kg", 0.4, 0.7, 1.2, "finger-thick and dry, to light a cold hearth once; estimate"),
  LOAD_HOURS("h", 6, 9, 12, "from lighting until a mass of stone has its heat; estimate"),
  SURPLUS_HOURS("h", 3, 5, 7, "in which an element or a circuit charges on a winter's day"),
  HOLD_HOURS("h", 8, 12, 16, "from the end of a charge to the coldest hour"),
  SMALL_HEAT_PUMP_FACTOR("", 2.5, 3, 4, "between a cold and a warm tank; estimate"),
  COLD_SUPPLY("°C", 2, 5, 10, "winter air, cistern or well that nobody measures"),
  FEED_AT_WORK("°C", 45, 50, 60, "in which feed has been since it was given (Haug, ch. 11)"),
  COMPOST_YIELD("", 0.4, 0.5, 0.7, "mass of finished compost on what was put on; estimate"),
  HEAP_KEPT_OVER("°C", 40, 45, 50, "below it a heap slows down (Haug, ch. 11)"),
  HEAP_UNREAD_OVER("K", 0, 5, 15, "over what it is kept at, where nobody read it; estimate"),
  HEAP_WEATHER("°C", -5, 0, 5, "outdoors through a winter's fortnight; estimate"),
  HEAP_LOAD("kg", 40, 60, 80, "a heaped barrow of manure; estimate"),
  HEAP_READ_FOR("days", 1, 3, 5, "after a reading a heap is another; estimate"),
  HEAP_FALLEN("K", 3, 5, 10, "within days, more than weather and feeding do; estimate"),
  HEAP_DAYS("days", 7, 14, 28, "that a draw must be borne to be called steady"),
  ROOM("°C", 10, 15, 20, "a shed or cellar that nobody heats; estimate"),
  DWELLING("°C", 14, 16, 20, "behind the back wall of a lean-to at night; estimate"),
  USUAL_OVER_HARD_LOW("K", 5, 8, 12, "a winter's usual low over that of its hard nights; estimate"),
  DULL_EMISSIVITY("", 0.85, 0.9, 0.95, "all but bare metal (Incropera et al., app. A)"),
  PIPE_CONDUCTIVITY("W/(m K)", 0.22, 0.4, 0.45, "polyethylene and its kin"),
  PIPE_WALL("m", 0.0015, 0.002, 0.003, "pipes of 16 to 25 mm"),
  STONES("m", 0.02, 0.04, 0.06, "rounded stones of a bed for air"),
  SCREEN_RESISTANCE("m² K/W", 0.15, 0.25, 0.35, "a screen drawn at night"),
  BACK_WALL_TRANSMITTANCE("W/(m² K)", 1.8, 2.2, 2.8, "half a metre of stone"),
  BACK_WALL_THICKNESS("m", 0.3, 0.5, 0.7, "an old outer wall; estimate"),
  BENCHES_AND_POTS("kg/m²", 15, 30, 60, "slow stuff on a square metre of floor; estimate"),
  WARNED_UNDER_HIGHEST("K", 2, 5, 10, "time to stop a charge; estimate"),
  BURNS_IN_A_MINUTE("°C", 51, 51, 51, "whatever it is made of, ISO 13732-1"),
  ROOM_CONTENTS("kg/m²", 20, 60, 150, "furniture, plaster, partitions; estimate"),
  WINDOW_SHARE("", 0.05, 0.1, 0.2, "of a room's floor, in its outer wall; estimate"),
  TURF("m", 0.15, 0.3, 0.5, "earth on a covered roof; estimate"),
  SECOND_SKIN_LETS_SUN("", 0.85, 0.9, 0.92, "of what comes through the first"),
  SHOWN_OUTDOORS("°C", -5, -5, -5, "the night whose losses stand beside a house's design"),
  CALM("m/s", 0, 2, 4, "wind of a clear frost at ten metres"),
  EVENING_OVER_LOW("K", 4, 6, 9, "a clear night's fall from dusk; estimate"),
  NOON_OVER_LOW("K", 6, 9, 14, "a clear winter day's rise; estimate"),
  HOUSE_OVER_EVENING("K", 2, 4, 8, "in a shut house at dusk; estimate"),
  CLEAR_CLOUD("", 0, 0.2, 0.4, "cloud of a hard night"),
  HOUSE_OVER_LIMIT("K", 1, 2, 5, "in a house that was shut in time; estimate"),
  UNHOUSED_GROUND("°C", 3, 8, 12, "under a store that stands at no house; estimate"),
  UNREAD_AS_OLD_AS("h", 48, 60, 96, "a reading that leaves as much doubt as none");

  private final String unit;
  private final Range range;
  private final String source;

  Usual(String unit, double low, double value, double high, String source) {
    this.unit = unit;
    range = new Range(low, value, high);
    this.source = source;
  }

  /** In its {@link #unit()}. */
  public double value() {
    return range.value();
  }

  /** What was said, or else this. */
  public double or(@Nullable Double said) {
    return said == null ? value() : said;
  }

  public Range range() {
    return range;
  }

  public String unit() {
    return unit;
  }

  public String source() {
    return source;
  }
}
