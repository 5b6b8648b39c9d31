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

  /** Whether the two have any of a body in common. */
  public boolean meets(HeatedZone other) {
    return lowFraction < other.highFraction
        && other.lowFraction < highFraction
        && innerFraction < other.radiusFraction
        && other.innerFraction < radiusFraction;
  }

  /** Of a body's volume. */
  double volumeShare(Geometry body) {
    double across = planShare(body, radiusFraction) - planShare(body, innerFraction);
    return across * (highFraction - lowFraction);
  }

  /** Of its plan within a fraction of the half width, from all sides alike. */
  private static double planShare(Geometry body, double fraction) {
    if (body instanceof Geometry.Box box) {
      double inset = 2 * (1 - fraction) * box.halfWidth();
      return fraction == 0
          ? 0
          : (box.lengthMetres() - inset) * (box.widthMetres() - inset) / box.endArea();
    }
    return fraction * fraction;
  }

  /** The same as much taller about its middle and wider, as far as the store goes. */
  public HeatedZone stretched(double tall, double wide) {
    double middle = (lowFraction + highFraction) / 2;
    double half = (highFraction - lowFraction) / 2 * tall;
    double out = Math.min(1, radiusFraction * wide);
    return new HeatedZone(
        Math.min(innerFraction, out / 2),
        out,
        Math.max(0, middle - half),
        Math.min(1, middle + half));
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
