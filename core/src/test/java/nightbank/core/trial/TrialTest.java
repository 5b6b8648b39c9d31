package nightbank.core.trial;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import nightbank.core.fit.CoolDownFit;
import nightbank.core.judgement.JudgedRun;
import nightbank.core.judgement.LoggerFilesTest;
import nightbank.core.judgement.RunJudge;
import org.testng.annotations.Test;

/** Runs brought to the same start. */
public class TrialTest {
  private static final JudgedRun.Found ASIS = new JudgedRun.Found(1, 0);
  private static final double CAPACITY = 200_000; // J/K
  private static final long STEP = 600;

  /** A noisy exponential cool-down of so many hours over an air that swings. */
  private static JudgedRun run(
      double tauHours, double excess, double air, double hours, double noise, long seed) {
    Random random = new Random(seed);
    int n = (int) (hours * 3600 / STEP) + 1;
    long[] at = new long[n];
    double[] seconds = new double[n];
    double[] beside = new double[n];
    double[] mean = new double[n];
    double t = air + excess;
    for (int i = 0; i < n; i++) {
      at[i] = 1_700_000_000L + i * STEP;
      seconds[i] = i * STEP;
      beside[i] = air + 2 * Math.sin(2 * Math.PI * i * STEP / 86_400.0);
      if (i > 0) {
        double decay = Math.exp(-STEP / (tauHours * 3600));
        double lag = tauHours * 3600 * (beside[i] - beside[i - 1]) / STEP;
        t = beside[i] - lag + (t - beside[i - 1] + lag) * decay;
      }
      mean[i] = t + noise * random.nextGaussian();
    }
    Optional<CoolDownFit> fit = CoolDownFit.of(seconds, mean, beside);
    Optional<JudgedRun.CoolDown> down =
        fit.map(
            f -> {
              double ua = CAPACITY / f.timeConstantSeconds();
              double half = Math.hypot(Math.log(f.high() / f.low()) / 2, 0.05);
              return new JudgedRun.CoolDown(
                  f, at[0], at[n - 1], CAPACITY, ua, ua * Math.exp(-half), ua * Math.exp(half));
            });
    return new JudgedRun(
        at,
        List.of(),
        new double[0][],
        new double[0][],
        beside,
        mean,
        new double[n],
        mean,
        mean,
        new double[n],
        List.of(),
        List.of(),
        new JudgedRun.Peak(at[0], mean[0], 0.3, false),
        down,
        new JudgedRun.Ledger(0, 0, 0, 0, 0, 0, 0, Double.NaN, false),
        new double[n],
        Optional.empty(),
        Map.of(),
        new JudgedRun.Calibration(ASIS, ASIS, ASIS, ASIS),
        List.of(),
        null,
        null);
  }

  private static Trial.Entry entry(String side, JudgedRun run) {
    return new Trial.Entry(side, "drum", Cooling.of(run), Double.NaN, 0, 0, 0);
  }

  private static Trial.Difference only(Trial t) {
    assertThat(t.differences()).hasSize(1);
    return t.differences().get(0);
  }

  @Test
  public void aWrapThatHalvesTheLossIsSeenWithItsSizeWhateverTheStart() {
    Trial t =
        Trial.compare(
            List.of(
                entry("bare", run(20, 60, 4, 30, 0.2, 1)),
                entry("wrapped", run(40, 35, 9, 48, 0.2, 2))),
            Double.NaN);
    Trial.Difference d = only(t);
    assertThat(d.word()).isEqualTo(Trial.Word.LOSES_LESS);
    assertThat(d.ratioLow()).isLessThan(0.5);
    assertThat(d.ratioHigh()).isGreaterThan(0.5);
    assertThat(d.ratioHigh() - d.ratioLow()).isLessThan(0.08);
    Trial.Common c = t.common().orElseThrow();
    double truth =
        c.excessKelvin() * (Math.exp(-c.seconds() / 144_000) - Math.exp(-c.seconds() / 72_000));
    assertThat(d.readingKelvin()).isCloseTo(truth, within(0.6));
    assertThat(t.differed())
        .extracting(Trial.Differed::what)
        .contains(
            Trial.Differed.What.START_EXCESS, Trial.Differed.What.AIR, Trial.Differed.What.HOURS);
  }

