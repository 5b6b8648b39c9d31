package nightbank.core.judgement;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import nightbank.core.evidence.ReadingSeries;
import nightbank.core.evidence.RunRecord;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.Probe;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Readings that no store can give: thermometers that wander by themselves. */
public class OddReadingsTest {
  private static final HeatStore BIN =
      HeatStore.of(
              new Geometry.Box(1, 0.7, 0.7),
              MediumCatalogue.medium("dry-sand").orElseThrow(),
              Map.of())
          .withZone(new HeatedZone(0.4, 0.2, 0.8))
          .withProbes(
              List.of(
                  new Probe("a", 0.2, 0.5), new Probe("b", 0.5, 0.5), new Probe("c", 0.8, 0.5)));

  @DataProvider
  Object[][] seeds() {
    return new Object[][] {{12}, {18}, {39}, {46}, {59}, {7}};
  }

  @Test(dataProvider = "seeds")
  public void areJudgedWithWideDoubtAndNeverFallOver(int seed) {
    Random r = new Random(seed);
    int n = 200;
    long[] at = new long[n];
    double[][] read = new double[4][n];
    double[] level = {
      r.nextDouble() * 100, r.nextDouble() * 100, r.nextDouble() * 100, r.nextDouble() * 30
    };
    double pace = seed % 3 == 0 ? 0.3 : 3;
    for (int i = 0; i < n; i++) {
      at[i] = 600L * i;
      for (int p = 0; p < 4; p++) {
        level[p] += pace * r.nextGaussian();
        read[p][i] = level[p];
      }
    }
    List<ReadingSeries> series = new ArrayList<>();
    for (int p = 0; p < 3; p++) {
      series.add(new ReadingSeries(BIN.probes().get(p).id(), at, read[p]));
    }
    JudgedRun run =
        RunJudge.judge(
                new RunRecord(
                    BIN,
                    series,
                    new ReadingSeries("air", at, read[3]),
                    8,
                    seed % 2 == 0 ? 900 : 0,
                    7,
                    false))
            .orElseThrow();
    assertThat(Arrays.stream(run.meanHalfWidth()).max().orElseThrow()).isFinite().isGreaterThan(1);
    assertThat(run.calibration().side().half()).isFinite().isGreaterThan(0.2);
    assertThat(run.mean()).doesNotContain(Double.NaN);
  }

  @Test
  public void coolingThatNoFaceCanGiveIsToldAsAContradictionAndNotAsAFigure() {
    int n = 60;
    long[] at = new long[n];
    double[][] read = new double[2][n];
    for (int i = 0; i < n; i++) {
      at[i] = 600L * i;
      read[0][i] = 10 + 80 * Math.exp(-i / 6.0); // gone within an hour, a cubic metre of sand
      read[1][i] = 10;
    }
    List<ReadingSeries> series =
        BIN.probes().stream().map(p -> new ReadingSeries(p.id(), at, read[0])).toList();
    ReadingSeries air = new ReadingSeries("air", at, read[1]);
    JudgedRun run = RunJudge.judge(new RunRecord(BIN, series, air, 8, 0, 7, false)).orElseThrow();
    List<String> contradicted =
        run.findings().stream()
            .filter(f -> f.code() == JudgedRun.Finding.Code.CONTRADICTED)
            .map(JudgedRun.Finding::detail)
            .toList();
    assertThat(contradicted).isNotEmpty();
    assertThat(run.findings())
        .filteredOn(f -> f.code() == JudgedRun.Finding.Code.FACES_DIFFER)
        .extracting(JudgedRun.Finding::detail)
        .doesNotContainAnyElementsOf(contradicted);
  }
}
