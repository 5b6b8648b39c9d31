package nightbank.core.house;

import nightbank.core.weather.MoistAir;

/**
 * Long waves, films and damp between floor, skin and air, at one moment and linear about the
 * temperatures found last, so that one pass a step follows the weather.
 *
 * <p>Radiosities of grey diffuse surfaces (Incropera et al., 13.3). All skin and walls see the
 * floor with F = A_f/A_u and each other with the rest, so that floor and skin give each other the
 * same (reciprocity); by this only two sums couple all surfaces. Inner convection after Walton
 * (NBSIR 83-2655, 1983) by tilt and direction, outer 2.8 + 3.0 v (Watmuff, Charters and Proctor
 * 1977), condensation by the Lewis relation. Neglects the heat of the sheets themselves, a view of
 * the skin on the sun's side of a ridge that differs from the other, and frost's heat of fusion.
 */
final class Enclosure {
  /** σ, W/(m² K⁴), CODATA 2018. */
  private static final double SIGMA = 5.670374419e-8;

  private static final double KELVIN = 273.15;
  private static final double SCREEN_EMISSIVITY = 0.9; // woven cloth
  private static final double WETTED = 0.01; // kg/m² that cover a sheet
  private static final double MOST_WATER = 0.15; // kg/m²; more runs down
  private static final double LEWIS = 1.27 * 1006 * 0.894; // ρ c Le^⅔, J/(m³ K)
  private static final double SOIL_HOLDS = 200; // s/m, moist surface (100 to 300)

  final int n;
  final double[] area; // m², by the factor on the part's loss
  final double[] inner; // °C
  final double[] outer;
  final double[] water; // kg/m²
  final double[] film; // W/(m² K) to the air
  final double[] emissivity;
  final double[] through;
  final double[] beyond; // W/m² that comes from sky and ground
  final double[] k; // W/(m² K): flux into the sheet = k T - s
  final double[] s;
  final double[] dew; // kg/(m² s) as it condenses on a part
  final double floorArea;
  private final double[] longWave; // W/m² taken up
  private final SkinPart[] part;
  private final double[] warmAir; // Walton's constants
  private final double[] coldAir;
  private final double[] solid; // m² K/W, without a screen
  private final double[] resist;
  private final double[] toOut; // W/(m² K) of the outer face
  private final double[] fromOut; // W/m²
  private final double[] byAir; // T = byAir Ta + byLight G + rest
  private final double[] byLight;
  private final double[] rest;
  private final double[] vapourFilm; // m/s
  private final double[] saturated; // kg/m³ at the sheet
  private final double[] saturation; // its slope
  private final double[] knownAt; // °C at which it was last reckoned in full
  private final double[] known;
  private final double[] knownRate; // 1/K
  private final double total;
  private final double radiating;
  private final double seesFloor;
  private double light; // W/m² on every part of the skin
  private double lightFixed;
  private double lightByAir;
  private double lightByFloor;
  private double meanFixed;
  private double meanByAir;
  private double meanByLight;
  private double mean; // W/m² on the floor
  private double extra;
  double floorFilm;
  double floorVapourFilm;
  double floorSaturated;
  double floorSaturation;
  double fromFloorVapour; // kg/(m² s)

  /**
   * An enclosure.
   *
   * @param steady heavy walls as resistances alone, for balances at rest
   */
  Enclosure(Greenhouse house, boolean steady) {
    part = house.skin().toArray(SkinPart[]::new);
    n = part.length;
    area = new double[n];
    inner = new double[n];
    outer = new double[n];
    water = new double[n];
    film = new double[n];
    emissivity = new double[n];
    through = new double[n];
    beyond = new double[n];
    k = new double[n];
    s = new double[n];
    dew = new double[n];
    longWave = new double[n];
    warmAir = new double[n];
    coldAir = new double[n];
    solid = new double[n];
    resist = new double[n];
    toOut = new double[n];
    fromOut = new double[n];
    byAir = new double[n];
    byLight = new double[n];
    rest = new double[n];
    vapourFilm = new double[n];
    saturated = new double[n];
    saturation = new double[n];
    knownAt = new double[n];
    java.util.Arrays.fill(knownAt, Double.NaN);
    known = new double[n];
    knownRate = new double[n];
    double sum = 0;
    for (int i = 0; i < n; i++) {
      double body = steady ? part[i].slab().map(Slab::resistance).orElse(0.0) : 0;
      solid[i] = part[i].resistance() + body;
      area[i] = part[i].areaSquareMetres() * part[i].heatFactor();
      double level = Math.abs(Math.cos(Math.toRadians(part[i].tiltDegrees())));
      warmAir[i] = 9.482 / (7.238 - level);
      coldAir[i] = 1.810 / (1.382 + level);
      sum += area[i];
    }
    total = sum;
    floorArea = house.floor().map(Floor::areaSquareMetres).orElse(0.0);
    radiating = Math.min(floorArea, sum);
    seesFloor = sum > 0 ? radiating / sum : 0;
  }

