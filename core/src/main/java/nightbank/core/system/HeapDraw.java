package nightbank.core.system;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.DoubleStream;
import nightbank.core.source.CompostHeat;
import nightbank.core.store.FluidStream;
import nightbank.core.store.HeatStore;
import nightbank.core.store.model.StoreState;
import nightbank.core.weather.Weather;

/**
 * A heap alone under a steady draw: what can be taken from it day and night without its going cold,
 * how it must be fed for more, and how warm it is inside meanwhile, where its loop lies. Still air
 * and ground throughout.
 *
 * @param batches what is on it and what is to come
 * @param keepCelsius that it is to stay above inside, on the mean of its heated zone
 */
public record HeapDraw(
    HeatStore heap,
    StoreState start,
    List<CompostHeat.Batch> batches,
    double keepCelsius,
    double airCelsius,
    double groundCelsius,
    int days) {
  private static final String HEAP = "heap";
  private static final double STEP = 1800;
  private static final double KEPT = 6 * 3600;
  private static final double FINE = 0.5; // W
  private static final double MOST = 1e6;
  private static final double FLOW = 0.5; // kg/s, so that all of its zone is drawn from
  private static final int[] RHYTHMS = {0, 14, 10, 7, 5, 4, 3, 2, 1}; // days between loads; 0: none

  public HeapDraw {
    batches = List.copyOf(batches);
  }

  /** Largest steady draw that keeps it, W; 0 when it falls below of itself. */
  public double largest() {
    SystemPlan alone = alone();
    double low = 0;
    double high = 100;
    while (high < MOST && keeps(alone, high)) {
      low = high;
      high *= 2;
    }
    for (int i = 0; i < 24 && high - low > FINE; i++) {
      double middle = (low + high) / 2;
      if (keeps(alone, middle)) {
        low = middle;
      } else {
        high = middle;
      }
    }
    return low;
  }

  /**
   * A rhythm of feeding.
   *
   * @param everyDays between loads, the first at once; 0 where none is needed
   * @param lowestCelsius inside meanwhile
   */
  public record Rhythm(int everyDays, double lowestCelsius) {}

  /**
   * The rarest feeding by like loads that keeps it under a draw; empty where not even a load a day
   * does. A load is cold when it comes.
   *
   * @param load one load, its time not regarded
   */
  public Optional<Rhythm> rarest(CompostHeat.Batch load, double watts) {
    for (int every : RHYTHMS) {
      double lowest = lowest(fed(load, every).alone(), watts);
      if (lowest >= keepCelsius) {
        return Optional.of(new Rhythm(every, lowest));
      }
    }
    return Optional.empty();
  }

  /** The same with like loads to come, every so many days from now on; 0 for none. */
  public HeapDraw fed(CompostHeat.Batch load, int everyDays) {
    List<CompostHeat.Batch> all = new ArrayList<>(batches);
    for (int d = 0; everyDays > 0 && d < days; d += everyDays) {
      all.add(load.at(d * 86_400.0 + STEP));
    }
    return with(all);
  }

  /** The same with so many times as much in it that can burn. */
  public HeapDraw burning(double times) {
    return with(batches.stream().map(b -> b.burning(times)).toList());
  }

  private HeapDraw with(List<CompostHeat.Batch> other) {
    return new HeapDraw(heap, start, other, keepCelsius, airCelsius, groundCelsius, days);
  }

  /**
   * Through its days under a draw.
   *
   * @param seconds from now
   * @param insideCelsius on the mean of its heated zone
   */
  public record Course(double[] seconds, double[] insideCelsius) {}

  public Course course(double watts) {
    return drawn(alone().recording(KEPT), watts);
  }

  private SystemPlan alone() {
    SystemStore body = new SystemStore(HEAP, CompostHeat.asFed(heap, batches), start);
    return SystemPlan.of(
        new PlantSystem(
            Optional.empty(),
            List.of(body),
            List.of(new SystemSource("rot", new CompostHeat(HEAP, batches), Control.free(), false)),
            List.of(),
            List.of()),
        still(airCelsius),
        airCelsius,
        airCelsius,
        groundCelsius,
        days * 86_400.0,
        STEP);
  }

  private static Weather still(double celsius) {
    return new Weather(
        new double[] {0}, new double[] {celsius}, new double[] {2}, new double[] {0.5});
  }

  private boolean keeps(SystemPlan alone, double watts) {
    return lowest(alone, watts) >= keepCelsius;
  }

  private static double lowest(SystemPlan alone, double watts) {
    return Arrays.stream(drawn(alone, watts).insideCelsius()).min().orElseThrow();
  }

  private static List<FluidCircuit> loop(double watts) {
    if (watts <= 0) {
      return List.of();
    }
    return List.of(
        new FluidCircuit(
            "draw",
            FluidStream.water(FLOW),
            List.of(new CircuitEnd.Exchanger(HEAP, 1e5), new CircuitEnd.Takes(watts)),
            Control.free()));
  }

  private static Course drawn(SystemPlan alone, double watts) {
    DoubleStream.Builder seconds = DoubleStream.builder();
    DoubleStream.Builder inside = DoubleStream.builder();
    SystemSimulation.run(
        alone.withSystem(alone.system().withCircuits(loop(watts))),
        (at, stores) -> {
          seconds.add(at);
          inside.add(stores.get(0).zoneCelsius());
        });
    return new Course(seconds.build().toArray(), inside.build().toArray());
  }
}
