package nightbank.core.judgement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import nightbank.core.evidence.ReadingSeries;
import nightbank.core.evidence.RunRecord;
import nightbank.core.evidence.TimeInterval;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.Layer;
import nightbank.core.store.Place;
import nightbank.core.store.Probe;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreModel;
import nightbank.core.store.model.StoreState;
import nightbank.core.store.model.Surroundings;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** A well covered bin, charged on two days, whose lid is off in the night between. */
public class LidRunTest {
  private static final long BEGIN = 1_768_900_000L;
  private static final int STEP = 300; // s
  private static final int N = 60 * 3600 / STEP;
  private static final double WATTS = 900;
  private static final TimeInterval OFF = new TimeInterval(BEGIN + 14 * 3600, BEGIN + 24 * 3600);

  private RunRecord untold;
  private double givenMeanwhile;

  private static HeatStore bin() {
    var wool = MediumCatalogue.insulation("stone-wool").orElseThrow();
    Face covered = Face.of(new Layer.Bulk(wool, 0.1, false));
    return new HeatStore(
        new Geometry.Box(1.0, 0.7, 0.7),
        1,
        MediumCatalogue.medium("dry-sand").orElseThrow(),
        Map.of(FaceName.SIDE, covered, FaceName.TOP, covered, FaceName.FOOT, covered),
        Place.inHouse(),
        5,
        new HeatedZone(0.3, 0.2, 0.8),
        List.of(new Probe("a", 0.2, 0.5), new Probe("b", 0.6, 0.7), new Probe("c", 0.8, 0.9)));
  }

  @BeforeClass
  void live() {
    HeatStore bin = bin();
    StoreModel truth = StoreModel.of(bin, StoreState.uniform(StoreGrid.standard(bin), 6));
    Random dice = new Random(7);
    long[] at = new long[N];
    double[][] read = new double[3][N];
    double[] air = new double[N];
    for (int i = 0; i < N; i++) {
      at[i] = BEGIN + (long) i * STEP;
      double hour = i * STEP / 3600.0;
      air[i] = 5 + 4 * Math.sin(2 * Math.PI * hour / 24);
      if (i > 0) {
        boolean off = OFF.at(at[i] - 1);
        truth.replace(FaceName.TOP, off ? Face.bare() : bin.face(FaceName.TOP));
        truth.step(STEP, Surroundings.of(air[i], 7), hour % 24 > 0 && hour % 24 <= 6 ? WATTS : 0);
        for (FaceName face : FaceName.values()) {
          givenMeanwhile += off ? truth.faceWatts(face) * STEP : 0;
        }
      }
      for (int p = 0; p < 3; p++) {
        Probe probe = bin.probes().get(p);
        read[p][i] =
            truth.at(probe.radiusFraction(), probe.heightFraction()) + 0.1 * dice.nextGaussian();
      }
    }
    List<ReadingSeries> series = new ArrayList<>();
    for (int p = 0; p < 3; p++) {
      series.add(new ReadingSeries(bin.probes().get(p).id(), at, read[p]));
    }
    untold = new RunRecord(bin, series, new ReadingSeries("air", at, air), 7, WATTS, 20, false);
  }

  private static JudgedRun judged(RunRecord run) {
    return RunJudge.judge(run).orElseThrow();
  }

  @Test
  public void itsNightIsNotTakenForABadCover() {
    assertThat(judged(untold).calibration().ends().factor())
        .as("what nobody told of looks like a cover that lets too much through")
        .isGreaterThan(1.3);
    JudgedRun told = judged(untold.withLidOff(List.of(OFF)));
    assertThat(told.calibration().ends().factor()).isCloseTo(1, within(0.15));
    assertThat(told.calibration().side().factor()).isCloseTo(1, within(0.15));
  }

  @Test
  public void judgedAgainItComesToTheSame() {
    JudgedRun once = judged(untold);
    JudgedRun again = judged(untold);
    assertThat(again.calibration()).isEqualTo(once.calibration());
    assertThat(again.mean()).isEqualTo(once.mean());
  }

  @Test
  public void whatTheOpenTopGaveIsCounted() {
    JudgedRun told = judged(untold.withLidOff(List.of(OFF)));
    double given = 0;
    for (double watts : told.toHouseIn(OFF.from(), STEP, (int) (OFF.to() - OFF.from()) / STEP)) {
      given += watts * STEP;
    }
    assertThat(given).isCloseTo(givenMeanwhile, within(0.1 * givenMeanwhile));
    assertThat(Math.abs(told.ledger().residual())).isLessThan(0.05 * told.ledger().charged());
  }

  @Test
  public void aCoolDownIsReadOnOneSideOfAHandOnTheLid() {
    JudgedRun told = judged(untold.withLidOff(List.of(OFF)));
    JudgedRun.CoolDown down = told.coolDown().orElseThrow();
    assertThat(down.from()).isGreaterThanOrEqualTo(BEGIN + 30 * 3600);
    assertThat(told.findings())
        .filteredOn(f -> f.code() == JudgedRun.Finding.Code.LID_OFF)
        .singleElement()
        .satisfies(f -> assertThat(f.value()).isCloseTo(10 * 3600, within(1.0)))
        .satisfies(f -> assertThat(f.detail()).isEqualTo("ON"));
    TimeInterval evenings = new TimeInterval(BEGIN + 31 * 3600, Long.MAX_VALUE);
    JudgedRun open = judged(untold.withLidOff(List.of(OFF, evenings)));
    assertThat(open.findings())
        .filteredOn(f -> f.code() == JudgedRun.Finding.Code.LID_OFF)
        .extracting(JudgedRun.Finding::detail)
        .containsExactly("OFF");
  }
}
