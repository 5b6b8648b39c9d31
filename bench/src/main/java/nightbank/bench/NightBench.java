package nightbank.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import nightbank.core.forecast.Advice;
import nightbank.core.forecast.NightForecast;
import nightbank.core.forecast.Possible;
import nightbank.core.house.Floor;
import nightbank.core.house.Gap;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.InnerMass;
import nightbank.core.house.SkinPart;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.source.Hearth;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Place;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreState;
import nightbank.core.system.Action;
import nightbank.core.system.Control;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemResult;
import nightbank.core.system.SystemSimulation;
import nightbank.core.system.SystemSource;
import nightbank.core.system.SystemStore;
import nightbank.core.weather.Weather;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** One night of 14 hours at 60 s: a house with soil and three stores of 8 × 10 cells. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class NightBench {
  private final SystemPlan plan = plan(14 * 3600.0);
  private final SystemPlan twice = plan(28 * 3600.0);
  private final SystemPlan quick = plan.withStep(120);
  private final SystemPlan week = plan(7 * 86_400.0).withStep(600).small();

  private static SystemPlan plan(double length) {
    List<SystemStore> stores = new ArrayList<>();
    for (String medium : new String[] {"dry-sand", "granite", "soil"}) {
      HeatStore store =
          HeatStore.of(
                  new Geometry.Cylinder(0.35, 0.9),
                  MediumCatalogue.medium(medium).orElseThrow(),
                  Map.of())
              .withPlace(Place.onHouseFloor());
      stores.add(
          new SystemStore(
              medium, store, StoreState.uniform(new StoreGrid(store.geometry(), 8, 1, 10), 60)));
    }
    Greenhouse house =
        Greenhouse.of(
                List.of(
                    SkinPart.of("roof", 31, 3.3).seeing(0.9).sunny(0.6)
                        .facing(20, 180)
                        .screened(0.2),
                    SkinPart.of("front", 16, 3.3).seeing(0.45).sunny(0.6),
                    SkinPart.of("ends", 15, 3.3).seeing(0.45).sunny(0.6),
                    SkinPart.of("back", 27, 1.6).seeing(0)),
                69,
                1,
                2)
            .withMasses(List.of(new InnerMass(1.2e7, 400)))
            .withGaps(List.of(new Gap("door", 6, 0.004)))
            .withFloor(new Floor(28, 15, 0.8));
    SystemSource hearth =
        new SystemSource(
            "hearth",
            Hearth.bench().fire(List.of("granite"), false, List.of()),
            Control.free(),
            true);
    return SystemPlan.of(
            PlantSystem.of(house, stores).withSources(List.of(hearth)),
            Weather.typed(2, -7, length - 3600, 2, 0.3, length),
            9,
            8,
            7,
            length,
            60)
        .withActions(List.of(Action.load("hearth", 3600, 6)));
  }

  @Benchmark
  public SystemResult oneNight() {
    return SystemSimulation.run(plan);
  }

  /** Twice as long: what it allocates more than {@link #oneNight} is what the loop allocates. */
  @Benchmark
  public SystemResult oneNightTwiceAsLong() {
    return SystemSimulation.run(twice);
  }

  @Benchmark
  public NightForecast ensembleOf200() {
    return NightForecast.of(quick, NightForecast.Doubt.ofTypedNight(), 200);
  }

  /** A week of three stores, as the nights ahead are reckoned. */
  @Benchmark
  public SystemResult oneWeek() {
    return SystemSimulation.run(week);
  }

  /** What, how much and when, made sure by an ensemble of 64, as a page is answered. */
  @Benchmark
  public Advice advice() {
    SystemPlan bare = quick.withActions(List.of()).small();
    return Advice.find(
        bare,
        Possible.options(bare, Possible.in(bare.system(), true), 3600),
        NightForecast.Doubt.ofTypedNight());
  }
}
