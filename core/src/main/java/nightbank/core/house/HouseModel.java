package nightbank.core.house;

import nightbank.core.weather.MoistAir;
import nightbank.core.weather.Sky;
import org.jspecify.annotations.Nullable;

/**
 * Air with its light contents and its damp, inner masses tied to it, heavy walls, and the floor as
 * two metres of soil that can freeze. Backward Euler in sub-steps of a minute at most; soil, walls,
 * masses and skin are eliminated, so a sub-step costs one pass. Every joule is booked, latent heat
 * included. Neglects layers of air of different warmth.
 */
public final class HouseModel {
  /** Of what a store's bare or wrapped face gives off, by long waves (0.4 to 0.6). */
  public static final double RADIANT = 0.5;

  private static final double SUB_STEP = 60; // s
  private static final int MOST_PARTS = 10; // of a step longer than ten minutes
  private static final int FEWEST_PARTS = 4; // of a simulation's longest steps
  private static final double SUN_TO_AIR = 0.35; // leaves and pots warm the air at once; 0.2 to 0.5
  private static final double FOOT_REACH = 0.5; // m of soil that a store's foot warms round it
  private static final double PIPE_REACH = 0.2; // m that pipes in beds warm; they lie at half of it
  private static final double DEMAND_EVERY = 300; // s
  private static final double START_HUMIDITY = 0.85;
  private static final double OUTDOOR_HUMIDITY = 0.85; // of air whose dew point nobody knows

  private final Greenhouse house;
  private final Enclosure skin;
  private final SteadyHouse limit;
  private final @Nullable SoilColumn soil;
  private final SoilColumn[] walls; // by part, null where it has no body
  private final double area;
  private final double radiatingShare;
  private final int n;
  private final double[] capacity;
  private final double[] tie;
  private final double[] mass;
  private final double[] sunShare;
  private final double[] wallSun;
  private final double floorSun;
  private final double edge;
  private double subStep = SUB_STEP;
  private double air;
  private double floor;
  private double vapour; // kg/m³
  private double shone;
  private double lostJoules;
  private double ventedJoules;
  private double groundJoules;
  private double fromMassJoules;
  private double sunJoules;
  private double vapourJoules;
  private double demand;
  private double sinceDemand = DEMAND_EVERY;

  /** Weather and actions of one step, filled anew each time so that nothing is allocated. */
  public static final class Step {
    public double outdoorCelsius;

    /** At ten metres. */
    public double windMetresPerSecond;

    public double skyCelsius;

    /** NaN where nobody knows. */
    public double outdoorDewCelsius = Double.NaN;

    /** To the air. */
    public double gainWatts;

    /** Long waves of stores and stoves, which fall on all surfaces. */
    public double radiantWatts;

    /** Into the soil near the surface, from what stands on it. */
    public double floorWatts;

    /** Put into pipes in floor or beds. */
    public double pipeWatts;

    public double sunWatts;

    /** Two metres below the floor. */
    public double groundCelsius;

    /** Air that fires draw from the house and that comes in cold, m³/s. */
    public double drawnAir;

    /** Water vapour given off in the house by flames and the like, kg/s. */
    public double vapour;

    /** Of a door that stands open, m². */
    public double doorSquareMetres;

    public boolean screenDrawn;
    public boolean gapsStuffed;
  }

  private final Step plain = new Step();

