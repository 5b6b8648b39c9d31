package nightbank.bench;

import java.util.List;
import java.util.Map;
import java.util.Random;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.store.model.ConductionStore;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.Probe;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreState;
import nightbank.core.store.model.Surroundings;

/**
 * Readings of a sand bin that is charged for five hours a day, as its own conduction gives them:
 * three thermometers inside and one in the air. Printed as {@code minute,thermometer,celsius}.
 */
public final class BinWinter {
  static final double WATTS = 900;
  static final double GROUND = 8;
  static final HeatStore BIN =
      HeatStore.of(
              new Geometry.Box(1, 0.7, 0.7),
              MediumCatalogue.medium("dry-sand").orElseThrow(),
              Map.of())
          .withZone(new HeatedZone(0.4, 0.2, 0.8))
          .withProbes(
              List.of(
                  new Probe("1", 0.2, 0.5), new Probe("2", 0.4, 0.5), new Probe("3", 0.6, 0.5)));

  /** What comes of a minute. */
  interface Minute {
    void read(int minute, double[] celsius);
  }

  private BinWinter() {}

  static void live(int days, Minute each) {
    ConductionStore model =
        new ConductionStore(BIN, StoreState.uniform(new StoreGrid(BIN.geometry(), 8, 8, 14), 20));
    Random noise = new Random(5);
    double[] celsius = new double[4];
    for (int i = 0; i < days * 1440; i++) {
      celsius[3] = 3 + 5 * Math.sin(i / 229.0) + 3 * Math.sin(i / 3000.0);
      model.step(60, Surroundings.of(celsius[3], GROUND), i % 1440 < 300 ? WATTS : 0);
      for (int p = 0; p < 3; p++) {
        Probe probe = BIN.probes().get(p);
        celsius[p] =
            model.at(probe.radiusFraction(), probe.heightFraction()) + 0.1 * noise.nextGaussian();
      }
      each.read(i, celsius);
    }
  }

  public static void main(String[] args) {
    StringBuilder out = new StringBuilder();
    live(
        Integer.parseInt(args[0]),
        (minute, celsius) -> {
          for (int p = 0; p < 4; p++) {
            out.append(minute).append(',').append(p + 1).append(',');
            out.append(Math.round(100 * celsius[p]) / 100.0).append('\n');
          }
        });
    System.out.print(out);
  }
}
