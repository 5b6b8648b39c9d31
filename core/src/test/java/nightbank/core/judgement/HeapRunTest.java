package nightbank.core.judgement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import nightbank.core.evidence.ReadingSeries;
import nightbank.core.evidence.RunRecord;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.Probe;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreModel;
import nightbank.core.store.model.StoreState;
import nightbank.core.store.model.Surroundings;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A heap that makes known heat all the time, read by two probes. */
public class HeapRunTest {
  private static final double OWN = 320; // W
  private static final long BEGIN = 1_768_900_000L;
  private static final int DAY = 6 * 24; // readings

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

  /** Readings of so many days of a heap that is sixty days old, and what left it, J. */
  private record Lived(long[] at, double[] core, double[] shell, double[] air, double[] lost) {
    RunRecord run(HeatStore heap, int from, int to) {
      return new RunRecord(
          heap,
          List.of(cut("core", core, from, to), cut("shell", shell, from, to)),
          cut("air", air, from, to),
          8,
          0,
          7,
          true);
    }

    private ReadingSeries cut(String channel, double[] celsius, int from, int to) {
      return new ReadingSeries(
          channel, Arrays.copyOfRange(at, from, to), Arrays.copyOfRange(celsius, from, to));
    }

    double lost(int from, int to) {
      return Arrays.stream(lost, from, to).sum();
    }
  }

  private final StoreModel truth =
      StoreModel.of(heap, StoreState.uniform(StoreGrid.standard(heap), 30));
  private Lived lived;

  @BeforeClass
  void live() {
    Random dice = new Random(3);
    for (int i = 0; i < 60 * DAY; i++) {
      truth.step(600, Surroundings.of(2, 8), OWN); // its shape has settled
    }
    int n = DAY * 10;
    lived = new Lived(new long[n], new double[n], new double[n], new double[n], new double[n]);
    for (int i = 0; i < n; i++) {
      lived.at[i] = BEGIN + 600L * i;
      lived.air[i] = 2 + 4 * Math.sin(i / 23.0);
      truth.step(600, Surroundings.of(lived.air[i], 8), OWN);
      lived.core[i] = truth.at(0.1, 0.5) + 0.1 * dice.nextGaussian();
      lived.shell[i] = truth.at(0.7, 0.5) + 0.1 * dice.nextGaussian();
      for (FaceName face : FaceName.values()) {
        lived.lost[i] += truth.faceWatts(face) * 600;
      }
    }
  }

  @Test
  public void whatItMakesIsFoundFromItsCoreAndShellAndNotTakenForTightFaces() {
    int n = DAY * 5;
    JudgedRun run = RunJudge.judge(lived.run(heap, 0, n)).orElseThrow();
    double made = OWN * 600.0 * (n - 1);
    double lost = lived.lost(0, n);
    JudgedRun.Ledger l = run.ledger();
    assertThat(l.charged()).isCloseTo(made, within(0.25 * made));
    assertThat(l.lost() + l.delivered() + l.early()).isCloseTo(lost, within(0.25 * lost));
    assertThat(run.calibration().side().factor()).isBetween(0.6, 1.6);
    assertThat(run.calibration().ends().factor()).isBetween(0.6, 1.6);
    assertThat(run.mean()[n / 2])
        .isCloseTo(truth.meanCelsius(), within(run.meanHalfWidth()[n / 2] + 3));
    assertThat(Math.abs(l.residual())).isLessThan(0.2 * made);
  }

  @DataProvider
  Object[][] descriptions() {
    return new Object[][] {{0.8}, {1.0}, {1.3}};
  }

  @Test(dataProvider = "descriptions")
  public void daysJudgedWithThoseBeforeThemLeaveLessUnaccountedThanAlone(double facesTimes) {
    HeatStore thought = heap.withFacesTimes(facesTimes);
    double together = unaccounted(thought, 4);
    assertThat(together).isLessThan(0.045);
    assertThat(together).isLessThan(0.6 * unaccounted(thought, 0));
  }

  /** Share of what six days made that they leave unaccounted, each judged with so many before. */
  private double unaccounted(HeatStore thought, int before) {
    double made = 0;
    double residual = 0;
    for (int day = 4; day < 10; day++) {
      RunRecord run = lived.run(thought, DAY * (day - before), DAY * (day + 1));
      JudgedRun.Ledger l =
          RunJudge.judge(run.withLedgerFrom(lived.at[DAY * day])).orElseThrow().ledger();
      made += l.charged();
      residual += l.residual();
    }
    return Math.abs(residual) / made;
  }
}
