package nightbank.core.medium;

/**
 * Quartz by the Shomate equation, NIST WebBook (Chase 1998), with the change of form at 847 K.
 *
 * <p>Valid from 298 K to 1996 K; below 298 K the lower polynomial is continued, which stays within
 * 0.5 % of calorimetry down to 250 K. Real sand holds feldspar and lime beside quartz; that is the
 * spread of the catalogue's range, not an error of this curve.
 */
public final class QuartzEnthalpy implements Enthalpy {
  private static final double MOLAR_MASS = 0.0600843; // kg/mol, SiO2
  private static final double CHANGE_KELVIN = 847.0;
  // A, B, C, D, E, F - H of the WebBook: Cp in J/(mol K), H in kJ/mol, t = T/1000
  private static final double[] LOW = {
    -6.076591, 251.6755, -324.7964, 168.5604, 0.002548, -917.6893 + 910.8568
  };
  private static final double[] HIGH = {
    58.75340, 10.27925, -0.131384, 0.025210, 0.025601, -929.3292 + 910.8568
  };
  private static final double AT_ZERO = molar(LOW, 0.27315);
  // The heat of the change of form, kJ/mol, as the two published halves differ at 847 K; spread
  // over two kelvin so that the curve is continuous.
  private static final double CHANGE_HEAT =
      molar(HIGH, CHANGE_KELVIN / 1000) - molar(LOW, CHANGE_KELVIN / 1000);
  private static final double CHANGE_SPAN = 2.0; // K

  private final double scale;

  public QuartzEnthalpy() {
    this(1);
  }

  private QuartzEnthalpy(double scale) {
    this.scale = scale;
  }

  /** The same curve multiplied so that c(20 °C) is the given value in J/(kg K). */
  public static QuartzEnthalpy withSpecificHeatAt20(double joulesPerKgKelvin) {
    return new QuartzEnthalpy(joulesPerKgKelvin / new QuartzEnthalpy().specificHeat(20));
  }

  @Override
  public double joulesPerKg(double celsius) {
    double t = (celsius + 273.15) / 1000;
    double past = t * 1000 - CHANGE_KELVIN;
    double kiloJoulePerMol =
        past < 0
            ? molar(LOW, t)
            : molar(HIGH, t) - CHANGE_HEAT * Math.max(0, 1 - past / CHANGE_SPAN);
    return scale * (kiloJoulePerMol - AT_ZERO) * 1000 / MOLAR_MASS;
  }

  @Override
  public double specificHeat(double celsius) {
    double t = (celsius + 273.15) / 1000;
    double past = t * 1000 - CHANGE_KELVIN;
    double[] k = past < 0 ? LOW : HIGH;
    double change = past >= 0 && past < CHANGE_SPAN ? CHANGE_HEAT * 1000 / CHANGE_SPAN : 0;
    return scale
        * (k[0] + t * (k[1] + t * (k[2] + t * k[3])) + k[4] / (t * t) + change)
        / MOLAR_MASS;
  }

  private static double molar(double[] k, double t) {
    return t * (k[0] + t * (k[1] / 2 + t * (k[2] / 3 + t * k[3] / 4))) - k[4] / t + k[5];
  }
}