  /**
   * Begins.
   *
   * @param massCelsius inner masses, walls and the floor's surface
   * @param groundCelsius two metres down; the soil begins as a straight line to it
   */
  public HouseModel(Greenhouse house, double airCelsius, double massCelsius, double groundCelsius) {
    this.house = house;
    air = airCelsius;
    shone = airCelsius;
    skin = new Enclosure(house, false);
    limit = new SteadyHouse(house);
    n = house.masses().size();
    capacity = new double[n];
    tie = new double[n];
    mass = new double[n];
    sunShare = new double[n];
    walls = new SoilColumn[skin.n];
    wallSun = new double[skin.n];
    boolean floored = house.floor().isPresent();
    area = skin.floorArea;
    radiatingShare = floored ? skin.radiatingArea() / area : 0;
    floor = floored ? massCelsius : airCelsius;
    double open = area;
    for (int i = 0; i < n; i++) {
      capacity[i] = house.masses().get(i).capacity();
      tie[i] = house.masses().get(i).tie();
      mass[i] = massCelsius;
      open += tie[i] / InnerMass.INNER_FILM;
    }
    for (int i = 0; i < skin.n; i++) {
      if (skin.part(i).slab().isPresent()) {
        Slab slab = skin.part(i).slab().orElseThrow();
        walls[i] =
            new SoilColumn(
                SoilColumn.layers(slab.thicknessMetres(), 8, 1.3),
                slab.conductivity(),
                slab.heatPerCubicMetre(),
                0);
        walls[i].lay(massCelsius, behind(skin.part(i), slab, massCelsius, groundCelsius));
        open += skin.part(i).areaSquareMetres();
      }
    }
    for (int i = 0; i < n; i++) {
      sunShare[i] = open > 0 ? tie[i] / InnerMass.INNER_FILM / open : 0;
    }
    for (int i = 0; i < skin.n; i++) {
      wallSun[i] = walls[i] == null ? 0 : skin.part(i).areaSquareMetres() / open;
    }
    floorSun = open > 0 ? area / open : 0;
    edge = house.floor().map(Floor::edgeWattsPerKelvin).orElse(0.0);
    Floor.Soil of = house.floor().map(Floor::soil).orElse(Floor.Soil.GARDEN);
    soil =
        floored
            ? new SoilColumn(Floor.LAYERS, of.conductivity(), of.heat(), of.freezingWater())
            : null;
    if (soil != null) {
      soil.lay(massCelsius, groundCelsius);
    }
    vapour = START_HUMIDITY * MoistAir.saturationDensity(airCelsius);
  }

  /**
   * A wall that is as warm as this within has long been led through from a warmer room behind it,
   * and by earth; before a colder room the sun of the day keeps it as warm as the other masses.
   */
  private static double behind(SkinPart part, Slab slab, double within, double ground) {
    double beyond = part.beyond(within, ground);
    if (!(part.behind() instanceof Behind.Earth) && beyond <= within) {
      return within;
    }
    double rest = part.resistance() + 1 / part.towards();
    return beyond + (within - beyond) * rest / (slab.resistance() + rest);
  }

  /** Heavy walls begin as warm as this all through, where they differ from the floor. */
  HouseModel withWallsAt(double celsius) {
    for (SoilColumn wall : walls) {
      if (wall != null) {
        wall.lay(celsius, celsius);
      }
    }
    return this;
  }

  /**
   * For a simulation whose longest steps are so long: sub-steps of a minute, or of a quarter of
   * them: over a winter in steps of half an hour, the lows of its nights are then no farther from
   * those in steps of a minute than with sub-steps of a minute (0.07 K rms).
   */
  public HouseModel forSteps(double longestSeconds) {
    subStep = Math.max(SUB_STEP, longestSeconds / FEWEST_PARTS);
    return this;
  }

  /** A house without soil. */
  public HouseModel(Greenhouse house, double airCelsius, double massCelsius) {
    this(house, airCelsius, massCelsius, massCelsius);
  }

  /** Moves on by one step without screen, sun or ground. */
  public void step(double seconds, double outdoor, double wind, double cloud, double gainWatts) {
    plain.outdoorCelsius = outdoor;
    plain.windMetresPerSecond = wind;
    plain.skyCelsius = Sky.celsius(outdoor, Double.NaN, cloud);
    plain.gainWatts = gainWatts;
    plain.groundCelsius = soil == null ? 0 : soil.meanTo(Double.MAX_VALUE);
    step(seconds, plain);
  }

  private boolean begun;

  /** Moves on by one step. */
  public void step(double seconds, Step s) {
    double wind = house.windHere(s.windMetresPerSecond);
    int parts = Math.max(1, Math.min(MOST_PARTS, (int) Math.ceil(seconds / subStep - 1e-9)));
    double dt = seconds / parts;
    double outside = outsideVapour(s);
    lostJoules = 0;
    ventedJoules = 0;
    groundJoules = 0;
    fromMassJoules = 0;
    vapourJoules = 0;
    sunJoules = s.sunWatts * seconds;
    if (!begun) {
      skin.start(air, s.outdoorCelsius, s.groundCelsius);
      begun = true;
    }
    for (int k = 0; k < parts; k++) {
      subStep(dt, s, wind, outside);
    }
    shone = felt(skin.n > 0 ? skin.overhead() : air);
    sinceDemand += seconds;
    if (sinceDemand >= DEMAND_EVERY) {
      double held = house.plantLimitCelsius();
      demand = limit.watts(held, held, s, wind, outside, skin);
      sinceDemand = 0;
    }
  }

