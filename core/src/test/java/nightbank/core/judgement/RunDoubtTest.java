package nightbank.core.judgement;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import nightbank.core.evidence.ReadingSeries;
import nightbank.core.evidence.RunRecord;
import nightbank.core.fit.CoolDownFit;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.Place;
import nightbank.core.store.Probe;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreModel;
import nightbank.core.store.model.StoreState;
import nightbank.core.store.model.Surroundings;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Intervals cover what made-up bins truly did, whatever their owners think of their covers. */
public class RunDoubtTest {
  private static final int STEP = 600;
  private static final int CHARGED = 6 * 6;
  private static final int N = 48 * 6;
  private static final double WATTS = 900;

  /** What one bin did, and what was said of it. */
  private record Said(boolean tauCovered, double meansCovered, double tauWidth) {}

  /** Hours for which they were charged and cooled before anybody read them; bins; covered. */
  @DataProvider
  Object[][] before() {
    return new Object[][] {{0, 40, 34}, {14, 20, 17}};
  }

  @Test(dataProvider = "before")
  public void coverTheTruth(int hours, int bins, int covered) {
    List<Said> said =
        IntStream.range(0, bins).parallel().mapToObj(seed -> live(seed, hours * 6)).toList();
    assertThat(said.stream().filter(Said::tauCovered).count())
        .as("time constants inside their 95 %% intervals, of %d", bins)
        .isGreaterThanOrEqualTo(covered);
    assertThat(said.stream().mapToDouble(Said::meansCovered).average().orElseThrow())
        .as("share of moments with the mean inside its interval")
        .isGreaterThan(0.9);
    assertThat(said.stream().mapToDouble(Said::tauWidth).average().orElseThrow())
        .as("an interval that says something, high over low")
        .isLessThan(1.5);
  }

  private static HeatStore bin(double side, double top, double foot) {
    return new HeatStore(
        new Geometry.Box(1.0, 0.7, 0.7),
        1,
        MediumCatalogue.medium("dry-sand").orElseThrow(),
        Map.of(
            FaceName.SIDE, Face.measured(side),
            FaceName.TOP, Face.measured(top),
            FaceName.FOOT, Face.measured(foot)),
        Place.inHouse(),
        5,
        new HeatedZone(0.3, 0.2, 0.8),
        List.of(new Probe("a", 0.2, 0.5), new Probe("b", 0.6, 0.5), new Probe("c", 0.9, 0.5)));
  }

  private static Said live(int seed, int before) {
    Random dice = new Random(seed);
    double[] thought = new double[3];
    double[] faces = new double[3];
    for (int k = 0; k < 3; k++) {
      thought[k] = 0.5 * Math.exp(2.5 * dice.nextDouble());
      faces[k] = thought[k] * Math.exp(0.4 * dice.nextGaussian());
    }
    HeatStore is = bin(faces[0], faces[1], faces[2]);
    is = is.withMedium(is.medium().scaled(1, Math.exp(0.1 * dice.nextGaussian())));
    StoreModel model = StoreModel.of(is, StoreState.uniform(StoreGrid.standard(is), 6));
    for (int i = 0; i < before; i++) {
      model.step(STEP, Surroundings.of(5, 7), i < CHARGED ? WATTS : 0);
    }
    double[] offset = dice.doubles(3, -0.4, 0.4).toArray();
    long[] at = new long[N];
    double[][] read = new double[4][N];
    double[] mean = new double[N];
    for (int i = 0; i < N; i++) {
      at[i] = (long) i * STEP;
      double air = 5 + 4 * Math.sin(i / 23.0);
      if (i > 0) {
        model.step(STEP, Surroundings.of(air, 7), i <= CHARGED ? WATTS : 0);
      }
      mean[i] = model.meanCelsius();
      for (int p = 0; p < 3; p++) {
        Probe probe = is.probes().get(p);
        read[p][i] =
            model.at(probe.radiusFraction(), probe.heightFraction())
                + offset[p]
                + 0.1 * dice.nextGaussian();
      }
      read[3][i] = air + 0.2 * dice.nextGaussian();
    }
    List<ReadingSeries> series = new ArrayList<>();
    for (int p = 0; p < 3; p++) {
      series.add(new ReadingSeries(is.probes().get(p).id(), at, read[p]));
    }
    ReadingSeries air = new ReadingSeries("air", at, read[3]);
    JudgedRun run =
        RunJudge.judge(
                new RunRecord(
                    bin(thought[0], thought[1], thought[2]), series, air, 7, WATTS, 10, false))
            .orElseThrow();
    JudgedRun.CoolDown down = run.coolDown().orElseThrow();
    int from = (int) (down.from() / STEP);
    int to = (int) (down.to() / STEP) + 1;
    double trueTau =
        CoolDownFit.of(
                Arrays.stream(at, from, to).asDoubleStream().toArray(),
                Arrays.copyOfRange(mean, from, to),
                Arrays.copyOfRange(read[3], from, to))
            .orElseThrow()
            .timeConstantSeconds();
    long covered =
        IntStream.range(0, run.at().length)
            .filter(
                i ->
                    Math.abs(run.mean()[i] - mean[(int) (run.at()[i] / STEP)])
                        <= run.meanHalfWidth()[i])
            .count();
    return new Said(
        trueTau > down.fit().low() && trueTau < down.fit().high(),
        covered / (double) run.at().length,
        down.fit().high() / down.fit().low());
  }
}
