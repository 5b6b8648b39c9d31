package nightbank.core.medium;

/**
 * Specific heat that grows in a straight line, c(T) = c₂₀ (1 + b (T - 20 °C)), level below -50 °C
 * and above 600 °C. Good to 5 % of the published curves of stone, brick and concrete up to there.
 *
 * @param at20 J/(kg K) at 20 °C
 * @param slope b, 1/K
 */
public record LinearEnthalpy(double at20, double slope) implements Enthalpy {
  private static final double COLDEST = -50;
  private static final double HOTTEST = 600;

  public LinearEnthalpy {
    if (!(at20 >= 100 && at20 <= 10_000)) {
      throw new IllegalArgumentException(
          "specific heat must lie between 100 and 10000 J/(kg K), was " + at20);
    }
    if (!(slope >= -0.001 && slope <= 0.005)) {
      throw new IllegalArgumentException(
          "specific heat's slope must lie between -0.001 and 0.005 1/K, was " + slope);
    }
  }

  @Override
  public double joulesPerKg(double celsius) {
    double t = Math.max(COLDEST, Math.min(HOTTEST, celsius));
    double within = at20 * (t + slope * (t * t / 2 - 20 * t));
    return within + (celsius - t) * specificHeat(t);
  }

  @Override
  public double specificHeat(double celsius) {
    double t = Math.max(COLDEST, Math.min(HOTTEST, celsius));
    return at20 * (1 + slope * (t - 20));
  }
}
