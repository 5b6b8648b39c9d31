package nightbank.core.house;

import nightbank.core.weather.Sky;

/**
 * Air with its light contents, inner masses tied to it, and the floor as layers of soil. Backward
 * Euler in half-minute sub-steps; soil and masses are eliminated exactly, so a step costs one pass.
 * A night follows the closed form of two coupled nodes within 0.05 K. Neglects layers of air of
 * different warmth.
 */
public final class HouseModel {
  private static final double SUB_STEP = 20;
  private static final double SUN_TO_AIR = 0.35; // leaves and pots warm the air at once; 0.2 to 0.5
  private static final int SOIL = Floor.LAYERS.length;

  private final Greenhouse house;
  private final int n;
  private final double[] capacity;
  private final double[] tie;
  private final double[] mass;
  private final double[] before;
  private final double[] sunShare;
  private final boolean soil;
  private final double[] soilCapacity = new double[SOIL];
  private final double[] soilLink = new double[SOIL + 1]; // [0] to the air, [SOIL] to deep ground
  private final double[] soilCelsius = new double[SOIL];
  private final double[] alpha = new double[SOIL];
  private final double[] beta = new double[SOIL];
  private final double edge;
  private final double sharedCoefficient;
  private final double sharedPull;
  private double air;
  private double leaf;
  private double lostJoules;
  private double ventedJoules;
  private double groundJoules;
  private double fromMassJoules;
  private double sunJoules;

  /** Weather and actions of one step, filled anew each time so that nothing is allocated. */
  public static final class Step {
    public double outdoorCelsius;
    public double windMetresPerSecond;
    public double skyCelsius;
    public double gainWatts;
    public double sunWatts;
    public double groundCelsius;
    public boolean screenDrawn;
    public boolean gapsStuffed;
  }

  private final Step plain = new Step();

  /**
   * Begins.
   *
   * @param massCelsius inner masses and the floor's surface
   * @param groundCelsius deep ground; the soil begins as a straight line to it
   */
  public HouseModel(Greenhouse house, double airCelsius, double massCelsius, double groundCelsius) {
    this.house = house;
    this.air = airCelsius;
    n = house.masses().size();
    capacity = new double[n];
    tie = new double[n];
    mass = new double[n];
    before = new double[n];
    sunShare = new double[n];
    soil = house.floor().isPresent();
    double area = house.floor().map(Floor::areaSquareMetres).orElse(0.0);
    double open = area * Floor.SURFACE_FILM;
    for (int i = 0; i < n; i++) {
      capacity[i] = house.masses().get(i).capacity();
      tie[i] = house.masses().get(i).tie();
      mass[i] = massCelsius;
      open += tie[i];
    }
    for (int i = 0; i < n; i++) {
      sunShare[i] = open > 0 ? tie[i] / open : 0;
    }
    edge = house.floor().map(f -> f.perimeterMetres() * f.edgeWattsPerMetreKelvin()).orElse(0.0);
    sharedCoefficient = house.sharedCoefficient();
    sharedPull = house.sharedPull();
    if (soil) {
      lay(area, massCelsius, groundCelsius);
    }
    leaf = air;
  }

  /** A house without soil. */
  public HouseModel(Greenhouse house, double airCelsius, double massCelsius) {
    this(house, airCelsius, massCelsius, massCelsius);
  }

  private void lay(double area, double surface, double ground) {
    double depth = 0;
    double half = 0;
    for (int i = 0; i < SOIL; i++) {
      double thick = Floor.LAYERS[i];
      soilCapacity[i] = area * thick * Floor.HEAT;
      double resistance =
          i == 0
              ? 1 / Floor.SURFACE_FILM + thick / 2 / Floor.CONDUCTIVITY
              : (half + thick / 2) / Floor.CONDUCTIVITY;
      soilLink[i] = area / resistance;
      half = thick / 2;
      soilCelsius[i] = surface + (ground - surface) * (depth + thick / 2) / Floor.DEPTH;
      depth += thick;
    }
    soilLink[SOIL] = area * Floor.CONDUCTIVITY / half;
  }

  /** Moves on by one step without screen, sun or ground. */
  public void step(double seconds, double outdoor, double wind, double cloud, double gainWatts) {
    plain.outdoorCelsius = outdoor;
    plain.windMetresPerSecond = wind;
    plain.skyCelsius = Sky.celsius(outdoor, Double.NaN, cloud);
    plain.gainWatts = gainWatts;
    plain.groundCelsius = soil ? soilCelsius[SOIL - 1] : 0;
    step(seconds, plain);
  }

  /** Moves on by one step. */
  public void step(double seconds, Step s) {
    double wind = s.windMetresPerSecond;
    double out = s.outdoorCelsius;
    double skin = house.skinCoefficient(wind, s.screenDrawn);
    double sky = house.skyWatts(wind, out, s.skyCelsius, s.screenDrawn);
    double film = house.throughFilm(s.screenDrawn);
    int parts = Math.max(1, (int) Math.ceil(seconds / SUB_STEP));
    double dt = seconds / parts;
    lostJoules = 0;
    ventedJoules = 0;
    groundJoules = 0;
    fromMassJoules = 0;
    sunJoules = s.sunWatts * seconds;
    for (int k = 0; k < parts; k++) {
      double draught = house.draughtCoefficient(wind, air - out, s.gapsStuffed);
      double vent = house.ventCoefficient(air);
      subStep(dt, s, skin + draught + edge, vent, sky, film);
    }
    double surface = soil ? soilCelsius[0] : n > 0 ? mass[0] : air;
    leaf = Leaf.celsius(house, air, surface, wind, out, s.skyCelsius, s.screenDrawn);
  }

