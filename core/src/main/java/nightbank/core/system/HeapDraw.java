package nightbank.core.system;

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
    SystemStore body = new SystemStore(HEAP, CompostHeat.asFed(heap, batches), start);
    SystemPlan alone =
        SystemPlan.of(
            new PlantSystem(
                Optional.empty(),
                List.of(body),
                List.of(
                    new SystemSource("rot", new CompostHeat(HEAP, batches), Control.free(), false)),
                List.of(),
                List.of()),
            still(airCelsius),
            airCelsius,
            airCelsius,
            groundCelsius,
            days * 86_400,
            STEP);
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

  private static Weather still(double celsius) {
    return new Weather(
        new double[] {0}, new double[] {celsius}, new double[] {2}, new double[] {0.5});
  }

  private static boolean keeps(SystemPlan alone, double watts, double keep) {
    FluidCircuit draw =
        new FluidCircuit(
            "draw",
            FluidStream.water(0.5),
            List.of(new CircuitEnd.Exchanger(HEAP, 1e5), new CircuitEnd.Takes(watts)),
            Control.free());
    SystemResult r =
        SystemSimulation.run(alone.withSystem(alone.system().withCircuits(List.of(draw))));
    for (double t : r.stores().get(0).meanCelsius()) {
      if (t < keep) {
        return false;
      }
    }
    return true;
  }
}
