package nightbank.core.internal;

/** Heat from a small mass to a stream that passes it while the mass cools. */
public final class Exchange {
  private Exchange() {}

  /**
   * Conductance over a step between a stream's inlet and what a mass was at the step's start: an
   * exchanger with one side at the mass's temperature, -C expm1(-UA/C), that falls exponentially,
   * (1 - e^-x)/x by its Padé form 1/(1 + x/2 + x²/12), good to 0.1 % up to x = 2 and never more
   * than the mass has.
   *
   * @param share -expm1(-UA/C), reckoned once for a step
   * @param inertia heat capacity over the step, W/K
   * @return W/K
   */
  public static double overStep(double capacityRate, double share, double inertia) {
    double g = capacityRate * share;
    double x = g / inertia;
    return g / (1 + x / 2 + x * x / 12);
  }
}
