package nightbank.core.system;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.function.Function;
import nightbank.core.house.Greenhouse;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.weather.Weather;

/**
 * What is to be simulated: a place, the weather and what is done, from the start for so long.
 *
 * @param airCelsius inside air at the start; of a place without a house the air round its stores
 * @param massCelsius inner masses, walls and floor at the start
 * @param groundCelsius two metres below floor and stores
 * @param stepSeconds longest step; switching and doings part it
 * @param recordSeconds between the moments that are kept, a multiple of nothing in particular
 * @param sunWatts sun that gets into the house at the weather's moments; empty for none
 * @param irradiance on level ground at the weather's moments, W/m²; empty for none
 */
@RecordBuilder
public record SystemPlan(
    PlantSystem system,
    Weather weather,
    double airCelsius,
    double massCelsius,
    double groundCelsius,
    double lengthSeconds,
    double stepSeconds,
    double recordSeconds,
    List<Action> actions,
    double[] sunWatts,
    double[] irradiance) {
  private static final double LONGEST = 400 * 86_400.0;

  public SystemPlan {
    actions = List.copyOf(actions);
    sunWatts = sunWatts.clone();
    irradiance = irradiance.clone();
    if (!(lengthSeconds >= 600 && lengthSeconds <= LONGEST)) {
      throw new IllegalArgumentException(
          "length must lie between 10 minutes and 400 days, was " + lengthSeconds + " s");
    }
    if (!(stepSeconds >= 1 && stepSeconds <= 3600)) {
      throw new IllegalArgumentException(
          "step must lie between 1 and 3600 s, was " + stepSeconds + " s");
    }
    if (!(recordSeconds >= stepSeconds)) {
      throw new IllegalArgumentException("no more can be kept than is reckoned");
    }
    same(sunWatts, weather);
    same(irradiance, weather);
  }

  private static void same(double[] row, Weather weather) {
    if (row.length != 0 && row.length != weather.seconds().length) {
      throw new IllegalArgumentException("sun needs as many values as the weather");
    }
  }

  /** A stretch in which nothing is done and no sun shines; every step is kept. */
  public static SystemPlan of(
      PlantSystem system,
      Weather weather,
      double air,
      double mass,
      double ground,
      double length,
      double step) {
    return SystemPlanBuilder.builder()
        .system(system)
        .weather(weather)
        .airCelsius(air)
        .massCelsius(mass)
        .groundCelsius(ground)
        .lengthSeconds(length)
        .stepSeconds(step)
        .recordSeconds(step)
        .actions(List.of())
        .sunWatts(new double[0])
        .irradiance(new double[0])
        .build();
  }

  public SystemPlan withSystem(PlantSystem other) {
    return SystemPlanBuilder.builder(this).system(other).build();
  }

  public SystemPlan withHouse(Greenhouse other) {
    return SystemPlanBuilder.builder(this).system(system.withHouse(other)).build();
  }

  public SystemPlan withWeather(Weather other) {
    return SystemPlanBuilder.builder(this).weather(other).build();
  }

  public SystemPlan withActions(List<Action> others) {
    return SystemPlanBuilder.builder(this).actions(others).build();
  }

  public SystemPlan withSun(double[] house, double[] level) {
    return SystemPlanBuilder.builder(this).sunWatts(house).irradiance(level).build();
  }

  public SystemPlan withStep(double seconds) {
    return SystemPlanBuilder.builder(this)
        .stepSeconds(seconds)
        .recordSeconds(Math.max(recordSeconds, seconds))
        .build();
  }

  /** The same, ending sooner; what is done only later is left out. */
  public SystemPlan until(double seconds) {
    double length = Math.max(600, Math.min(lengthSeconds, seconds));
    return SystemPlanBuilder.builder(this)
        .lengthSeconds(length)
        .actions(actions.stream().filter(a -> a.fromSeconds() < length).toList())
        .build();
  }

  /** Kept so often and no oftener. */
  public SystemPlan recording(double seconds) {
    return SystemPlanBuilder.builder(this).recordSeconds(seconds).build();
  }

  public SystemPlan startingAt(double air, double mass, double ground) {
    return SystemPlanBuilder.builder(this)
        .airCelsius(air)
        .massCelsius(mass)
        .groundCelsius(ground)
        .build();
  }

  /** The same with every store on the small grid that suffices for many nights at once. */
  public SystemPlan small() {
    return on(s -> StoreGrid.night(s.store()));
  }

  /** The same with every store on another grid. */
  public SystemPlan on(Function<SystemStore, StoreGrid> grid) {
    return withSystem(
        system.withStores(system.stores().stream().map(s -> s.on(grid.apply(s))).toList()));
  }

  /** The same place without stores; see {@link PlantSystem#without}. */
  public SystemPlan withoutStores() {
    return without(id -> true);
  }

  /** The same place without some stores; what was done to what is gone is left out. */
  public SystemPlan without(java.util.function.Predicate<String> gone) {
    PlantSystem rest = system.without(gone);
    return SystemPlanBuilder.builder(this)
        .system(rest)
        .actions(actions.stream().filter(a -> a.of().isBlank() || rest.has(a.of())).toList())
        .build();
  }

  /** The house; a place has one unless stores are looked at alone. */
  public Greenhouse house() {
    return system.house().orElseThrow();
  }
}
