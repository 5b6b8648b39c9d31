package nightbank.core.system;

import nightbank.core.usual.Usual;

/**
 * Something that a person does, at a moment or from one time to another.
 *
 * @param of the part that it is done to by its id, blank for the house
 * @param toSeconds when it ends; the moment itself where it does not last
 * @param amount kilograms of wood, watts, flames, square metres of a door; NaN for the usual
 * @param moisture of wood, of no use otherwise
 */
public record Action(
    Kind kind, String of, double fromSeconds, double toSeconds, double amount, double moisture) {

  /** What a part must be for something to be done to it. */
  public enum At {
    HOUSE,
    STORE,
    FIRE,
    MACHINE
  }

  /** What can be done. */
  public enum Kind {
    /** So many kilograms of wood are laid on a fire, the first of them lit. */
    LOAD(At.FIRE, false),
    /** The smoke goes past the mass. */
    BYPASS(At.FIRE, true),
    /** The flue is shut. */
    DAMPER_SHUT(At.FIRE, true),
    /** What burns is smothered and kept as charcoal. */
    QUENCH(At.FIRE, false),
    /** A source, circuit or heat pump is switched on, at so many watts or flames. */
    RUN(At.MACHINE, true),
    /** It is switched off, whatever its schedule says. */
    STOP(At.MACHINE, true),
    /** A store's top stands open. */
    LID_OFF(At.STORE, true),
    /** The night screen is drawn. */
    SCREEN(At.HOUSE, true),
    /** Fleece lies over the plants. */
    COVER(At.HOUSE, true),
    /** Gaps are stuffed with whatever is at hand. */
    STUFF_GAPS(At.HOUSE, true),
    /** A door stands open. */
    DOOR_OPEN(At.HOUSE, true);

    private final At at;
    private final boolean lasts;

    Kind(At at, boolean lasts) {
      this.at = at;
      this.lasts = lasts;
    }

    public At at() {
      return at;
    }

    /** Whether it goes on from one time to another. */
    public boolean lasts() {
      return lasts;
    }
  }

  public Action {
    if (!(fromSeconds <= toSeconds)) {
      throw new IllegalArgumentException("an action must end after it begins");
    }
    if (!(Double.isNaN(amount) || amount >= 0 && amount <= 1e6)) {
      throw new IllegalArgumentException("an action's amount must not be negative, was " + amount);
    }
  }

  public Action(Kind kind, String of, double fromSeconds, double toSeconds, double amount) {
    this(kind, of, fromSeconds, toSeconds, amount, Usual.WOOD_MOISTURE.value());
  }

  /** Something done to the house for so long. */
  public static Action house(Kind kind, double fromSeconds, double toSeconds) {
    return new Action(kind, "", fromSeconds, toSeconds, Double.NaN);
  }

  /** Wood laid on a fire. */
  public static Action load(String fire, double atSeconds, double kilograms) {
    return new Action(Kind.LOAD, fire, atSeconds, atSeconds, kilograms);
  }

  /** A machine switched on. */
  public static Action run(String machine, double fromSeconds, double toSeconds) {
    return new Action(Kind.RUN, machine, fromSeconds, toSeconds, Double.NaN);
  }

  boolean runs(double second) {
    return second >= fromSeconds - 1e-6 && second < toSeconds - 1e-6;
  }
}
