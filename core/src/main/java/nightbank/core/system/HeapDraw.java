package nightbank.core.system;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import nightbank.core.source.CompostHeat;
import nightbank.core.store.FluidStream;
import nightbank.core.store.HeatStore;
import nightbank.core.store.model.StoreState;
import nightbank.core.weather.Weather;

/** What can be drawn from a heap day and night without its going cold. */
public final class HeapDraw {
  private static final String HEAP = "heap";
  private static final double STEP = 1800;
  private static final double FINE = 0.5; // W
  private static final double MOST = 1e6;
  private static final int[] RHYTHMS = {0, 14, 10, 7, 5, 4, 3, 2, 1}; // days between loads; 0: none

  private HeapDraw() {}

  /**
   * Largest steady draw that keeps the heap's mean above a temperature for so many days, W; 0 when
   * it falls below of itself.
   */
  public static double largest(
      HeatStore heap,
      StoreState start,
      List<CompostHeat.Batch> batches,
      double keepCelsius,
      double airCelsius,
      double groundCelsius,
      double days) {
    SystemPlan alone = alone(heap, start, batches, airCelsius, groundCelsius, days);
    double low = 0;
    double high = 100;
    while (high < MOST && keeps(alone, high, keepCelsius)) {
      low = high;
      high *= 2;
    }
    for (int i = 0; i < 24 && high - low > FINE; i++) {
      double middle = (low + high) / 2;
      if (keeps(alone, middle, keepCelsius)) {
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
   * @param lowestCelsius of the heap's mean meanwhile
   */
  public record Rhythm(int everyDays, double lowestCelsius) {}

  /**
   * The rarest feeding by like loads that keeps the heap's mean above a temperature under a steady
   * draw for so many days; empty where not even a load a day does. A load is cold when it comes.
   *
   * @param batches what is on it
   * @param load one load, its time not regarded
   */
  public static Optional<Rhythm> rarest(
      HeatStore heap,
      StoreState start,
      List<CompostHeat.Batch> batches,
      CompostHeat.Batch load,
      double watts,
      double keepCelsius,
      double airCelsius,
      double groundCelsius,
      int days) {
    for (int every : RHYTHMS) {
      List<CompostHeat.Batch> all = new ArrayList<>(batches);
      for (int d = 0; every > 0 && d < days; d += every) {
        all.add(load.at(d * 86_400.0 + STEP));
      }
      SystemPlan alone = alone(heap, start, all, airCelsius, groundCelsius, days);
      double lowest = lowest(alone, watts);
      if (lowest >= keepCelsius) {
        return Optional.of(new Rhythm(every, lowest));
      }
    }
    return Optional.empty();
  }

  private static SystemPlan alone(
      HeatStore heap,
      StoreState start,
      List<CompostHeat.Batch> batches,
      double airCelsius,
      double groundCelsius,
      double days) {
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
        days * 86_400,
        STEP);
  }

  private static Weather still(double celsius) {
    return new Weather(
        new double[] {0}, new double[] {celsius}, new double[] {2}, new double[] {0.5});
  }

  private static boolean keeps(SystemPlan alone, double watts, double keep) {
    return lowest(alone, watts) >= keep;
  }

  /** Of the heap's mean, °C. */
  private static double lowest(SystemPlan alone, double watts) {
    FluidCircuit draw =
        new FluidCircuit(
            "draw",
            FluidStream.water(0.5),
            List.of(new CircuitEnd.Exchanger(HEAP, 1e5), new CircuitEnd.Takes(watts)),
            Control.free());
    SystemResult r =
        SystemSimulation.run(alone.withSystem(alone.system().withCircuits(List.of(draw))));
    return Arrays.stream(r.stores().get(0).meanCelsius()).min().orElseThrow();
  }
}