  @Test
  public void theLoggerFilesOfOneDrumBareAndWrappedDifferAsTheirTruthDoes() {
    JudgedRun bare = RunJudge.judge(LoggerFilesTest.record(LoggerFilesTest.BARE)).orElseThrow();
    JudgedRun wrapped =
        RunJudge.judge(LoggerFilesTest.record(LoggerFilesTest.WRAPPED)).orElseThrow();
    Trial.Difference d =
        only(Trial.compare(List.of(entry("bare", bare), entry("wrapped", wrapped)), Double.NaN));
    assertThat(d.word()).isEqualTo(Trial.Word.LOSES_LESS);
    assertThat(d.ratio()).isCloseTo(15.55 / 39.5, within(0.03));
  }

  @Test
  public void alikeRunsAreCalledDifferentNoOftenerThanOnceInTwenty() {
    int wrong = 0;
    int alike = 0;
    for (int i = 0; i < 300; i++) {
      Trial.Word word =
          only(Trial.compare(
                  List.of(
                      entry("a", run(30, 40, 5, 24, 0.5, 2 * i)),
                      entry("b", run(30, 40, 5, 24, 0.5, 2 * i + 1))),
                  Double.NaN))
              .word();
      wrong += word == Trial.Word.LOSES_LESS || word == Trial.Word.LOSES_MORE ? 1 : 0;
      alike += word == Trial.Word.ALIKE ? 1 : 0;
    }
    assertThat(wrong).isLessThanOrEqualTo(22);
    assertThat(alike).as("most are told to be alike").isGreaterThan(200);
  }

  @Test
  public void theTrueRatioLiesInTheIntervalAsOftenAsItClaims() {
    int within = 0;
    for (int i = 0; i < 300; i++) {
      Trial.Difference d =
          only(
              Trial.compare(
                  List.of(
                      entry("a", run(20, 40, 5, 20, 0.5, 1000 + 2 * i)),
                      entry("b", run(26, 40, 5, 30, 0.5, 1001 + 2 * i))),
                  Double.NaN));
      within += d.ratioLow() <= 20.0 / 26 && 20.0 / 26 <= d.ratioHigh() ? 1 : 0;
    }
    assertThat(within / 300.0).isBetween(0.91, 1.0);
  }

  @Test
  public void aNoisyShortRunIsNotJudgedEitherWay() {
    Trial t =
        Trial.compare(
            List.of(
                entry("bare", run(20, 40, 5, 24, 0.3, 1)), entry("lid", run(25, 9, 5, 4, 0.9, 2))),
            Double.NaN);
    assertThat(only(t).word()).isEqualTo(Trial.Word.CANNOT_TELL);
    Trial nothing =
        Trial.compare(
            List.of(
                entry("bare", run(20, 40, 5, 24, 0.3, 1)),
                entry("lid", run(25, 0.3, 5, 3, 1.5, 2))),
            Double.NaN);
    assertThat(only(nothing).word()).isEqualTo(Trial.Word.CANNOT_TELL);
    assertThat(only(nothing).ratio()).isNaN();
    assertThat(nothing.sides().get(1).fair()).isEmpty();
  }

  @Test
  public void theOtherWayRoundIsTheInverse() {
    Trial.Entry a = entry("a", run(20, 40, 5, 24, 0.3, 1));
    Trial.Entry b = entry("b", run(30, 40, 5, 24, 0.3, 2));
    Trial.Difference one = only(Trial.compare(List.of(a, b), Double.NaN));
    Trial.Difference other = only(Trial.compare(List.of(b, a), Double.NaN));
    assertThat(one.ratio() * other.ratio()).isCloseTo(1, within(1e-9));
    assertThat(one.ratioLow() * other.ratioHigh()).isCloseTo(1, within(1e-9));
    assertThat(other.word()).isEqualTo(Trial.Word.LOSES_MORE);
  }

