package nightbank.core.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Random;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.Probe;
import nightbank.core.store.StoreGrid;
import nightbank.core.store.StoreModel;
import nightbank.core.store.StoreState;
import org.testng.annotations.Test;

/** A heap that makes known heat all the time, read by two probes. */
public class HeapRunTest {
  private static final double OWN = 320; // W
  private static final long BEGIN = 1_768_900_000L;

  private final HeatStore heap =
      HeatStore.of(
              new Geometry.Cylinder(1.1, 1.2),
              MediumCatalogue.medium("compost").orElseThrow(),
              Map.of(
                  FaceName.SIDE, Face.measured(0.9),
                  FaceName.TOP, Face.measured(0.9),
                  FaceName.FOOT, Face.measured(0.5)))
          .withZone(new HeatedZone(0.9, 0.15, 0.85))
          .withProbes(List.of(new Probe("core", 0.1, 0.5), new Probe("shell", 0.7, 0.5)));

  @Test
  public void whatItMakesIsFoundFromItsCoreAndShellAndNotTakenForTightFaces() {
    StoreModel truth = StoreModel.of(heap, StoreState.uniform(StoreGrid.standard(heap), 30));
    Random dice = new Random(3);
    for (int i = 0; i < 60 * 24 * 6; i++) {
      truth.step(600, 2, 8, OWN); // sixty days: its shape has settled
    }
    int n = 6 * 24 * 5;
    long[] at = new long[n];
    double[] core = new double[n];
    double[] shell = new double[n];
    double[] air = new double[n];
    double lost = 0;
    for (int i = 0; i < n; i++) {
      at[i] = BEGIN + 600L * i;
      air[i] = 2 + 4 * Math.sin(i / 23.0);
      truth.step(600, air[i], 8, OWN);
      core[i] = truth.at(0.1, 0.5) + 0.1 * dice.nextGaussian();
      shell[i] = truth.at(0.7, 0.5) + 0.1 * dice.nextGaussian();
      for (FaceName face : FaceName.values()) {
        lost += truth.faceWatts(face) * 600;
      }
    }
    JudgedRun run =
        RunJudge.judge(
                new RunRecord(
                    heap,
                    List.of(
                        new ReadingSeries("core", at, core), new ReadingSeries("shell", at, shell)),
                    new ReadingSeries("air", at, air),
                    8,
                    0,
                    7,
                    true))
            .orElseThrow();
    System.out.println(
        "CAL "
            + run.calibration()
            + run.ledger()
            + " mean "
            + run.mean()[0]
            + " true "
            + truth.meanCelsius());
    double made = OWN * 600.0 * (n - 1);
    assertThat(run.ledger().charged()).isCloseTo(made, within(0.25 * made));
    JudgedRun.Ledger l = run.ledger();
    assertThat(l.lost() + l.delivered() + l.early()).isCloseTo(lost, within(0.25 * lost));
    assertThat(run.calibration().faces()).isBetween(0.6, 1.6);
    assertThat(run.mean()[n / 2]).isCloseTo(truth.meanCelsius(), within(run.meanHalfWidth() + 3));
    assertThat(Math.abs(run.ledger().residual())).isLessThan(0.2 * made);
  }
}