  void start(double air, double outdoor, double ground) {
    for (int i = 0; i < n; i++) {
      double behind = part[i].beyond(outdoor, ground);
      inner[i] = part[i].slab().isPresent() ? air : (air + behind) / 2;
      outer[i] = (inner[i] + behind) / 2;
    }
  }

  private static double emitted(double celsius) {
    double t = celsius + KELVIN;
    return SIGMA * t * t * t * t;
  }

  private static double emittedSlope(double celsius) {
    double t = celsius + KELVIN;
    return 4 * SIGMA * t * t * t;
  }

  /** What lies behind every sheet: films, sky, rooms, earth, and the sheet's own resistance. */
  void behind(double outdoor, double wind, double sky, double ground, boolean screen) {
    double air = 2.8 + 3.0 * wind;
    double fromSky = emitted(sky);
    double fromGround = emitted(outdoor);
    for (int i = 0; i < n; i++) {
      SkinPart p = part[i];
      boolean drawn = screen && p.screenResistance() > 0;
      double wet = drawn ? 0 : Math.min(1, Math.max(0, water[i] / WETTED));
      double shines =
          p.dry().emissivityOut() + wet * (p.wet().emissivityOut() - p.dry().emissivityOut());
      emissivity[i] =
          drawn
              ? SCREEN_EMISSIVITY
              : p.dry().emissivityIn() + wet * (p.wet().emissivityIn() - p.dry().emissivityIn());
      through[i] = drawn ? 0 : p.dry().through() + wet * (p.wet().through() - p.dry().through());
      resist[i] = solid[i] + (drawn ? p.screenResistance() : 0);
      if (p.shared()) {
        beyond[i] = 0;
        through[i] = 0;
        toOut[i] = p.towards();
        fromOut[i] = toOut[i] * p.beyond(outdoor, ground);
      } else {
        beyond[i] = p.skyView() * fromSky + (1 - p.skyView()) * fromGround;
        double slope = shines * emittedSlope(outer[i]);
        toOut[i] = air + slope;
        fromOut[i] = air * outdoor + shines * (beyond[i] - emitted(outer[i])) + slope * outer[i];
      }
      double less = 1 / (1 + resist[i] * toOut[i]);
      k[i] = toOut[i] * less;
      s[i] = fromOut[i] * less;
    }
  }

  /** Films at the temperatures found last. */
  void films(double air, double floor) {
    for (int i = 0; i < n; i++) {
      double gap = air - inner[i];
      film[i] = (gap > 0 ? warmAir[i] : coldAir[i]) * Math.cbrt(Math.abs(gap));
    }
    double gap = floor - air;
    floorFilm = (gap > 0 ? 1.52 : 0.76) * Math.cbrt(Math.abs(gap));
  }

  /** How fast vapour goes to sheets that are colder than its dew point, and off wet ones. */
  void vapour(double density, double floor, double wetShare, double dt) {
    for (int i = 0; i < n; i++) {
      double off = inner[i] - knownAt[i];
      if (!(Math.abs(off) < 0.5)) {
        knownAt[i] = inner[i];
        known[i] = MoistAir.saturationDensity(inner[i]);
        knownRate[i] = MoistAir.slope(inner[i], known[i]) / known[i];
        off = 0;
      }
      double x = knownRate[i] * off; // e^x to second order: 1e-5 off within half a kelvin
      saturated[i] = known[i] * (1 + x + x * x / 2);
      double drive = density - saturated[i];
      double speed = film[i] / LEWIS;
      if (drive < 0) {
        double most = Math.max(0, water[i]) / dt / -drive;
        speed = Math.min(speed, most);
      }
      vapourFilm[i] = speed;
      saturation[i] = speed == 0 ? 0 : saturated[i] * knownRate[i];
    }
    double speed = floorFilm / LEWIS;
    floorVapourFilm = speed == 0 ? 0 : wetShare / (1 / speed + SOIL_HOLDS);
    floorSaturated = MoistAir.saturationDensity(floor);
    floorSaturation = MoistAir.slope(floor, floorSaturated);
  }

  /** Σ over surfaces of area × speed, m³/s, and the same times what stands at them, kg/s. */
  double vapourTie() {
    double sum = floorArea * floorVapourFilm;
    for (int i = 0; i < n; i++) {
      sum += area[i] * vapourFilm[i];
    }
    return sum;
  }

  double vapourPull() {
    double sum = floorArea * floorVapourFilm * floorSaturated;
    for (int i = 0; i < n; i++) {
      sum += area[i] * vapourFilm[i] * saturated[i];
    }
    return sum;
  }

