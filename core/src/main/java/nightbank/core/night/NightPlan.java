package nightbank.core.night;

import java.util.List;
import nightbank.core.house.Greenhouse;
import nightbank.core.weather.Weather;

/**
 * What is to be simulated: a house, its stores, the weather and what is done, from the start for so
 * long.
 *
 * @param airCelsius inside air at the start
 * @param massCelsius inner mass and floor at the start
 * @param groundCelsius deep ground under stores and floor
 * @param sunWatts sun that gets into the house at the weather's moments; empty for none
 */
public record NightPlan(
    Greenhouse house,
    List<NightStore> stores,
    Weather weather,
    double airCelsius,
    double massCelsius,
    double groundCelsius,
    double lengthSeconds,
    double stepSeconds,
    List<Action> actions,
    double[] sunWatts) {
  public NightPlan {
    stores = List.copyOf(stores);
    actions = List.copyOf(actions);
    sunWatts = sunWatts.clone();
    if (!(lengthSeconds >= 600 && lengthSeconds <= 40 * 86_400.0)) {
      throw new IllegalArgumentException(
          "length must lie between 10 minutes and 40 days, was " + lengthSeconds + " s");
    }
    if (!(stepSeconds >= 1 && stepSeconds <= 900)) {
      throw new IllegalArgumentException(
          "step must lie between 1 and 900 s, was " + stepSeconds + " s");
    }
    if (sunWatts.length != 0 && sunWatts.length != weather.seconds().length) {
      throw new IllegalArgumentException("sun needs as many values as the weather");
    }
  }

  /** A night in which nothing is done and no sun gets in. */
  public NightPlan(
      Greenhouse house,
      List<NightStore> stores,
      Weather weather,
      double airCelsius,
      double massCelsius,
      double groundCelsius,
      double lengthSeconds,
      double stepSeconds) {
    this(
        house,
        stores,
        weather,
        airCelsius,
        massCelsius,
        groundCelsius,
        lengthSeconds,
        stepSeconds,
        List.of(),
        new double[0]);
  }

  /** The same night with no store in the house, and so nothing done to one. */
  public NightPlan withoutStores() {
    return withStores(List.of());
  }

  /** The same night with other stores; what is done to stores that are gone is left out. */
  public NightPlan withStores(List<NightStore> others) {
    return new NightPlan(
        house,
        others,
        weather,
        airCelsius,
        massCelsius,
        groundCelsius,
        lengthSeconds,
        stepSeconds,
        actions.stream()
            .filter(
                a ->
                    a.storeId().isBlank()
                        || others.stream().anyMatch(s -> s.id().equals(a.storeId())))
            .toList(),
        sunWatts);
  }

  public NightPlan withActions(List<Action> others) {
    return new NightPlan(
        house,
        stores,
        weather,
        airCelsius,
        massCelsius,
        groundCelsius,
        lengthSeconds,
        stepSeconds,
        others,
        sunWatts);
  }

  public NightPlan withHouse(Greenhouse other) {
    return new NightPlan(
        other,
        stores,
        weather,
        airCelsius,
        massCelsius,
        groundCelsius,
        lengthSeconds,
        stepSeconds,
        actions,
        sunWatts);
  }

  public NightPlan withSun(double[] watts) {
    return new NightPlan(
        house,
        stores,
        weather,
        airCelsius,
        massCelsius,
        groundCelsius,
        lengthSeconds,
        stepSeconds,
        actions,
        watts);
  }

  public NightPlan withStep(double seconds) {
    return new NightPlan(
        house,
        stores,
        weather,
        airCelsius,
        massCelsius,
        groundCelsius,
        lengthSeconds,
        seconds,
        actions,
        sunWatts);
  }
}
