package nightbank.bench;

import java.util.Map;
import java.util.concurrent.TimeUnit;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.store.model.ConductionStore;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreState;
import nightbank.core.store.model.Surroundings;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OperationsPerInvocation;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** Steps of the store solver on 12 rings by 14 layers, to be set beside solver.c. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class SolverBench {
  private static final int STEPS = 2000;
  private final HeatStore drum =
      HeatStore.of(
          new Geometry.Cylinder(0.35, 0.9),
          MediumCatalogue.medium("dry-sand").orElseThrow(),
          Map.of());
  private final StoreState start =
      StoreState.uniform(new StoreGrid(drum.geometry(), 12, 1, 14), 60);

  @Benchmark
  @OperationsPerInvocation(STEPS)
  public double step() {
    ConductionStore model = new ConductionStore(drum, start);
    for (int i = 0; i < STEPS; i++) {
      model.step(60, Surroundings.of(5, 5), 0);
    }
    return model.meanCelsius();
  }
}
