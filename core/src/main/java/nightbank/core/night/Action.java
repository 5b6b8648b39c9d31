package nightbank.core.night;

/**
 * Something done during a night, from one time to another.
 *
 * @param storeId the store that it is done to, blank for the house
 * @param fromSeconds after the start
 * @param toSeconds when it ends; a fire ends by itself
 * @param amount kilograms of wood, watts of an element; of no use otherwise
 */
public record Action(
    Kind kind, String storeId, double fromSeconds, double toSeconds, double amount) {

  /** What can be done. */
  public enum Kind {
    /** A fire of so many kilograms is lit in a store. */
    FIRE,
    /** A store's element runs. */
    ELEMENT,
    /** A store's pump or fan carries its heat to the house's air. */
    PUMP,
    /** A store's top stands open. */
    LID_OFF,
    /** The night screen is drawn. */
    SCREEN,
    /** Fleece lies over the plants. */
    COVER,
    /** Gaps are stuffed with whatever is at hand. */
    STUFF_GAPS
  }

  public Action {
    if (!(fromSeconds <= toSeconds)) {
      throw new IllegalArgumentException("an action must end after it begins");
    }
    if (!(amount >= 0 && amount <= 1e6)) {
      throw new IllegalArgumentException("an action's amount must not be negative, was " + amount);
    }
  }

  boolean runs(double second) {
    return second > fromSeconds && second <= toSeconds;
  }
}