  static double outsideVapour(Step s) {
    return Double.isNaN(s.outdoorDewCelsius)
        ? OUTDOOR_HUMIDITY * MoistAir.saturationDensity(s.outdoorCelsius)
        : MoistAir.saturationDensity(Math.min(s.outdoorDewCelsius, s.outdoorCelsius));
  }

  private void subStep(double dt, Step s, double wind, double outside) {
    double out = s.outdoorCelsius;
    double draught =
        house.draught(wind, air - out, s.gapsStuffed)
            + s.drawnAir
            + Gap.through(s.doorSquareMetres, air - out, wind);
    double vent = house.vented(air);
    double sunRest = (1 - SUN_TO_AIR) * s.sunWatts;
    skin.behind(out, wind, s.skyCelsius, s.groundCelsius, s.screenDrawn);
    skin.films(air, floor);
    skin.vapour(vapour, floor, house.wetShare(), dt);
    double volume = house.volumeCubicMetres() / dt;
    double fresh = draught + vent;
    double damp =
        (volume * vapour + fresh * outside + skin.vapourPull() + s.vapour)
            / (volume + fresh + skin.vapourTie());
    for (int i = 0; i < walls.length; i++) {
      if (walls[i] != null) {
        walls[i].beyond(skin.k[i], skin.s[i]);
        walls[i].eliminate(dt, 0, 0);
        skin.k[i] = walls[i].conductance();
        skin.s[i] = walls[i].offset() + sunRest * wallSun[i] / skin.area[i];
      }
    }
    skin.linear(floor, s.radiantWatts, damp);
    // floor: Tf = floorByAir Ta + floorFixed
    double floorByAir = 1;
    double floorFixed = 0;
    double into = 0;
    if (soil != null) {
      into = (s.floorWatts + s.pipeWatts) / area;
      soil.beyond(HELD, HELD * s.groundCelsius);
      soil.eliminate(dt, s.floorWatts / area, FOOT_REACH, s.pipeWatts / area, PIPE_REACH);
      double latent = MoistAir.LATENT * skin.floorVapourFilm;
      double all =
          skin.floorFilm
              - radiatingShare * skin.floorByFloor(floor)
              + latent * skin.floorSaturation
              + soil.conductance();
      floorByAir = (skin.floorFilm + radiatingShare * skin.floorByAir()) / all;
      floorFixed =
          (radiatingShare * skin.floorFixed(floor)
                  + sunRest * floorSun / area
                  + latent * (damp - skin.floorSaturated + skin.floorSaturation * floor)
                  + soil.offset())
              / all;
    }
    double ca = house.airCapacity() / dt;
    double loss = fresh * Greenhouse.AIR_HEAT + edge;
    double left = ca + loss - skin.airByAir();
    double gain = s.gainWatts + (skin.n == 0 && soil == null ? s.radiantWatts : 0);
    double right = ca * air + loss * out + gain + SUN_TO_AIR * s.sunWatts + skin.airFixed();
    double byFloor = skin.airByFloor();
    if (soil == null) {
      left -= byFloor;
      right += s.floorWatts + s.pipeWatts;
    } else {
      double open = area * skin.floorFilm;
      left += open - (open + byFloor) * floorByAir;
      right += (open + byFloor) * floorFixed;
    }
    double shares = 0;
    for (int i = 0; i < n; i++) {
      // (c + tie) Tm = c Tm0 + tie Ta + sun
      double c = capacity[i] / dt;
      left += tie[i] - tie[i] * tie[i] / (c + tie[i]);
      right += tie[i] * (c * mass[i] + sunRest * sunShare[i]) / (c + tie[i]);
      shares += sunShare[i];
    }
    if (soil == null && shares == 0) {
      right += sunRest;
    }
    double floorBefore = floor;
    air = right / left;
    floor = soil == null ? air : floorByAir * air + floorFixed;
    skin.settle(air, floor, floorBefore, damp);
    book(dt, s, sunRest, draught, vent, damp, outside, into);
  }

  private static final double HELD = 1e6; // W/(m² K): as good as held at a temperature