  private void subStep(double dt, Step s, double loss, double vent, double sky, double film) {
    double out = s.outdoorCelsius;
    double ca = house.airCapacity() / dt;
    double filmAir = soil ? 0 : film; // the floor sees the sky where there is one, else the air
    double left = ca + loss + vent + sharedCoefficient + filmAir;
    double sunAir = SUN_TO_AIR * s.sunWatts;
    double sunRest = s.sunWatts - sunAir;
    double shares = 0;
    double right =
        ca * air
            + (loss + vent) * out
            + sharedPull
            + filmAir * s.skyCelsius
            + s.gainWatts
            - sky
            + sunAir;
    for (int i = 0; i < n; i++) {
      // (c + tie) Tm = c Tm0 + tie Ta + sun
      double c = capacity[i] / dt;
      double sun = sunRest * sunShare[i];
      shares += sunShare[i];
      left += tie[i] - tie[i] * tie[i] / (c + tie[i]);
      right += tie[i] * (c * mass[i] + sun) / (c + tie[i]);
    }
    double sunSoil = sunRest * (1 - shares);
    if (soil) {
      eliminate(dt, s.groundCelsius, sunSoil, film, s.skyCelsius);
      left += soilLink[0] * (1 - beta[0]);
      right += soilLink[0] * alpha[0];
    } else {
      right += sunSoil;
    }
    air = right / left;
    for (int i = 0; i < n; i++) {
      double c = capacity[i] / dt;
      before[i] = mass[i];
      mass[i] = (c * mass[i] + tie[i] * air + sunRest * sunShare[i]) / (c + tie[i]);
      fromMassJoules += capacity[i] * (before[i] - mass[i]);
    }
    if (soil) {
      double above = air;
      for (int i = 0; i < SOIL; i++) {
        double next = alpha[i] + beta[i] * above;
        fromMassJoules += soilCapacity[i] * (soilCelsius[i] - next);
        soilCelsius[i] = next;
        above = next;
      }
      groundJoules += dt * soilLink[SOIL] * (soilCelsius[SOIL - 1] - s.groundCelsius);
    }
    lostJoules +=
        dt
            * (loss * (air - out)
                + sharedCoefficient * air
                - sharedPull
                + film * ((soil ? soilCelsius[0] : air) - s.skyCelsius)
                + sky);
    ventedJoules += dt * vent * (air - out);
  }

  /** From the bottom up: T_i = alpha_i + beta_i T_above, implicit in time. */
  private void eliminate(double dt, double ground, double sun, double film, double sky) {
    for (int i = SOIL - 1; i >= 0; i--) {
      double c = soilCapacity[i] / dt;
      double down = soilLink[i + 1];
      double up = soilLink[i];
      boolean last = i == SOIL - 1;
      double below = last ? ground : alpha[i + 1];
      double follows = last ? 0 : beta[i + 1];
      double left = c + up + down * (1 - follows) + (i == 0 ? film : 0);
      double top = i == 0 ? sun + film * sky : 0;
      alpha[i] = (c * soilCelsius[i] + down * below + top) / left;
      beta[i] = up / left;
    }
  }

  public double airCelsius() {
    return air;
  }

  /** The first inner mass, or the floor's surface where there is none. */
  public double massCelsius() {
    return n > 0 ? mass[0] : soil ? soilCelsius[0] : air;
  }

  /** The floor's surface, or the first inner mass where there is no soil, °C. */
  public double floorCelsius() {
    return soil ? soilCelsius[0] : massCelsius();
  }

  /** The outermost leaf, °C. */
  public double leafCelsius() {
    return leaf;
  }

  /** Heat lost to outdoors, sky and rooms behind walls in the last step, J. */
  public double lostJoules() {
    return lostJoules;
  }

  /** Heat thrown out by vents in the last step, J. */
  public double ventedJoules() {
    return ventedJoules;
  }

  /** Heat given to the deep ground in the last step, J. */
  public double groundJoules() {
    return groundJoules;
  }

  /** Sun that got in during the last step, J. */
  public double sunJoules() {
    return sunJoules;
  }

  /** Heat that inner masses and soil gave up in the last step, J. */
  public double fromMassJoules() {
    return fromMassJoules;
  }

  /** Heat content of air, masses and soil above 0 °C, J. */
  public double heatContent() {
    double joules = house.airCapacity() * air;
    for (int i = 0; i < n; i++) {
      joules += capacity[i] * mass[i];
    }
    for (int i = 0; soil && i < SOIL; i++) {
      joules += soilCapacity[i] * soilCelsius[i];
    }
    return joules;
  }
}
