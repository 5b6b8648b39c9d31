package nightbank.core.judgement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import nightbank.core.evidence.Phase;
import nightbank.core.evidence.ReadingSeries;
import nightbank.core.evidence.RunRecord;
import nightbank.core.evidence.SourceProfile;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.source.Hearth;
import nightbank.core.source.LitFire;
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
import nightbank.core.usual.Usual;
import org.testng.annotations.Test;

/**
 * A bench of stone with two fires in it. Its probes feel them half an hour late, and the fires burn
 * down another way than is thought of logged ones.
 */
public class FireRunTest {
  private static final long BEGIN = 1_768_900_000L;
  private static final int STEP = 300; // s
  private static final int N = 40 * 3600 / STEP;
  private static final double[] LIT = {1, 24}; // h
  private static final double JOULES = 45e6; // of each, into the stone
  private static final LitFire WOOD = lit(0); // of each

  private final HeatStore bench =
      new HeatStore(
          new Geometry.Box(5, 0.6, 0.5),
          1,
          MediumCatalogue.medium("granite").orElseThrow(),
          Map.of(FaceName.SIDE, Face.bare(), FaceName.TOP, Face.bare(), FaceName.FOOT, Face.bare()),
          Place.inHouse(),
          6,
          new HeatedZone(0.35, 0.2, 0.6),
          List.of(new Probe("core", 0.1, 0.75), new Probe("edge", 0.9, 0.5)));
  private final double[] mean = new double[N];
  private final RunRecord run = live();

  /** Up within half an hour, then dying away with an hour's time constant. */
  private static double burning(double hoursSinceLit) {
    double h = hoursSinceLit;
    double shape = h < 0 ? 0 : h < 0.5 ? h / 0.5 : Math.exp(-(h - 0.5));
    return shape * JOULES / (1.25 * 3600);
  }

  private RunRecord live() {
    StoreModel truth = StoreModel.of(bench, StoreState.uniform(StoreGrid.standard(bench), 12));
    Random dice = new Random(3);
    long[] at = new long[N];
    double[][] read = new double[2][N];
    double[] air = new double[N];
    for (int i = 0; i < N; i++) {
      double hour = i * STEP / 3600.0;
      at[i] = BEGIN + (long) i * STEP;
      air[i] = 6 + 3 * Math.sin(2 * Math.PI * hour / 24);
      if (i > 0) {
        truth.step(
            STEP, Surroundings.of(air[i], 7), burning(hour - LIT[0]) + burning(hour - LIT[1]));
      }
      mean[i] = truth.meanCelsius();
      for (int p = 0; p < 2; p++) {
        Probe probe = bench.probes().get(p);
        read[p][i] =
            truth.at(probe.radiusFraction(), probe.heightFraction()) + 0.1 * dice.nextGaussian();
      }
    }
    List<ReadingSeries> series = new ArrayList<>();
    for (int p = 0; p < 2; p++) {
      series.add(new ReadingSeries(bench.probes().get(p).id(), at, read[p]));
    }
    return new RunRecord(bench, series, new ReadingSeries("air", at, air), 7, 0, 10, false);
  }

  private static LitFire lit(long at) {
    return new LitFire(at, 6, Usual.WOOD_MOISTURE.value(), Hearth.bench());
  }

  private SourceProfile logged(double... lit) {
    List<LitFire> fires =
        Arrays.stream(lit).mapToObj(hour -> lit(BEGIN + (long) (hour * 3600))).toList();
    return SourceProfile.ofFires(fires, BEGIN, BEGIN + (long) N * STEP);
  }

  private double worst(JudgedRun judged) {
    double worst = 0;
    for (int i = 0; i < judged.at().length; i++) {
      int k = (int) ((judged.at()[i] - BEGIN) / STEP);
      worst = Math.max(worst, Math.abs(judged.mean()[i] - mean[k]));
    }
    return worst;
  }

  @Test
  public void whatWasLoggedOfThemTellsWhenTheyBurntAndTheReadingsHowMuch() {
    JudgedRun judged = RunJudge.judge(run.withCourse(logged(LIT))).orElseThrow();
    assertThat(judged.ledger().charged()).isCloseTo(2 * JOULES, within(0.12 * 2 * JOULES));
    assertThat(worst(judged)).isLessThan(worst(RunJudge.judge(run).orElseThrow()) / 1.5);
    assertThat(judged.phases())
        .filteredOn(p -> p.kind() == Phase.Kind.CHARGING)
        .extracting(p -> (p.fromEpochSecond() - BEGIN) / 3600.0)
        .satisfiesExactly(
            first -> assertThat(first).isCloseTo(LIT[0], within(0.3)),
            second -> assertThat(second).isCloseTo(LIT[1], within(0.3)));
  }

  @Test
  public void theCourseOfFiresHoldsAllTheirWoodAndTheStoresPartOfIt() {
    SourceProfile course = logged(LIT);
    double taken = Arrays.stream(course.watts().values()).sum() * 300;
    assertThat(course.fuelJoules()).isCloseTo(2 * WOOD.joules(), withinPercentage(1));
    assertThat(taken).isCloseTo(WOOD.toStore() * 2 * WOOD.joules(), withinPercentage(1));
  }

  @Test
  public void theShareOfTheirWoodThatTheStoneTookIsToldWithItsDoubt() {
    JudgedRun judged = RunJudge.judge(run.withCourse(logged(LIT))).orElseThrow();
    assertThat(judged.findings())
        .filteredOn(f -> f.code() == JudgedRun.Finding.Code.FIRE_TO_STORE)
        .singleElement()
        .satisfies(
            f -> assertThat(f.value()).isCloseTo(JOULES / WOOD.joules(), within(f.halfWidth())))
        .satisfies(f -> assertThat(f.halfWidth()).isLessThan(0.15));
  }

  @Test
  public void aFireThatNobodyLoggedIsSeenAllTheSame() {
    JudgedRun judged = RunJudge.judge(run.withCourse(logged(LIT[0]))).orElseThrow();
    assertThat(judged.phases()).filteredOn(p -> p.kind() == Phase.Kind.CHARGING).hasSize(2);
    assertThat(judged.findings())
        .extracting(JudgedRun.Finding::code)
        .as("nothing is said of wood when some of it was forgotten")
        .doesNotContain(JudgedRun.Finding.Code.FIRE_TO_STORE);
    assertThat(judged.ledger().charged()).isGreaterThan(1.4 * JOULES);
  }
}
