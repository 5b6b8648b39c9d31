package nightbank.core.sizing;

/** Where good people disagree: both sides are set up and seen on the same night. */
public enum DesignQuestion {
  BARE_OR_INSULATED,
  SAND_OR_WATER,
  BULK_OR_REFLECTIVE,
  HOT_FIRE_OR_SMALL_HEAT,
  ROOM_OR_STORE,
  HEAP_OUT_OR_IN,
  GROUND_OR_INSULATED,
  WATER_OR_AIR,
  AIR_OUTSIDE_OR_ROOM
}