  private void book(
      double dt,
      Step s,
      double sunRest,
      double draught,
      double vent,
      double damp,
      double outside,
      double into) {
    double out = s.outdoorCelsius;
    double fromMass = 0;
    for (int i = 0; i < n; i++) {
      double c = capacity[i] / dt;
      double next = (c * mass[i] + tie[i] * air + sunRest * sunShare[i]) / (c + tie[i]);
      fromMass += capacity[i] * (mass[i] - next);
      mass[i] = next;
    }
    double watts = edge * (air - out);
    double dew = 0;
    for (int i = 0; i < skin.n; i++) {
      dew += skin.area[i] * skin.dew[i];
      if (walls[i] == null) {
        watts += skin.area[i] * (skin.k[i] * skin.inner[i] - skin.s[i] + skin.straight(i));
      } else {
        fromMass -= skin.area[i] * walls[i].apply(skin.inner[i]);
        skin.rear(i, walls[i].outBelow());
        watts += skin.area[i] * (walls[i].outBelow() + skin.straight(i));
      }
    }
    double evaporated = 0;
    if (soil != null) {
      fromMass -= area * soil.apply(floor);
      groundJoules += dt * area * soil.outBelow();
      evaporated = area * skin.fromFloorVapour;
    }
    double warmth = Greenhouse.AIR_HEAT * (air - out) + MoistAir.LATENT * (damp - outside); // J/m³
    lostJoules += dt * (watts + draught * warmth);
    ventedJoules += dt * vent * warmth;
    fromMassJoules += fromMass;
    vapour +=
        dt
            / house.volumeCubicMetres()
            * ((draught + vent) * (outside - damp) + evaporated + s.vapour - dew);
    vapourJoules += MoistAir.LATENT * s.vapour * dt;
    skin.wet(dt);
  }

  public double airCelsius() {
    return air;
  }

  /** The first inner mass, or the floor's surface where there is none. */
  public double massCelsius() {
    return n > 0 ? mass[0] : floor;
  }

  /** The floor's surface, or the first inner mass where there is no soil, °C. */
  public double floorCelsius() {
    return soil != null ? floor : massCelsius();
  }

  /** Soil that a store's foot meets, °C; the air where there is none. */
  public double footCelsius() {
    return soil != null ? soil.meanTo(FOOT_REACH) : air;
  }

  /** Soil that pipes in floor or beds meet, °C; the air where there is none. */
  public double bedCelsius() {
    return soil != null ? soil.meanTo(PIPE_REACH) : air;
  }

  /** A part's inner face, °C. */
  public double skinCelsius(int part) {
    return skin.inner[part];
  }

  private double felt(double overhead) {
    return switch (house.keeps()) {
      case PLANTS -> Leaf.celsius(air, overhead, house.stand() == Stand.OPEN ? floor : air);
      case PEOPLE -> (air + (overhead + floor) / 2) / 2; // in still air, ISO 7726
      case THINGS -> air;
    };
  }

  /** What feels the cold beside the air, °C: the outermost leaf, or people in the room. */
  public double shoneOnCelsius() {
    return shone;
  }

  /** What the limit is held against, °C. */
  public double limitedCelsius() {
    return house.keeps() == Keeps.PLANTS ? Math.min(air, shone) : shone;
  }

  /** Vapour over what the air could hold, 0 to 1 and a little beyond in fog. */
  public double humidity() {
    return vapour / MoistAir.saturationDensity(air);
  }

  /** Watts to hold the house's limit in the last step's weather with nothing left in the masses. */
  public double demandWatts() {
    return demand;
  }

  /** Heat lost to outdoors, sky, rooms and earth behind walls in the last step, J. */
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

  /** Latent heat of what flames gave off as vapour in the last step, J. */
  public double vapourJoules() {
    return vapourJoules;
  }

  /** Heat that inner masses, walls and soil gave up in the last step, J. */
  public double fromMassJoules() {
    return fromMassJoules;
  }

  /** Heat content of air with its vapour, masses, walls and soil above 0 °C, J. */
  public double heatContent() {
    double joules =
        house.airCapacity() * air + MoistAir.LATENT * house.volumeCubicMetres() * vapour;
    for (int i = 0; i < n; i++) {
      joules += capacity[i] * mass[i];
    }
    for (int i = 0; i < walls.length; i++) {
      joules += walls[i] == null ? 0 : skin.area[i] * walls[i].heatContent();
    }
    return soil == null ? joules : joules + area * soil.heatContent();
  }
}
