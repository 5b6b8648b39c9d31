package nightbank.core.store;

/**
 * The part of the mass that the source heats: a shell between two fractions of the half width,
 * between two fractions of the height. A face that sun or flame strikes is a thin shell behind it.
 *
 * @param innerFraction where the shell begins, 0 for a whole core
 * @param radiusFraction where it ends
 */
public record HeatedZone(
    double innerFraction, double radiusFraction, double lowFraction, double highFraction) {
  private static final double SKIN = 0.12; // depth of a struck face, in half widths or heights

  public HeatedZone {
    if (!(innerFraction >= 0
        && innerFraction < radiusFraction
        && radiusFraction <= 1
        && lowFraction >= 0
        && lowFraction < highFraction
        && highFraction <= 1)) {
      throw new IllegalArgumentException(
          "heated zone must lie inside the store with its low end below its high end");
    }
  }

  /** A core from the middle out. */
  public HeatedZone(double radiusFraction, double lowFraction, double highFraction) {
    this(0, radiusFraction, lowFraction, highFraction);
  }

  /** A rod along the middle, clear of top and foot. */
  public static HeatedZone rod() {
    return new HeatedZone(0.15, 0.15, 0.85);
  }

  public static HeatedZone everywhere() {
    return new HeatedZone(1, 0, 1);
  }

  /** Just behind a face: a fire below or behind, sun on the side; round the whole of the side. */
  public static HeatedZone behind(FaceName face) {
    return switch (face) {
      case SIDE -> new HeatedZone(1 - SKIN, 1, 0, 1);
      case TOP -> new HeatedZone(0, 1, 1 - SKIN, 1);
      case FOOT -> new HeatedZone(0, 1, 0, SKIN);
    };
  }
}
