package nightbank.core.upkeep;

/** Water in wood: shares of the whole mass (wet basis) and of the dry mass (dry basis). */
public final class WoodMoisture {
  private static final double COLDEST = -20; // °C to which the curves are drawn out
  private static final double DAMPEST = 0.98;

  private WoodMoisture() {}

  /** Wet basis from dry basis. */
  public static double wet(double dry) {
    return dry / (1 + dry);
  }

  /** Dry basis from wet basis. */
  public static double dry(double wet) {
    return wet / (1 - wet);
  }

  /**
   * What wood comes to in air that stays so, dry basis: the two-hydrate sorption of Hailwood and
   * Horrobin with Simpson's constants (Wood Handbook, FPL-GTR-190, eq. 4-5), within half a point of
   * its table from 4 to 21 °C (not compared beyond). Neglects that drying wood stops a little
   * higher than wetting wood.
   *
   * @param humidity relative, 0 to 1
   */
  public static double equilibrium(double celsius, double humidity) {
    double t = Math.max(COLDEST, celsius);
    double h = Math.max(0, Math.min(DAMPEST, humidity));
    double w = 349 + 1.29 * t + 0.0135 * t * t;
    double k = 0.805 + 0.000736 * t - 0.00000273 * t * t;
    double k1 = 6.27 - 0.00938 * t - 0.000303 * t * t;
    double k2 = 1.91 + 0.0407 * t - 0.000293 * t * t;
    double kh = k * h;
    double both = k1 * k2 * kh * kh;
    return 18 / w * (kh / (1 - kh) + (k1 * kh + 2 * both) / (1 + k1 * kh + both));
  }
}
