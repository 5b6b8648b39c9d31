package nightbank.core.judgement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Random;
import nightbank.core.evidence.Phase;
import nightbank.core.evidence.ReadingSeries;
import nightbank.core.evidence.RunRecord;
import nightbank.core.evidence.SourceProfile;
import nightbank.core.evidence.TimeSeries;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Probe;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreModel;
import nightbank.core.store.model.StoreState;
import nightbank.core.store.model.Surroundings;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/**
 * A bare tank that two winter days' sun warms by a third of a kelvin an hour, too slowly to be told
 * from its readings alone. The sun is described twice as strong as it comes through the panes.
 */
public class SunRunTest {
  private static final long BEGIN = 1_768_900_000L;
  private static final double BEST = 450; // W
  private static final int STEP = 300; // s

  private final HeatStore tank =
      HeatStore.of(
              new Geometry.Cylinder(0.45, 1.4),
              MediumCatalogue.medium("water").orElseThrow(),
              Map.of())
          .withProbes(List.of(new Probe("water", 0.5, 0.5)));
  private RunRecord run;
  private double came;

  @BeforeClass
  void live() {
    StoreModel truth = StoreModel.of(tank, StoreState.uniform(StoreGrid.standard(tank), 11));
    Random dice = new Random(4);
    int n = 2 * 86_400 / STEP;
    long[] at = new long[n];
    double[] water = new double[n];
    double[] air = new double[n];
    double[] described = new double[n];
    for (int i = 0; i < n; i++) {
      double hour = i * STEP / 3600.0 % 24;
      double sun = hour < 7 ? BEST * Math.sin(Math.PI * hour / 7) : 0;
      at[i] = BEGIN + (long) i * STEP;
      air[i] = hour < 7 ? 9 + 3 * Math.sin(Math.PI * hour / 7) : 3 + 5 * Math.exp(-(hour - 7) / 4);
      truth.step(STEP, Surroundings.of(air[i], 8), sun);
      came += i == 0 ? 0 : sun * STEP;
      water[i] = truth.meanCelsius() + 0.1 * dice.nextGaussian();
      described[i] = 2 * sun;
    }
    run =
        new RunRecord(
                tank,
                List.of(new ReadingSeries("water", at, water)),
                new ReadingSeries("air", at, air),
                8,
                0,
                7,
                false)
            .withCourse(SourceProfile.ofSun(new TimeSeries(at, described)));
  }

  @Test
  public void whatTheSunBroughtIsFoundAndNotLeftUnaccounted() {
    JudgedRun judged = RunJudge.judge(run).orElseThrow();
    JudgedRun.Ledger l = judged.ledger();
    assertThat(l.charged()).isCloseTo(came, within(0.2 * came));
    assertThat(Math.abs(l.residual())).isLessThan(0.1 * came);
    assertThat(judged.phases())
        .extracting(Phase::kind)
        .filteredOn(k -> k == Phase.Kind.CHARGING)
        .hasSize(2);
  }

  @Test
  public void itsNightsAreCoolDownsWithoutAnHourOfSun() {
    JudgedRun judged = RunJudge.judge(run).orElseThrow();
    JudgedRun.CoolDown c = judged.coolDown().orElseThrow();
    assertThat((c.from() - BEGIN) % 86_400 / 3600.0).isBetween(6.8, 8.0);
    assertThat((c.to() - c.from()) / 3600.0).isBetween(15.0, 17.4);
  }

  @Test
  public void underACloudyPaneNothingComesAndNothingIsMadeUp() {
    RunRecord dark =
        run.withCourse(
            SourceProfile.ofSun(
                new TimeSeries(
                    run.air().epochSeconds(), new double[run.air().epochSeconds().length])));
    assertThat(RunJudge.judge(dark).orElseThrow().ledger().charged()).isZero();
  }
}
