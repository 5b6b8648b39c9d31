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

  public HouseLosses {
    losses = List.copyOf(losses);
  }

  /**
   * The moment.
   *
   * @param wind at ten metres, m/s
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
      DRAUGHT,
      GAP,
      EDGE
    }

    private static Loss plain(Kind kind, String name, double watts) {
      return new Loss(kind, name, watts, watts, 0, 0, 0, Double.NaN, Double.NaN);
    }
  }

  /** All ways out; their sum is {@link #watts}. */
  public static HouseLosses at(Greenhouse house, Conditions c) {
    boolean dry = c.outdoorDew == Double.NEGATIVE_INFINITY;
    Greenhouse still = dry ? house.withWetShare(0) : house;
    HouseModel.Step s = new HouseModel.Step();
    s.outdoorCelsius = c.outdoor;
    s.windMetresPerSecond = c.wind;
    s.skyCelsius = c.sky;
    s.outdoorDewCelsius = c.outdoorDew;
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
              p.shared() ? Loss.Kind.SHARED_WALL : Loss.Kind.SKIN,
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
