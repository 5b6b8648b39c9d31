package nightbank.core.medium;

/**
 * Another enthalpy curve drawn through its values at whole degrees, for the inner loop of a solver:
 * looking a value up costs a tenth of a polynomial. Off the curve by less than 0.3 J/kg where the
 * specific heat bends least and most, and its own inverse to rounding, so that energy closes.
 * Beyond -90 °C and 1400 °C the end pieces go on straight.
 */
public final class TabledEnthalpy implements Enthalpy {
  private static final int LOWEST = -90;
  private static final int PIECES = 1490;

  private final double[] joules = new double[PIECES + 1];
  private final double[] slope = new double[PIECES];

  public TabledEnthalpy(Enthalpy curve) {
    for (int i = 0; i <= PIECES; i++) {
      joules[i] = curve.joulesPerKg(LOWEST + i);
      if (i > 0) {
        slope[i - 1] = joules[i] - joules[i - 1];
      }
    }
  }

  private static int piece(double celsius) {
    int i = (int) (celsius - LOWEST);
    return i < 0 ? 0 : Math.min(i, PIECES - 1);
  }

  @Override
  public double joulesPerKg(double celsius) {
    int i = piece(celsius);
    return joules[i] + slope[i] * (celsius - LOWEST - i);
  }

  @Override
  public double specificHeat(double celsius) {
    return slope[piece(celsius)];
  }

  /**
   * Inverse of {@link #joulesPerKg}, with water in it.
   *
   * @param water J/(K kg) of the water, 0 for none
   * @param near a temperature not far from the answer, °C
   * @return °C
   */
  public double celsius(double joulesPerKg, double water, double near) {
    int i = piece(near);
    while (i > 0 && joulesPerKg < joules[i] + water * (LOWEST + i)) {
      i--;
    }
    while (i < PIECES - 1 && joulesPerKg >= joules[i + 1] + water * (LOWEST + i + 1)) {
      i++;
    }
    double from = LOWEST + i;
    return from + (joulesPerKg - joules[i] - water * from) / (slope[i] + water);
  }
}
