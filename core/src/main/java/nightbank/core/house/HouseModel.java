package nightbank.core.house;

/**
 * Air and one inner mass, tied to each other and to outdoors. Backward Euler in quarter-minute
 * sub-steps, so that a night follows the closed form of the two coupled nodes within 0.02 K.
 * Neglects air layers, the leaf's own balance, and soil below the inner mass.
 */
public final class HouseModel {
  private static final double SUB_STEP = 15;

  private final Greenhouse house;
  private double air;
  private double mass;
  private double lostJoules;
  private double fromMassJoules;

  public HouseModel(Greenhouse house, double airCelsius, double massCelsius) {
    this.house = house;
    this.air = airCelsius;
    this.mass = massCelsius;
  }

  /**
   * Moves on by one step.
   *
   * @param gainWatts heat to the air from stores and anything else
   */
  public void step(double seconds, double outdoor, double wind, double cloud, double gainWatts) {
    double loss = house.lossCoefficient(wind);
    double gain = gainWatts - house.skyWatts(wind, outdoor, cloud);
    int n = Math.max(1, (int) Math.ceil(seconds / SUB_STEP));
    double dt = seconds / n;
    double ca = house.airCapacity() / dt;
    double cm = house.mass().capacity() / dt;
    double tie = house.mass().tie();
    lostJoules = 0;
    fromMassJoules = 0;
    for (int i = 0; i < n; i++) {
      // (ca + tie + loss) Ta - tie Tm = ca Ta0 + loss To + gain;  (cm + tie) Tm - tie Ta = cm Tm0
      double a = ca + tie + loss;
      double m = cm + tie;
      double right = ca * air + loss * outdoor + gain;
      double before = mass;
      double nextAir = (m * right + tie * cm * before) / (a * m - tie * tie);
      mass = (cm * before + tie * nextAir) / m;
      air = nextAir;
      lostJoules += dt * (loss * (air - outdoor) + gainWatts - gain);
      fromMassJoules += cm * dt * (before - mass);
    }
  }

  public double airCelsius() {
    return air;
  }

  public double massCelsius() {
    return mass;
  }

  /** Heat lost to outdoors and sky in the last step, J. */
  public double lostJoules() {
    return lostJoules;
  }

  /** Heat that the inner mass gave up in the last step, J. */
  public double fromMassJoules() {
    return fromMassJoules;
  }

  /** Heat content of air and mass above 0 °C, J. */
  public double heatContent() {
    return house.airCapacity() * air + house.mass().capacity() * mass;
  }
}
