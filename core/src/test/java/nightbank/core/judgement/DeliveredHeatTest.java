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
import nightbank.core.store.Probe;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreModel;
import nightbank.core.store.model.StoreState;
import nightbank.core.store.model.Surroundings;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** What a water column gave to the house's air, against a simulation that knows. */
public class DeliveredHeatTest {
  private static final long BEGIN = 1_768_910_400L; // a whole ten minutes
  private static final int STEP = 300;
  private static final int N = 24 * 12;

  private final HeatStore column =
      HeatStore.of(
              new Geometry.Cylinder(0.15, 1.5),
              MediumCatalogue.medium("water").orElseThrow(),
              Map.of(
                  FaceName.SIDE, Face.bare(),
                  FaceName.TOP, Face.bare(),
                  FaceName.FOOT, Face.measured(0.6)))
          .withProbes(List.of(new Probe("low", 0.1, 0.2), new Probe("high", 0.1, 0.8)));
  private double[] truth;
  private JudgedRun run;

  @BeforeClass
  void aDayOfAColumnThatTheSunWarmsAtFirst() {
    StoreModel model = StoreModel.of(column, StoreState.uniform(StoreGrid.standard(column), 12));
    model.replace(
        FaceName.SIDE, Face.measured(1)); // wrapped until noon: one fit of faces misses it
    Random dice = new Random(8);
    long[] at = new long[N];
    double[] low = new double[N];
    double[] high = new double[N];
    double[] air = new double[N];
    truth = new double[N];
    for (int i = 0; i < N; i++) {
      at[i] = BEGIN + (long) STEP * i;
      air[i] = i < 60 ? 14 : 5 + 2 * Math.cos(i / 30.0);
      if (i == 72) {
        model.replace(FaceName.SIDE, Face.bare());
      }
      model.step(
          STEP, Surroundings.of(air[i], 8), i > 0 && i < 48 ? 180 + 90 * Math.sin(i / 9.0) : 0);
      low[i] = model.at(0.1, 0.2) + 0.05 * dice.nextGaussian();
      high[i] = model.at(0.1, 0.8) + 0.05 * dice.nextGaussian();
      for (FaceName face : FaceName.values()) {
        truth[i] += DeliveredHeat.reachesHouse(column, face) ? model.faceWatts(face) : 0;
      }
    }
    run =
        RunJudge.judge(
                new RunRecord(
                    column,
                    List.of(new ReadingSeries("low", at, low), new ReadingSeries("high", at, high)),
                    new ReadingSeries("air", at, air),
                    8,
                    0,
                    7,
                    false))
            .orElseThrow();
  }

  @Test
  public void throughTheNightItIsWhatTheContentFellBy() {
    double judged = 0;
    double known = 0;
    for (int i = 90; i < N - 12; i++) {
      judged += run.toHouse()[i];
      known += truth[i];
    }
    assertThat(judged).isCloseTo(known, within(0.06 * known));
  }

  @Test
  public void inEvenStepsItIsTheSameHeat() {
    double[] steps = run.toHouseIn(BEGIN, 600, N / 2);
    double whole = 0;
    for (int i = 1; i < N; i++) {
      whole += run.toHouse()[i] * (run.at()[i] - run.at()[i - 1]);
    }
    double summed = Arrays.stream(steps).filter(w -> !Double.isNaN(w)).map(w -> w * 600).sum();
    assertThat(summed).isCloseTo(whole, within(0.01 * Math.abs(whole) + 600 * 40));
  }

  @Test
  public void beforeAndAfterTheRunNothingIsKnown() {
    double[] steps = run.toHouseIn(BEGIN - 6000, 600, 10);
    assertThat(steps).containsOnly(Double.NaN);
    assertThat(run.toHouseIn(BEGIN + (long) STEP * N + 6000, 600, 3)).containsOnly(Double.NaN);
  }
}
