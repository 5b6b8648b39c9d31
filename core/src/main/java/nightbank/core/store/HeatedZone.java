package nightbank.core.store;

/**
 * The part of the mass that the source heats: from the middle out to a fraction of the half width,
 * between two fractions of the height.
 */
public record HeatedZone(double radiusFraction, double lowFraction, double highFraction) {
  public HeatedZone {
    if (!(radiusFraction > 0
        && radiusFraction <= 1
        && lowFraction >= 0
        && lowFraction < highFraction
        && highFraction <= 1)) {
      throw new IllegalArgumentException(
          "heated zone must lie inside the store with its low end below its high end");
    }
  }

  /** A rod along the middle, clear of top and foot. */
  public static HeatedZone rod() {
    return new HeatedZone(0.15, 0.15, 0.85);
  }

  public static HeatedZone everywhere() {
    return new HeatedZone(1, 0, 1);
  }
}
