package nightbank.standins.croft;

/** The stone-backed lean-to: quick air, a stone wall and a floor in slices, glass, draught, sun. */
final class LeanTo {
  private static final double GLASS = 62.4; // m²
  private static final double GLASS_U = 3.45;
  private static final double WALL = 27;
  private static final double FLOOR = 24;
  private static final double VOLUME = 69;
  private static final double AIR_HEAT = 5.5e5; // J/K with leaves and pots
  private static final double INNER_FILM = 7;

  private final double[] wall = new double[6];
  private final double[] floor = new double[6];
  private double air;

  LeanTo(double start) {
    air = start;
    for (int i = 0; i < 6; i++) {
      wall[i] = start - i * 0.2;
      floor[i] = start + (6.5 - start) * i / 6.0;
    }
  }

  /**
   * One step.
   *
   * @param doorOpen share of the door that stands open
   */
  void step(double dt, Winter winter, double at, double fromStores, double doorOpen) {
    double out = winter.outdoor(at);
    double wind = winter.wind(at);
    double sun = winter.sunOnGlass(at) * 34 * 0.62;
    double changes = 0.95 * (0.45 + 0.14 * wind) + 55 * doorOpen;
    double vent = air > 21 ? 40 * Math.min(1, (air - 21) / 3) : 0;
    double draught = (changes + vent) * VOLUME * 0.355;
    double sky = GLASS * GLASS_U * 0.3 * 2.6 * (1 - winter.cloud(at)); // K colder than the air
    double glass = GLASS * GLASS_U * (0.9 + 0.03 * wind);
    double toWall = INNER_FILM * WALL * (air - wall[0]);
    double toFloor = INNER_FILM * FLOOR * (air - floor[0]);
    double q = fromStores + 0.35 * sun - (glass + draught) * (air - out) - sky - toWall - toFloor;
    slices(wall, dt, 0.07, 1.9, 1.9e6, WALL, toWall + 0.4 * sun, 0.7 * out + 0.3 * 9, 3.5);
    slices(floor, dt, 0.08, 1.3, 2.1e6, FLOOR, toFloor + 0.25 * sun, 6.5, 2);
    air += dt * q / AIR_HEAT;
  }

  private static void slices(
      double[] t,
      double dt,
      double thick,
      double k,
      double heat,
      double area,
      double into,
      double beyond,
      double beyondU) {
    double flow = into;
    for (int i = 0; i < t.length; i++) {
      double u = i == t.length - 1 ? 1 / (1 / beyondU + thick / 2 / k) : k / thick;
      double out = u * area * (t[i] - (i == t.length - 1 ? beyond : t[i + 1]));
      t[i] += dt * (flow - out) / (heat * area * thick);
      flow = out;
    }
  }

  double air() {
    return air;
  }
}
