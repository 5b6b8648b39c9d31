package nightbank.standins.croft;

/**
 * The stone-backed lean-to: quick air, a stone wall and a floor in slices, lined glass whose two
 * faces find their temperatures by halving, draught, sun.
 */
final class LeanTo {
  private static final double GLASS = 62.4; // m²
  private static final double LINING = 0.155; // m² K/W of pane, gap and bubble sheet
  private static final double WALL = 27;
  private static final double FLOOR = 24;
  private static final double VOLUME = 69;
  private static final double AIR_HEAT = 5.5e5; // J/K with leaves and pots
  private static final double INNER_FILM = 3; // W/(m² K) of wall and floor, air alone
  private static final double STEFAN = 5.67e-8;
  private static final double SHINES = 0.86; // of glass, lining, wall and soil alike
  private static final double SKY = 0.62; // what the glass sees of it
  private static final double SHELTER = 0.45;

  private final double[] wall = new double[6];
  private final double[] floor = new double[9];
  private double air;
  private double lining;

  LeanTo(double start) {
    air = start;
    lining = start - 3;
    for (int i = 0; i < wall.length; i++) {
      wall[i] = start - i * 0.2;
    }
    for (int i = 0; i < floor.length; i++) {
      floor[i] = start + (6.5 - start) * i / (double) floor.length;
    }
  }

  /**
   * One step.
   *
   * @param doorOpen share of the door that stands open
   */
  void step(double dt, Winter winter, double at, double fromStores, double doorOpen) {
    double out = winter.outdoor(at);
    double wind = SHELTER * winter.wind(at);
    double sun = winter.sunOnGlass(at) * 34 * 0.62;
    double changes = 0.95 * (0.5 + 0.12 * wind) + 55 * doorOpen;
    double vent = air > 21 ? 40 * Math.min(1, (air - 21) / 3) : 0;
    double draught = (changes + vent) * VOLUME * 0.355;
    double direct = 0.55 * fromStores; // the rest shines on wall, floor and glass
    double shone = 0.45 * fromStores;
    double toGlass = glass(out, wind, winter.cloud(at), 0.55 * shone);
    double fromWall = longWave(wall[0]);
    double fromFloor = longWave(floor[0]);
    double toWall = INNER_FILM * WALL * (air - wall[0]);
    double toFloor = INNER_FILM * FLOOR * (air - floor[0]);
    double q = direct + 0.35 * sun - toGlass - draught * (air - out) - toWall - toFloor;
    double onWall = toWall + 0.4 * sun + 0.24 * shone - WALL * fromWall;
    double onFloor = toFloor + 0.25 * sun + 0.21 * shone - FLOOR * fromFloor;
    slices(wall, dt, 0.07, 1.9, 1.9e6, WALL, onWall, 0.7 * out + 0.3 * 9, 3.5);
    slices(floor, dt, 0.09, 1.3, 2.1e6, FLOOR, onFloor, 6.5, 1.2);
    air += dt * q / AIR_HEAT;
  }

  /** Long waves that a wall or floor gives the lining, W/m². */
  private double longWave(double from) {
    double seen = 0.82; // of its half-space
    return seen * SHINES * SHINES * STEFAN * (power(from) - power(lining));
  }

  private static double power(double celsius) {
    double k = celsius + 273.15;
    return k * k * k * k;
  }

  /** Heat from the air to the lining, W; finds the lining's temperature. */
  private double glass(double out, double wind, double cloud, double shone) {
    double sky = out - (1 - cloud) * 17.5;
    double low = Math.min(out, sky) - 25;
    double high = Math.max(air, 40);
    for (int i = 0; i < 40; i++) {
      double t = (low + high) / 2;
      lining = t;
      double in = film(air - t) * (air - t);
      in += (WALL * longWave(wall[0]) + FLOOR * longWave(floor[0]) + shone) / GLASS;
      double outer = t - LINING * in;
      double away = (2.8 + 3 * wind) * (outer - out);
      away += SHINES * STEFAN * (power(outer) - SKY * power(sky) - (1 - SKY) * power(out));
      if (away > in) {
        high = t;
      } else {
        low = t;
      }
    }
    return GLASS * film(air - lining) * (air - lining);
  }

  private static double film(double kelvin) {
    return kelvin > 0 ? 1.45 * Math.cbrt(kelvin) : 0.9 * Math.cbrt(-kelvin);
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
