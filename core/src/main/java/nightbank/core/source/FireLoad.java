package nightbank.core.source;

/**
 * Wood laid on at a time.
 *
 * @param atSeconds after the start; below zero for what burns already
 * @param moisture water over whole mass
 */
public record FireLoad(double atSeconds, double kilograms, double moisture) {
  public FireLoad {
    if (!(kilograms >= 0 && kilograms <= 500)) {
      throw new IllegalArgumentException(
          "wood must lie between 0 and 500 kg, was " + kilograms + " kg");
    }
    if (!(moisture >= 0 && moisture <= 0.6)) {
      throw new IllegalArgumentException(
          "moisture must lie between 0 and 0.6 of the whole mass, was " + moisture);
    }
  }

  /** J of it. */
  public double joules() {
    return kilograms * heatingValue(moisture);
  }

  /**
   * Lower heating value of wood at a wet-basis moisture, 19.0 (1 - w) - 2.44 w MJ/kg (EN 14961
   * default for dry ash-free wood and water's latent heat), J/kg.
   */
  public static double heatingValue(double moisture) {
    return (19.0 * (1 - moisture) - 2.44 * moisture) * 1e6;
  }
}