  /**
   * Lays the balances of all sheets down as linear in the air's and the floor's temperature.
   *
   * @param radiant W that bodies in the house send out, taken as even on all surfaces
   * @param density of vapour, kg/m³
   */
  void linear(double floor, double radiant, double density) {
    extra = total + radiating > 0 ? radiant / (total + radiating) : 0;
    double fixed = 0;
    double air = 0;
    double lit = 0;
    for (int i = 0; i < n; i++) {
      double e = emissivity[i];
      double at = emitted(inner[i]);
      double slope = emittedSlope(inner[i]);
      double damp = MoistAir.LATENT * vapourFilm[i];
      double all = film[i] + e * slope + k[i] + damp * saturation[i];
      double held = e * (slope * inner[i] - at);
      byAir[i] = film[i] / all;
      byLight[i] = e / all;
      rest[i] = (held + s[i] + damp * (density - saturated[i] + saturation[i] * inner[i])) / all;
      double share = area[i] / total;
      double back = 1 - e - through[i];
      // J = e s4(T) + (1 - e - tau) G + tau Go, s4 linear in T
      fixed += share * (e * (at + slope * (rest[i] - inner[i])) + through[i] * beyond[i]);
      air += share * e * slope * byAir[i];
      lit += share * (e * slope * byLight[i] + back);
    }
    meanFixed = fixed;
    meanByAir = air;
    meanByLight = lit;
    double ef = Floor.EMISSIVITY;
    double own = seesFloor * ef;
    double q = 1 - own; // share of the mean radiosity in what falls on the skin
    double slope = emittedSlope(floor);
    double constant = emitted(floor) - slope * floor;
    double left = 1 / (1 - q * meanByLight);
    lightFixed = left * (extra * (1 + seesFloor * (1 - ef)) + own * constant + q * meanFixed);
    lightByAir = left * q * meanByAir;
    lightByFloor = left * own * slope;
  }

  /** Long waves taken up by the floor as linear: fixed + byAir Ta + byFloor Tf, W/m². */
  double floorFixed(double floor) {
    double slope = emittedSlope(floor);
    return Floor.EMISSIVITY
        * (meanFixed + meanByLight * lightFixed + extra - (emitted(floor) - slope * floor));
  }

  double floorByAir() {
    return Floor.EMISSIVITY * (meanByAir + meanByLight * lightByAir);
  }

  double floorByFloor(double floor) {
    return Floor.EMISSIVITY * (meanByLight * lightByFloor - emittedSlope(floor));
  }

  /** Σ A h (T - Ta) over the skin as linear in air and floor, W. */
  double airFixed() {
    double sum = 0;
    for (int i = 0; i < n; i++) {
      sum += area[i] * film[i] * (rest[i] + byLight[i] * lightFixed);
    }
    return sum;
  }

  double airByAir() {
    double sum = 0;
    for (int i = 0; i < n; i++) {
      sum += area[i] * film[i] * (byAir[i] + byLight[i] * lightByAir - 1);
    }
    return sum;
  }

  double airByFloor() {
    double sum = 0;
    for (int i = 0; i < n; i++) {
      sum += area[i] * film[i] * byLight[i] * lightByFloor;
    }
    return sum;
  }

  /** Area that exchanges long waves with the skin, m². */
  double radiatingArea() {
    return radiating;
  }

  /** What every part gives and takes once air and floor are known. Fluxes of the last pass. */
  void settle(double air, double floor, double floorBefore, double density) {
    light = lightFixed + lightByAir * air + lightByFloor * floor;
    mean = meanFixed + meanByAir * air + meanByLight * light;
    for (int i = 0; i < n; i++) {
      double before = inner[i];
      double t = byAir[i] * air + byLight[i] * light + rest[i];
      dew[i] = vapourFilm[i] * (density - saturated[i] - saturation[i] * (t - before));
      double at = emitted(before) + emittedSlope(before) * (t - before);
      longWave[i] = emissivity[i] * (light - at);
      inner[i] = t;
      outer[i] = resist[i] == 0 ? t : t - resist[i] * (k[i] * t - s[i]);
    }
    fromFloorVapour =
        floorVapourFilm * (floorSaturated + floorSaturation * (floor - floorBefore) - density);
  }

  /** W/m² that pass straight through a part, out less in. */
  double straight(int i) {
    return through[i] * (light - beyond[i]);
  }

  /** W/m² that a part takes up from the house's surfaces. */
  double taken(int i) {
    return longWave[i];
  }

  /** Wets sheets by what condensed, dries them by what left. */
  void wet(double dt) {
    for (int i = 0; i < n; i++) {
      water[i] = Math.min(MOST_WATER, water[i] + dew[i] * dt);
    }
  }

  /** Temperature of a black body that sends down what falls on the floor, °C. */
  double overhead() {
    return Math.sqrt(Math.sqrt((mean + extra) / SIGMA)) - KELVIN;
  }

  SkinPart part(int i) {
    return part[i];
  }

  /** A heavy wall's rear face by the flux that reaches it, W/m². */
  void rear(int i, double flux) {
    double face = (flux + fromOut[i]) / toOut[i];
    outer[i] = face;
  }
}
