package nightbank.core.house;

import java.util.ArrayList;
import java.util.List;
import nightbank.core.weather.MoistAir;

/**
 * What leaves a house by part at one moment, air and floor held.
 *
 * @param watts all of it
 * @param humidity vapour over what the air could hold
 */
public record HouseLosses(List<Loss> losses, double watts, double humidity) {
  private static final int PASSES = 40;
  private static final int HALVINGS = 24;
  private static final double FLOOR_DEPTH = 2; // m to undisturbed earth
  private static final double DRY = Double.NEGATIVE_INFINITY;

  public HouseLosses {
    losses = List.copyOf(losses);
  }

  /**
   * The moment.
   *
   * @param wind at ten metres, m/s
   * @param ground behind banked walls, °C
   * @param outdoorDew NaN where nobody knows; minus infinity for air without any water, so that
   *     nothing condenses
   */
  public record Conditions(
      double air,
      double floor,
      double outdoor,
      double sky,
      double wind,
      double outdoorDew,
      double ground,
      boolean screen) {}

  /**
   * One way out; skin parts tell how the heat reaches them.
   *
   * @param watts that leave
   * @param convectionWatts from the air to its inner face
   * @param longWaveWatts from the house's surfaces to its inner face
   * @param throughWatts straight through it
   * @param dewWatts brought by what condenses on it
   * @param innerCelsius its inner face; NaN for what is no sheet
   * @param outerCelsius its outer face
   */
  public record Loss(
      Kind kind,
      String name,
      double watts,
      double convectionWatts,
      double longWaveWatts,
      double throughWatts,
      double dewWatts,
      double innerCelsius,
      double outerCelsius) {

    /** Which way. */
    public enum Kind {
      SKIN,
      SHARED_WALL,
      BANKED_WALL,
      DRAUGHT,
      GAP,
      EDGE
    }

    private static Loss plain(Kind kind, String name, double watts) {
      return new Loss(kind, name, watts, watts, 0, 0, 0, Double.NaN, Double.NaN);
    }
  }

  /**
   * Air and floor that nothing heats, left to outdoors, rooms behind walls and the ground long
   * enough, °C: a wind of 2 m/s, the sky as warm as the air, nothing wet.
   */
  public static double atRest(Greenhouse house, double outdoor, double ground) {
    Greenhouse dry = house.withWetShare(0);
    double conducts = house.floor().map(HouseLosses::toGround).orElse(0.0);
    double low = -60;
    double high = 80;
    for (int i = 0; i < HALVINGS; i++) {
      double t = (low + high) / 2;
      Conditions still = new Conditions(t, t, outdoor, outdoor, 2, DRY, ground, false);
      double gone = conducts * (t - ground);
      for (Loss l : at(dry, still).losses()) {
        gone += l.watts();
      }
      if (gone > 0) {
        high = t;
      } else {
        low = t;
      }
    }
    return (low + high) / 2;
  }

  private static double toGround(Floor f) {
    return f.areaSquareMetres() * f.soil().conductivity() / FLOOR_DEPTH;
  }

  private static Loss.Kind kind(Behind behind) {
    if (behind instanceof Behind.Open) {
      return Loss.Kind.SKIN;
    }
    return behind instanceof Behind.Room ? Loss.Kind.SHARED_WALL : Loss.Kind.BANKED_WALL;
  }

  /** All ways out; their sum is {@link #watts}. */
  public static HouseLosses at(Greenhouse house, Conditions c) {
    boolean dry = c.outdoorDew == DRY;
    Greenhouse still = dry ? house.withWetShare(0) : house;
    HouseModel.Step s = new HouseModel.Step();
    s.outdoorCelsius = c.outdoor;
    s.windMetresPerSecond = c.wind;
    s.skyCelsius = c.sky;
    s.outdoorDewCelsius = c.outdoorDew;
    s.groundCelsius = c.ground;
    s.screenDrawn = c.screen;
    double outside = dry ? 0 : HouseModel.outsideVapour(s);
    double wind = house.windHere(c.wind);
    SteadyHouse steady = new SteadyHouse(still);
    double watts = 0;
    for (int k = 0; k < PASSES; k++) {
      watts = steady.watts(c.air, c.floor, s, wind, outside, null);
      steady.skin().wet(600);
    }
    List<Loss> all = new ArrayList<>();
    Enclosure e = steady.skin();
    for (int i = 0; i < e.n; i++) {
      SkinPart p = e.part(i);
      all.add(
          new Loss(
              kind(p.behind()),
              p.name(),
              steady.partWatts(i),
              e.area[i] * e.film[i] * (c.air - e.inner[i]),
              e.area[i] * e.taken(i),
              e.area[i] * e.straight(i),
              e.area[i] * MoistAir.LATENT * e.dew[i],
              e.inner[i],
              e.outer[i]));
    }
    double perCubicMetre =
        Greenhouse.AIR_HEAT * (c.air - c.outdoor) + MoistAir.LATENT * (steady.damp() - outside);
    double tight = still.withGaps(List.of()).draught(wind, c.air - c.outdoor, false);
    all.add(Loss.plain(Loss.Kind.DRAUGHT, "Draught", tight * perCubicMetre));
    for (Gap g : house.gaps()) {
      double flow = g.cubicMetresPerSecond(c.air - c.outdoor, wind);
      all.add(Loss.plain(Loss.Kind.GAP, g.name(), flow * perCubicMetre));
    }
    if (house.floor().isPresent()) {
      all.add(Loss.plain(Loss.Kind.EDGE, "Foundation edge", steady.edgeWatts(c.air - c.outdoor)));
    }
    return new HouseLosses(all, watts, steady.damp() / MoistAir.saturationDensity(c.air));
  }
}
