package nightbank.standins.croft;

/** The outdoor heap, as shells of a half ball that warms itself and cools through its cover. */
final class Heap {
  private static final int SHELLS = 14;
  private static final double RADIUS = 1.15;
  private static final double K = 0.37;
  private static final double CAPACITY = 490 * 2850;
  private static final double STRONGEST = 215; // W/m³ when fresh and at its best

  private final double[] t = new double[SHELLS];

  Heap(double start) {
    for (int i = 0; i < SHELLS; i++) {
      t[i] = start - 30.0 * i * i / SHELLS / SHELLS;
    }
  }

  /**
   * One step.
   *
   * @param freshness share of its best heat, falling with age and raised by feeding
   */
  void step(double dt, double outdoor, double freshness) {
    double d = RADIUS / SHELLS;
    double fromInside = 0;
    for (int i = 0; i < SHELLS; i++) {
      double inner = 2 * Math.PI * Math.pow(i * d, 2);
      double outer = 2 * Math.PI * Math.pow((i + 1) * d, 2);
      double volume = (outer * (i + 1) - inner * i) * d / 3;
      double u = i == SHELLS - 1 ? 1 / (1 / 1.3 + d / 2 / K) : K / d;
      double beyond = i == SHELLS - 1 ? outdoor : t[i + 1];
      double out = u * outer * (t[i] - beyond);
      double bell = Math.exp(-Math.pow((t[i] - 55) / 22, 2));
      t[i] += dt * (fromInside - out + STRONGEST * freshness * bell * volume) / CAPACITY / volume;
      fromInside = out;
    }
  }

  double at(double radius) {
    return t[Math.min(SHELLS - 1, (int) (radius * SHELLS))];
  }
}
