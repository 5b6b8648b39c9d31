package nightbank.core.friend;

/**
 * What an experienced friend notices, the weightiest first: a night before a figure before waste.
 */
public enum Rule {
  /** A night to come is lost unless something is charged before this one. */
  CHARGE_TODAY,
  /** A heap is drawn under what it works at, and would not be if it were left alone. */
  HEAP_OVERDRAWN,
  /** A loop carries more, by its figures, than what heats it can give. */
  LOOP_FIGURES,
  /** The house was warmer than all that is known to heat it can explain. */
  HEATER_TOO_SMALL,
  /** An evening's heat makes the house so warm that it is thrown away. */
  EVENING_TOO_WARM,
  /** A night hangs on a flow that was typed, and may never have been measured. */
  FLOW_MATTERS,
  /** A heap is reckoned to weigh far more than was put on it. */
  HEAP_LIGHT
}
