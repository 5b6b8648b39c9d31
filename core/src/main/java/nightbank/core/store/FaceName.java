package nightbank.core.store;

/** The three kinds of face of an upright body. */
public enum FaceName {
  SIDE,
  TOP,
  FOOT
}
