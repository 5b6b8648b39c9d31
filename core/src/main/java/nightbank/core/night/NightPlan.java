package nightbank.core.night;

import java.util.List;
import nightbank.core.house.Greenhouse;
import nightbank.core.weather.Weather;

/**
 * What is to be simulated: a house, its stores and the weather, from the start for so long.
 *
 * @param airCelsius inside air at the start
 * @param massCelsius inner mass at the start
 * @param groundCelsius deep ground under stores and floor
 */
public record NightPlan(
    Greenhouse house,
    List<NightStore> stores,
    Weather weather,
    double airCelsius,
    double massCelsius,
    double groundCelsius,
    double lengthSeconds,
    double stepSeconds) {
  public NightPlan {
    stores = List.copyOf(stores);
    if (!(lengthSeconds >= 600 && lengthSeconds <= 40 * 86_400.0)) {
      throw new IllegalArgumentException(
          "length must lie between 10 minutes and 40 days, was " + lengthSeconds + " s");
    }
    if (!(stepSeconds >= 1 && stepSeconds <= 900)) {
      throw new IllegalArgumentException(
          "step must lie between 1 and 900 s, was " + stepSeconds + " s");
    }
  }

  /** The same night with no store in the house. */
  public NightPlan withoutStores() {
    return new NightPlan(
        house,
        List.of(),
        weather,
        airCelsius,
        massCelsius,
        groundCelsius,
        lengthSeconds,
        stepSeconds);
  }
}
