package nightbank.core.charge;

/**
 * A fire of wood in a hearth: heat rises within three quarters of an hour and dies away, split
 * between store, room and flue.
 *
 * <p>Lower heating value 19.0 (1 - w) - 2.44 w MJ/kg at wet-basis moisture w (EN 14961 default for
 * dry ash-free wood and water's latent heat). The profile E t/τ² e^(-t/τ) is an estimate in the
 * middle of what logged hearths do; its peak comes at τ.
 *
 * @param kilograms of wood as laid
 * @param moisture water over whole mass, 0.15 to 0.25 when dry
 * @param toStore share of the heat that the mass takes up; 0.3 to 0.6 for a flue through masonry
 * @param toRoom share given to the room at once; the rest leaves by the flue
 */
public record WoodFire(double kilograms, double moisture, double toStore, double toRoom) {
  /** Of wood that nobody measured: dry, 0.15 to 0.25 of its whole mass. */
  public static final double USUAL_MOISTURE = 0.18;

  private static final double PEAK = 2700; // s

  /** After so long nothing of it is left, s. */
  public static final double LONGEST = 12 * PEAK;

  public WoodFire {
    if (!(kilograms >= 0 && kilograms <= 500)) {
      throw new IllegalArgumentException(
          "wood must lie between 0 and 500 kg, was " + kilograms + " kg");
    }
    if (!(moisture >= 0 && moisture <= 0.6)) {
      throw new IllegalArgumentException(
          "moisture must lie between 0 and 0.6 of the whole mass, was " + moisture);
    }
    if (!(toStore >= 0 && toRoom >= 0 && toStore + toRoom <= 1)) {
      throw new IllegalArgumentException("store and room cannot take more than the whole heat");
    }
  }

  /** A dry-wood fire in a bench or wall with a flue through it. */
  public static WoodFire inMasonry(double kilograms) {
    return in(Hearth.bench(), kilograms, USUAL_MOISTURE);
  }

  public static WoodFire in(Hearth hearth, double kilograms, double moisture) {
    return new WoodFire(kilograms, moisture, hearth.toStore().value(), hearth.toRoom().value());
  }

  /** J of all the wood. */
  public double joules() {
    return kilograms * heatingValue(moisture);
  }

  /** Lower heating value of wood at a wet-basis moisture, J/kg. */
  public static double heatingValue(double moisture) {
    return (19.0 * (1 - moisture) - 2.44 * moisture) * 1e6;
  }

  /** Heat given off at a time after lighting, W. */
  public double watts(double secondsSinceLit) {
    double t = secondsSinceLit;
    return t < 0 || t > LONGEST ? 0 : joules() * t / (PEAK * PEAK) * Math.exp(-t / PEAK);
  }

  /** Heat given off between two times after lighting: E (1 - (1 + t/τ) e^(-t/τ)), J. */
  double joulesBetween(double from, double to) {
    return joules() * (burnt(to) - burnt(from));
  }

  private static double burnt(double seconds) {
    double t = Math.max(0, Math.min(LONGEST, seconds)) / PEAK;
    return 1 - (1 + t) * Math.exp(-t);
  }
}
