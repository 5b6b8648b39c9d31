package nightbank.core.evidence;

import java.util.EnumSet;
import java.util.Set;
import nightbank.core.forecast.Labour;
import nightbank.core.source.WoodFire;

/** What was done or seen in a place, with what follows from it. */
public enum EventKind {
  FIRE_LIT(WoodFire.LONGEST),
  FUEL_ADDED(WoodFire.LONGEST),
  LID(Double.POSITIVE_INFINITY, Way.ON, Way.OFF),
  SCREEN(0, Way.OPEN, Way.SHUT),
  DOOR(0, Way.OPEN, Way.SHUT),
  VENT(0, Way.OPEN, Way.SHUT),
  DAMPER(0, Way.OPEN, Way.SHUT),
  PUMP(Double.POSITIVE_INFINITY, Way.ON, Way.OFF),
  ELEMENT(86_400, Way.ON, Way.OFF),
  HEAP(0),
  /** Finished compost out of a heap; the amount is kg of it. */
  COMPOST_OUT(0),
  WATER(0),
  REPAIR(0),
  ICE(0),
  /** A dish of water stood open all night and did not freeze. */
  NO_ICE(0),
  /** A store's side hurt the hand that was laid on it. */
  TOO_HOT(0),
  /** A store was hotter than its thermometer shows; the amount is where its scale ends, °C. */
  OFF_SCALE(0),
  SEEN(0),
  NOTE(0);

  /** Which of two ways it went: a lid goes on or off, a screen is shut when it is drawn. */
  public enum Way {
    ON,
    OFF,
    OPEN,
    SHUT
  }

  private final double actsForSeconds;
  private final Set<Way> ways;

  EventKind(double actsForSeconds, Way... ways) {
    this.actsForSeconds = actsForSeconds;
    this.ways = ways.length == 0 ? Set.of() : Set.copyOf(EnumSet.of(ways[0], ways));
  }

  /** Ways it can go, none for what has no two. */
  public Set<Way> ways() {
    return ways;
  }

  /** So long after it a judgement still rests on it, s; infinite where it lasts until its like. */
  public double actsForSeconds() {
    return actsForSeconds;
  }

  /** Whether it burns fuel. */
  public boolean burns() {
    return this == FIRE_LIT || this == FUEL_ADDED;
  }

  /** What it takes a person, minutes, with so many kilograms of fuel. */
  public double minutes(double kilograms) {
    return switch (this) {
      case FIRE_LIT -> Labour.LIGHT_FIRE + Labour.A_KILOGRAM_OF_WOOD * kilograms;
      case FUEL_ADDED -> Labour.A_KILOGRAM_OF_WOOD * kilograms;
      case LID -> Labour.LID;
      case SCREEN -> Labour.SCREEN;
      case DOOR, VENT -> Labour.DOOR;
      case PUMP -> Labour.PUMP;
      case ELEMENT, DAMPER -> Labour.SWITCH;
      case HEAP, COMPOST_OUT -> Labour.FEED_HEAP;
      case WATER -> Labour.WATER;
      case REPAIR, ICE, NO_ICE, TOO_HOT, OFF_SCALE, SEEN, NOTE -> 0;
    };
  }
}
