package nightbank.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import nightbank.core.house.Floor;
import nightbank.core.house.Gap;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.InnerMass;
import nightbank.core.house.SkinPart;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.night.Action;
import nightbank.core.night.Advice;
import nightbank.core.night.NightForecast;
import nightbank.core.night.NightPlan;
import nightbank.core.night.NightResult;
import nightbank.core.night.NightSimulation;
import nightbank.core.night.NightStore;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Place;
import nightbank.core.store.StoreGrid;
import nightbank.core.store.StoreState;
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
  private final NightPlan plan = plan(14 * 3600.0);
  private final NightPlan twice = plan(28 * 3600.0);
  private final NightPlan quick = plan.withStep(120);

  private static NightPlan plan(double length) {
    List<NightStore> stores = new ArrayList<>();
    for (String medium : new String[] {"dry-sand", "granite", "soil"}) {
      HeatStore store =
          HeatStore.of(
                  new Geometry.Cylinder(0.35, 0.9),
                  MediumCatalogue.medium(medium).orElseThrow(),
                  Map.of())
              .withPlace(Place.onHouseFloor());
      stores.add(
          new NightStore(
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
    return new NightPlan(
        house,
        stores,
        Weather.typed(2, -7, length - 3600, 2, 0.3, length),
        9,
        8,
        7,
        length,
        60,
        List.of(new Action(Action.Kind.FIRE, "granite", 3600, length, 6)),
        new double[0]);
  }

  @Benchmark
  public NightResult oneNight() {
    return NightSimulation.run(plan);
  }

  /** Twice as long: what it allocates more than {@link #oneNight} is what the loop allocates. */
  @Benchmark
  public NightResult oneNightTwiceAsLong() {
    return NightSimulation.run(twice);
  }

  @Benchmark
  public NightForecast ensembleOf200() {
    return NightForecast.of(quick, NightForecast.Doubt.ofTypedNight(), 200);
  }

  @Benchmark
  public Advice advice() {
    List<Action> fires = new ArrayList<>();
    for (double kg = 2; kg <= 12; kg += 2) {
      fires.add(new Action(Action.Kind.FIRE, "granite", 3600, 14 * 3600, kg));
    }
    return Advice.find(
        quick.withActions(List.of()),
        List.of(
            new Advice.Option(List.of(new Action(Action.Kind.SCREEN, "", 0, 14 * 3600, 0))),
            new Advice.Option(fires),
            new Advice.Option(List.of(new Action(Action.Kind.COVER, "", 0, 14 * 3600, 0)))),
        1.0);
  }
}
