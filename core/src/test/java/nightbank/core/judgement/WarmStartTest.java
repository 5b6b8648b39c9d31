package nightbank.core.judgement;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import nightbank.core.evidence.ReadingSeries;
import nightbank.core.evidence.RunRecord;
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

/** A bin that is read for the first time eight hours after it was charged, and then cools. */
public class WarmStartTest {
  private static final int STEP = 600;
  private static final int N = 48 * 6;
  private static final ReadingSeries NOBODY = new ReadingSeries("", new long[0], new double[0]);

  private record Lived(RunRecord run, double[] mean) {
    JudgedRun judged() {
      return RunJudge.judge(run).orElseThrow();
    }

    long outside(JudgedRun judged) {
      return IntStream.range(0, judged.at().length)
          .filter(
              i ->
                  Math.abs(judged.mean()[i] - mean[(int) (judged.at()[i] / STEP)])
                      > judged.meanHalfWidth()[i])
          .count();
    }
  }

  private static Lived live(boolean airRead, double... radii) {
    List<Probe> probes =
        IntStream.range(0, radii.length).mapToObj(p -> new Probe("p" + p, radii[p], 0.5)).toList();
    Face face = Face.measured(1);
    HeatStore bin =
        new HeatStore(
            new Geometry.Box(1.0, 0.7, 0.7),
            1,
            MediumCatalogue.medium("dry-sand").orElseThrow(),
            Map.of(FaceName.SIDE, face, FaceName.TOP, face, FaceName.FOOT, face),
            Place.inHouse(),
            5,
            new HeatedZone(0.3, 0.2, 0.8),
            probes);
    StoreModel truth = StoreModel.of(bin, StoreState.uniform(StoreGrid.standard(bin), 6));
    for (int i = 0; i < 14 * 6; i++) {
      truth.step(STEP, Surroundings.of(5, 7), i < 6 * 6 ? 900 : 0);
    }
    long[] at = new long[N];
    double[][] read = new double[probes.size()][N];
    double[] mean = new double[N];
    double[] air = new double[N];
    for (int i = 0; i < N; i++) {
      at[i] = (long) i * STEP;
      air[i] = 5 + 2 * Math.sin(i / 23.0);
      if (i > 0) {
        truth.step(STEP, Surroundings.of(air[i], 7), 0);
      }
      mean[i] = truth.meanCelsius();
      for (int p = 0; p < radii.length; p++) {
        read[p][i] = truth.at(radii[p], 0.5);
      }
    }
    List<ReadingSeries> series = new ArrayList<>();
    for (int p = 0; p < radii.length; p++) {
      series.add(new ReadingSeries("p" + p, at, read[p]));
    }
    ReadingSeries beside = airRead ? new ReadingSeries("air", at, air) : NOBODY;
    return new Lived(new RunRecord(bin, series, beside, 7, 900, 10, false), mean);
  }

  @Test
  public void whatOneProbeLeavesOpenOfItFadesAsTheInsideEvensOut() {
    Lived lived = live(true, 0.2);
    JudgedRun judged = lived.judged();
    double[] half = judged.meanHalfWidth();
    assertThat(half[0]).as("one probe tells little of a warm mass").isGreaterThan(5);
    assertThat(half[half.length - 1]).isLessThan(half[0] / 2);
    assertThat(lived.outside(judged)).isZero();
  }

  @DataProvider
  Object[][] probes() {
    return new Object[][] {{new double[] {0.2, 0.5, 0.9}}, {new double[] {0.2, 0.9}}};
  }

  @Test(dataProvider = "probes")
  public void withoutItsAirTheMeanIsDoubtedAndNoCoverIsBlamed(double[] radii) {
    Lived known = live(true, radii);
    Lived unknown = live(false, radii);
    JudgedRun judged = unknown.judged();
    assertThat(unknown.outside(judged)).isZero();
    assertThat(judged.meanHalfWidth()[N / 2])
        .isGreaterThan(1.5 * known.judged().meanHalfWidth()[N / 2]);
    assertThat(judged.coolDown()).isEmpty();
    assertThat(judged.findings())
        .extracting(JudgedRun.Finding::code)
        .contains(JudgedRun.Finding.Code.AIR_UNKNOWN)
        .doesNotContain(JudgedRun.Finding.Code.FACES_DIFFER);
  }
}