  @Test
  public void runsOfOneSideThatScatterWidenTheDoubt() {
    Trial.Entry base = entry("bare", run(20, 40, 5, 24, 0.2, 1));
    Trial.Difference steady =
        only(
            Trial.compare(
                List.of(
                    base,
                    entry("lid", run(26, 40, 5, 24, 0.2, 2)),
                    entry("lid", run(26.5, 40, 5, 24, 0.2, 3))),
                Double.NaN));
    Trial.Difference wild =
        only(
            Trial.compare(
                List.of(
                    base,
                    entry("lid", run(17, 40, 5, 24, 0.2, 2)),
                    entry("lid", run(38, 40, 5, 24, 0.2, 3))),
                Double.NaN));
    assertThat(steady.word()).isEqualTo(Trial.Word.LOSES_LESS);
    assertThat(wild.word()).isEqualTo(Trial.Word.CANNOT_TELL);
  }

  @Test
  public void twoMassesCarryTheDoubtOfBothTheirHeats() {
    JudgedRun run = run(20, 40, 5, 24, 0.2, 1);
    Trial.Entry a = new Trial.Entry("drum", "drum", Cooling.of(run), Double.NaN, 0, 0, 0);
    Trial.Entry b =
        new Trial.Entry("bin", "bin", Cooling.of(run(20, 40, 5, 24, 0.2, 2)), Double.NaN, 0, 0, 0);
    Trial t = Trial.compare(List.of(a, b), Double.NaN);
    assertThat(only(t).ratioHigh() / only(t).ratioLow()).isGreaterThan(Math.exp(0.12));
    assertThat(t.differed()).extracting(Trial.Differed::what).contains(Trial.Differed.What.MASS);
  }

  @Test
  public void windDoorsAndWaterThatDifferAreNamedAndUnknownWindIsNot() {
    JudgedRun run = run(20, 40, 5, 24, 0.2, 1);
    Trial t =
        Trial.compare(
            List.of(
                new Trial.Entry("a", "drum", Cooling.of(run), 1, 0, 0, 0),
                new Trial.Entry("b", "drum", Cooling.of(run), 6, 2, 1, 1),
                new Trial.Entry("c", "drum", Cooling.of(run), Double.NaN, 0, 0, 0)),
            Double.NaN);
    assertThat(t.differed())
        .filteredOn(d -> d.side().equals("b"))
        .extracting(Trial.Differed::what)
        .containsExactly(
            Trial.Differed.What.WIND,
            Trial.Differed.What.OPENINGS,
            Trial.Differed.What.WETTINGS,
            Trial.Differed.What.LIFTINGS);
    assertThat(t.differed()).filteredOn(d -> d.side().equals("c")).isEmpty();
  }

  @Test
  public void dotsStartAtTheCommonStartAndFollowTheSidesCurve() {
    Trial.Entry a = entry("a", run(20, 60, 5, 24, 0, 1));
    Trial.Entry b = entry("b", run(30, 30, 5, 24, 0, 2));
    Trial t = Trial.compare(List.of(a, b), Double.NaN);
    List<double[]> dots = t.dots(b);
    Trial.Common c = t.common().orElseThrow();
    assertThat(dots.get(0)[1]).isCloseTo(c.airCelsius() + c.excessKelvin(), within(3.0));
    double last = dots.get(dots.size() - 1)[1];
    assertThat(last).isCloseTo(t.sides().get(1).fair().orElseThrow().readingCelsius(), within(3.0));
  }

  @Test
  public void oneSideAloneIsNoTrial() {
    Trial.Entry a = entry("a", run(20, 60, 5, 24, 0.2, 1));
    assertThatThrownBy(() -> Trial.compare(List.of(a, a), Double.NaN))
        .hasMessageContaining("two sides");
  }
}
