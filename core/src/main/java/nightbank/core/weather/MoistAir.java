package nightbank.core.weather;

/**
 * Water in air. Saturation over water by the WMO's Magnus form (Guide to Instruments, 2018, annex
 * 4.B), 611.2 exp(17.62 T/(243.12 + T)) Pa, good to 0.3 % above 0 °C; below it is kept over water
 * too, so that frost on a skin is taken as dew (at -10 °C a tenth more than over ice).
 */
public final class MoistAir {
  /** Heat of condensation near 5 °C, J/kg. */
  public static final double LATENT = 2.49e6;

  private static final double GAS = 461.5; // J/(kg K), water vapour

  private MoistAir() {}

  /** Pa. */
  public static double saturationPressure(double celsius) {
    return 611.2 * Math.exp(17.62 * celsius / (243.12 + celsius));
  }

  /** Vapour of saturated air, kg/m³. */
  public static double saturationDensity(double celsius) {
    return saturationPressure(celsius) / (GAS * (celsius + 273.15));
  }

  /** d(saturation density)/dT at a temperature at which that density is known, kg/(m³ K). */
  public static double slope(double celsius, double saturationDensity) {
    double d = 243.12 + celsius;
    return saturationDensity * (17.62 * 243.12 / (d * d) - 1 / (celsius + 273.15));
  }

  /** Temperature at which air of a temperature and vapour would begin to wet things, °C. */
  public static double dewPoint(double celsius, double vapourDensity) {
    double pressure = Math.max(1e-3, vapourDensity * GAS * (celsius + 273.15));
    double x = Math.log(pressure / 611.2);
    return 243.12 * x / (17.62 - x);
  }
}
