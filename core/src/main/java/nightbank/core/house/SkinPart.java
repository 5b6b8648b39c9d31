package nightbank.core.house;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Optional;

/**
 * One part of a house's skin. Its films and long waves are reckoned by temperature at every moment;
 * what is kept here is the sheet itself.
 *
 * @param areaSquareMetres outer area
 * @param resistance of the solid alone, without films, m² K/W; 0 for film
 * @param dry long waves while it is dry
 * @param wet the same while its inside is wet
 * @param skyView share of the half-space above that is sky: 1 a flat roof, 0.5 a wall, 0 none
 * @param solarShare share of the sun on it that gets in, angle and dirt included; 0 opaque
 * @param tiltDegrees 0 lies flat, 90 stands upright
 * @param azimuthDegrees way it looks, clockwise from north
 * @param behind open air, a room, earth
 * @param screenResistance m² K/W that a night screen adds when drawn, 0.15 to 0.35; 0 without one
 * @param slab a heavy wall's body on the house's side of the resistance
 * @param heatFactor by which nights have shown its loss to differ from the description, 1 at first
 */
@RecordBuilder
public record SkinPart(
    String name,
    double areaSquareMetres,
    double resistance,
    Optics dry,
    Optics wet,
    double skyView,
    double solarShare,
    double tiltDegrees,
    double azimuthDegrees,
    Behind behind,
    double screenResistance,
    Optional<Slab> slab,
    double heatFactor) {

  static final double MOST_FACTOR = 60;
  private static final double ROOM_FILM = 7.69; // W/(m² K) behind a shared wall, ISO 6946
  private static final double NEAR_EARTH = 0.4; // m that follow within days

  /**
   * Films that a tabled U is given with: convection at 4 m/s and in still air, ISO 6946, EN 673.
   */
  private static final double TABLED_OUTER = 20; // W/(m² K)

  private static final double TABLED_INNER = 3.6; // W/(m² K)
  private static final double TABLED_RADIATIVE = 5.15; // 4 σ T³ at 10 °C, W/(m² K)
  private static final double MOST_TRANSMITTANCE = 20; // W/(m² K)
  private static final double SINGLE = 0.5; // what lets more through is one thin sheet
  private static final double SECOND_SKIN = 0.16; // m² K/W, still-air gap of 10 to 20 mm, ISO 6946
  private static final double SNOW = 0.1; // W/(m K), some days old (0.05 fresh to 0.3 wet)

  public SkinPart {
    within("area", areaSquareMetres, 1e-9, 20_000, "m²");
    within("resistance", resistance, 0, 50, "m² K/W");
    share("sky view", skyView);
    share("share of sun let in", solarShare);
    within("a screen's resistance", screenResistance, 0, 2, "m² K/W");
    within("factor on the loss", heatFactor, 1e-3, MOST_FACTOR, "");
  }

  private static void share(String what, double value) {
    if (!(value >= 0 && value <= 1)) {
      throw new IllegalArgumentException(what + " must lie in 0 to 1, was " + value);
    }
  }

  private static void within(String what, double v, double low, double high, String unit) {
    if (!(v >= low && v <= high)) {
      throw new IllegalArgumentException(
          what + " must lie between " + low + " and " + high + " " + unit + ", was " + v);
    }
  }

  /** An opaque upright part in the open air by its tabled U. */
  public static SkinPart of(String name, double areaSquareMetres, double transmittance) {
    return sheet(name, areaSquareMetres, Optics.OPAQUE, transmittance);
  }

  /**
   * A sheet by its tabled U: what the films of the table's conditions leave is the solid. A U above
   * what a sheet without any resistance has is taken as so much more loss all over.
   */
  public static SkinPart sheet(String name, double area, Optics optics, double transmittance) {
    within("U", transmittance, 1e-3, MOST_TRANSMITTANCE, "W/(m² K)");
    double bare = tabled(0, optics);
    double more = transmittance > 1.15 * bare ? transmittance / bare : 1;
    return SkinPartBuilder.builder()
        .name(name)
        .areaSquareMetres(area)
        .resistance(solid(transmittance, optics))
        .dry(optics)
        .wet(optics.wet())
        .skyView(openSky(90))
        .solarShare(0)
        .tiltDegrees(90)
        .azimuthDegrees(180)
        .behind(Behind.OPEN)
        .screenResistance(0)
        .slab(Optional.empty())
        .heatFactor(more)
        .build();
  }

  private static double solid(double transmittance, Optics o) {
    double through = o.through() * TABLED_RADIATIVE;
    return o.through() > SINGLE || transmittance <= through
        ? 0
        : Math.max(0, 1 / (transmittance - through) - films(o));
  }

  private static double films(Optics o) {
    return 1 / (TABLED_INNER + o.emissivityIn() * TABLED_RADIATIVE)
        + 1 / (TABLED_OUTER + o.emissivityOut() * TABLED_RADIATIVE);
  }

  private static double tabled(double resistance, Optics o) {
    return o.through() * TABLED_RADIATIVE + 1 / (films(o) + resistance);
  }

  /** U under the conditions that tables are made for, W/(m² K). */
  public double transmittance() {
    double slabbed = resistance + slab.map(Slab::resistance).orElse(0.0);
    return heatFactor * tabled(slabbed, dry);
  }

  /** The same part letting in so much of the sun. */
  public SkinPart sunny(double share) {
    return with(dry, wet, skyView, share, tiltDegrees, azimuthDegrees);
  }

  /** The same part looking that way, the open sky above it. */
  public SkinPart facing(double tilt, double azimuth) {
    return with(dry, wet, openSky(tilt), solarShare, tilt, azimuth);
  }

  /** The same part seeing so much of the sky, 0 where something stands close before it. */
  public SkinPart seeing(double sky) {
    return with(dry, wet, sky, solarShare, tiltDegrees, azimuthDegrees);
  }

  /** The same part with other long-wave optics, wet and dry. */
  public SkinPart shining(Optics whileDry, Optics whileWet) {
    return with(whileDry, whileWet, skyView, solarShare, tiltDegrees, azimuthDegrees);
  }

  private SkinPart with(Optics d, Optics w, double sky, double sun, double tilt, double azimuth) {
    return SkinPartBuilder.builder(this)
        .dry(d)
        .wet(w)
        .skyView(sky)
        .solarShare(sun)
        .tiltDegrees(tilt)
        .azimuthDegrees(azimuth)
        .build();
  }

  /** The same part with a room of this temperature behind it; no sky, no wind. */
  public SkinPart against(double celsius) {
    return against(new Behind.Room(celsius));
  }

  /**
   * The same part with earth behind it; the nearest of it warms and cools with the wall, unless the
   * wall is heavy itself.
   *
   * @param depthMetres of the part's middle below the surface
   */
  public SkinPart banked(double depthMetres) {
    Floor.Soil soil = Floor.Soil.GARDEN;
    double wall = resistance + slab.map(Slab::resistance).orElse(0.0);
    Behind.Earth earth = Behind.Earth.at(depthMetres, wall, soil);
    if (slab.isPresent()) {
      return against(earth);
    }
    double near = Math.min(NEAR_EARTH, 0.8 * earth.resistance() * soil.conductivity());
    Slab body = new Slab(near, soil.conductivity(), soil.heat());
    Behind rest = new Behind.Earth(earth.resistance() - body.resistance());
    return solid(resistance, screenResistance, Optional.of(body), heatFactor).against(rest);
  }

  private SkinPart against(Behind what) {
    return SkinPartBuilder.builder(this)
        .dry(Optics.OPAQUE)
        .wet(Optics.OPAQUE)
        .skyView(0)
        .solarShare(0)
        .behind(what)
        .screenResistance(0)
        .build();
  }

  public SkinPart screened(double screen) {
    return solid(resistance, screen, slab, heatFactor);
  }

  /** The same part with so much heat going through it more, or less. */
  public SkinPart times(double factor) {
    return solid(resistance, screenResistance, slab, heatFactor * factor);
  }

  /**
   * The same part as a heavy wall: its body towards the house, the rest of the resistance behind.
   */
  public SkinPart massive(Slab body) {
    return solid(
        Math.max(0, resistance - body.resistance()),
        screenResistance,
        Optional.of(body),
        heatFactor);
  }

  /** The same part with another resistance of the solid. */
  public SkinPart resisting(double squareMetreKelvinPerWatt) {
    return solid(squareMetreKelvinPerWatt, screenResistance, slab, heatFactor);
  }

  private SkinPart solid(double r, double screen, Optional<Slab> body, double factor) {
    return SkinPartBuilder.builder(this)
        .resistance(r)
        .screenResistance(screen)
        .slab(body)
        .heatFactor(factor)
        .build();
  }

  /** The same part with film or bubble sheet hung inside it. */
  public SkinPart withSecondSkin() {
    SkinPart thicker = resisting(resistance + SECOND_SKIN);
    return thicker.shining(dry.behind(Optics.FILM), wet.behind(Optics.WET_FILM));
  }

  /** The same part under snow, which no long wave passes. */
  public SkinPart underSnow(double metres) {
    within("snow", metres, 0, 2, "m");
    if (metres == 0 || shared() || tiltDegrees > 70) {
      return this;
    }
    return resisting(resistance + metres / SNOW)
        .shining(new Optics(0, dry.emissivityIn(), 0.95), new Optics(0, wet.emissivityIn(), 0.95));
  }

  /** Share of sky in what a plane in the open sees, a tenth of it hidden: 0.9 (1 + cos tilt)/2. */
  public static double openSky(double tiltDegrees) {
    return 0.9 * (1 + Math.cos(Math.toRadians(tiltDegrees))) / 2;
  }

  /** Whether a room or earth lies behind it and not the open air. */
  public boolean shared() {
    return !(behind instanceof Behind.Open);
  }

  /** What it gives to in the end, °C. */
  double beyond(double outdoorCelsius, double groundCelsius) {
    if (behind instanceof Behind.Room room) {
      return room.celsius();
    }
    return behind instanceof Behind.Earth ? groundCelsius : outdoorCelsius;
  }

  /** From its outer face to what lies behind a shared wall, W/(m² K). */
  double towards() {
    return behind instanceof Behind.Earth earth ? 1 / earth.resistance() : ROOM_FILM;
  }
}
