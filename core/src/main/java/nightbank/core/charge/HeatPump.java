package nightbank.core.charge;

import nightbank.core.store.StoreModel;
import nightbank.core.store.Surroundings;

/**
 * A heat pump that takes from one store and gives to another. COP = η T_hot/(T_hot - T_cold) in
 * kelvin, with the approach of both exchangers added to the difference. Stops when the cold store's
 * exchanger would ice or when the lift is beyond it. Neglects start-up and defrosting.
 *
 * @param electricWatts drawn while it runs
 * @param share η of Carnot's, 0.3 to 0.5 in small machines
 * @param approachKelvin between store and refrigerant, each side
 * @param coldestCelsius at which the cold side is cut, so that a tank does not freeze
 * @param hottestCelsius that the warm side can reach
 */
public record HeatPump(
    double electricWatts,
    double share,
    double approachKelvin,
    double coldestCelsius,
    double hottestCelsius) {
  public HeatPump {
    if (!(electricWatts > 0 && electricWatts <= 50_000)) {
      throw new IllegalArgumentException(
          "power must lie between 0 and 50000 W, was " + electricWatts);
    }
    if (!(share >= 0.1 && share <= 0.7)) {
      throw new IllegalArgumentException(
          "share of Carnot's must lie between 0.1 and 0.7, was " + share);
    }
    if (!(approachKelvin >= 0 && approachKelvin <= 30)) {
      throw new IllegalArgumentException("approach must lie between 0 and 30 K");
    }
  }

  public static HeatPump usual(double electricWatts) {
    return new HeatPump(electricWatts, 0.4, 5, 2, 55);
  }

  /** Heat to the warm side over electricity; never above 12, which no machine keeps. */
  public double performance(double coldCelsius, double hotCelsius) {
    double hot = hotCelsius + 273.15 + approachKelvin;
    double cold = coldCelsius + 273.15 - approachKelvin;
    return hot <= cold ? 12 : Math.max(1, Math.min(12, share * hot / (hot - cold)));
  }

  /** What a step moved. */
  public record Moved(double hotWatts, double coldWatts, double electricWatts) {}

  /**
   * Runs for one step: heat to the warm store is the electricity and what the cold store gave.
   * Losses of both stores are in their own steps, which this takes.
   */
  public Moved step(double seconds, StoreModel hot, StoreModel cold, Surroundings around) {
    boolean runs = cold.zoneCelsius() > coldestCelsius && hot.zoneCelsius() < hottestCelsius;
    double to = runs ? electricWatts * performance(cold.zoneCelsius(), hot.zoneCelsius()) : 0;
    double electric = runs ? electricWatts : 0;
    hot.step(seconds, around, to);
    cold.step(seconds, around, -(to - electric));
    return new Moved(to, to - electric, electric);
  }
}
