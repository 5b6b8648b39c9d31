package nightbank.core.judgement;

import nightbank.core.forecast.NightForecast;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.HouseModel;
import nightbank.core.weather.Weather;

/**
 * What a house's air can have come to in hours that nobody read, by the house's own model: from
 * stores that gave nothing more and a house that loses as much as a description may be wrong by, to
 * stores that went on giving what held the air where it was read last. Neglects doors, fires and
 * screens of those hours, and stores that were charged meanwhile.
 */
public final class UnreadHours {
  /** Read so long before dusk still tells, s: the sun gives little in its last hours (estimate). */
  public static final double BEFORE_DUSK = 7200;

  private static final double STEP = 600; // s
  private static final double HELD_FOR = 1800; // s over which the stores' giving is told
  private static final double MOST_EXCESS = 100; // K over outdoors that stores are thought to hold
  private static final int HALVINGS = 30;

  private final Greenhouse house;
  private final Weather weather;
  private final double air;
  private final double mass;
  private final double ground;

  private UnreadHours(Greenhouse house, Weather weather, double air, double mass, double ground) {
    this.house = house;
    this.weather = weather;
    this.air = air;
    this.mass = mass;
    this.ground = ground;
  }

  /** Where a low lies, °C. */
  public record Range(double low, double high) {}

  /**
   * The range of the low.
   *
   * @param weather from the last reading on
   * @param airCelsius as it was read last
   * @param massCelsius of walls and floor then
   * @param seconds until it was read again, or the night was over
   */
  public static Range of(
      Greenhouse house,
      Weather weather,
      double airCelsius,
      double massCelsius,
      double groundCelsius,
      double seconds) {
    NightForecast.Doubt doubt = NightForecast.Doubt.ofTypedNight();
    Greenhouse leaky = house.scaled(Math.exp(doubt.skinFactor()), Math.exp(doubt.leakFactor()));
    UnreadHours described = new UnreadHours(house, weather, airCelsius, massCelsius, groundCelsius);
    UnreadHours worse = new UnreadHours(leaky, weather, airCelsius, massCelsius, groundCelsius);
    double low = worse.walk(seconds, 0).lowest();
    double high = described.walk(seconds, described.holding()).lowest();
    return new Range(
        Math.min(low, airCelsius) - PastNight.DOUBT, Math.max(low, high) + PastNight.DOUBT);
  }

  /**
   * W that hold the air where it is for half an hour, by halving; none where it warms by itself.
   */
  private double holding() {
    double least = 0;
    double most = MOST_EXCESS * house.lossCoefficient(Weather.USUAL_WIND);
    for (int i = 0; i < HALVINGS; i++) {
      double half = 0.5 * (least + most);
      if (walk(HELD_FOR, half).last() < air) {
        least = half;
      } else {
        most = half;
      }
    }
    return least;
  }

  private record Walked(double lowest, double last) {}

  /** The air from the last reading on, with so much steady heat. */
  private Walked walk(double seconds, double watts) {
    HouseModel model = new HouseModel(house, air, mass, ground);
    HouseModel.Step now = new HouseModel.Step();
    double lowest = air;
    for (double at = 0; at < seconds; at += STEP) {
      step(model, now, at, Math.min(STEP, seconds - at), watts);
      lowest = Math.min(lowest, model.airCelsius());
    }
    return new Walked(lowest, model.airCelsius());
  }

  private void step(
      HouseModel model, HouseModel.Step now, double at, double seconds, double watts) {
    double end = at + seconds;
    now.outdoorCelsius = weather.outdoorAt(end);
    now.windMetresPerSecond = weather.windAt(end);
    now.skyCelsius = weather.skyAt(end);
    now.outdoorDewCelsius = weather.dewPointAt(end);
    now.groundCelsius = ground;
    now.radiantWatts = HouseModel.RADIANT * watts;
    now.gainWatts = watts - now.radiantWatts;
    model.step(seconds, now);
  }
}
