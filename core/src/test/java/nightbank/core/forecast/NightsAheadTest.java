package nightbank.core.forecast;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.CancellationException;
import nightbank.core.forecast.NightsAhead.Span;
import nightbank.core.system.Action;
import nightbank.core.system.Places;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemSimulation;
import nightbank.core.weather.Weather;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Several nights on end, and the least work over the days that holds them all. */
public class NightsAheadTest {
  private static final double DAY = 86_400;
  private static final NightForecast.Doubt DOUBT = NightForecast.Doubt.ofForecast(0).overDays();

  /** Days from an afternoon on, each night with its own low, dusk after two hours. */
  private static SystemPlan days(double... lows) {
    List<double[]> points = new ArrayList<>();
    for (int d = 0; d < lows.length; d++) {
      points.add(new double[] {d * DAY, 8});
      points.add(new double[] {d * DAY + 15 * 3600.0, lows[d]});
    }
    points.add(new double[] {lows.length * DAY, 8});
    int n = points.size();
    double[] at = points.stream().mapToDouble(p -> p[0]).toArray();
    double[] out = points.stream().mapToDouble(p -> p[1]).toArray();
    double[] wind = new double[n];
    double[] cloud = new double[n];
    Arrays.fill(wind, 2);
    Arrays.fill(cloud, 0.5);
    return SystemPlan.of(
        Places.plant(),
        new Weather(at, out, wind, cloud),
        10,
        9,
        8,
        lows.length * DAY - 7 * 3600,
        600);
  }

  private static List<Span> spans(int nights) {
    List<Span> all = new ArrayList<>();
    for (int d = 0; d < nights; d++) {
      all.add(new Span(d * DAY + 2 * 3600, d * DAY + 17 * 3600));
    }
    return all;
  }

  private static NightsAhead ahead(SystemPlan plan, int nights) {
    return NightsAhead.of(plan, spans(nights), DOUBT, () -> false);
  }

  private static double spread(NightsAhead.Night n) {
    return n.lowest() - n.lowestTenth();
  }

  private static List<Possible> possible(SystemPlan plan) {
    return Possible.in(plan.system(), true);
  }

  @Test
  public void theColdNightAmongMildOnesBreaksFirst() {
    NightsAhead a = ahead(days(6, 5, -9, 4), 4);
    assertThat(a.breaksFirst()).hasValue(2);
    assertThat(a.nights().get(2).outdoorLowest()).isCloseTo(-9, within(0.2));
    assertThat(a.nights().get(0).verdict()).isEqualTo(Verdict.HELD);
    assertThat(a.nights().get(2).verdict()).isEqualTo(Verdict.LOST);
    assertThat(ahead(days(6, 6), 2).breaksFirst()).isEmpty();
  }

  @Test
  public void theSameNightIsLessSureTheLaterItComes() {
    NightsAhead a = ahead(days(0, 0, 0, 0, 0), 5);
    assertThat(spread(a.nights().get(4))).isGreaterThan(spread(a.nights().get(0)) + 0.2);
  }

  @Test
  public void theFirstNightIsTheNightThatTonightReckons() {
    SystemPlan week = days(-2, -2, -2);
    NightForecast tonight =
        NightForecast.of(
            week.until(17 * 3600).withStep(120), NightForecast.Doubt.ofForecast(8), 64);
    NightsAhead.Night first = ahead(week, 3).nights().get(0);
    assertThat(first.lowest()).isCloseTo(tonight.middle().lowestCelsius(), within(0.2));
    assertThat(first.lowestTenth()).isCloseTo(tonight.lowestTenth(), within(0.4));
  }

  @Test
  public void storesCarryTheirStateFromNightToNight() {
    NightsAhead cold = ahead(days(-4, -4, -4), 3);
    assertThat(cold.nights().get(2).lowest()).isLessThan(cold.nights().get(0).lowest() - 0.1);
  }

  @DataProvider
  Object[][] steps() {
    return new Object[][] {{600}, {1200}};
  }

  @Test(dataProvider = "steps")
  public void halvingTheStepMovesAWeeksLowsByLessThanATenth(double step) {
    SystemPlan week = days(-3, 1, -6, 2, -1, -8, 0).small();
    double[] fine = NightsAhead.lowest(SystemSimulation.run(week.withStep(step / 2)), spans(7));
    double[] coarse = NightsAhead.lowest(SystemSimulation.run(week.withStep(step)), spans(7));
    for (int n = 0; n < 7; n++) {
      assertThat(coarse[n]).isCloseTo(fine[n], within(0.1));
    }
  }

  @Test
  public void nothingIsAdvisedWhereAllNightsHold() {
    SystemPlan mild = days(6, 6, 6);
    DaysAdvice a = DaysAdvice.find(mild, ahead(mild, 3), possible(mild), DOUBT, () -> false);
    assertThat(a.holds()).isTrue();
    assertThat(a.actions()).isEmpty();
    assertThat(a.latestSeconds()).isEmpty();
  }

  @Test
  public void whatIsAdvisedHoldsEveryNightAndNoneOfItIsNeedless() {
    SystemPlan plan = days(4, -2, 3, -3);
    NightsAhead before = ahead(plan, 4);
    assertThat(before.breaksFirst()).isPresent();
    DaysAdvice a = DaysAdvice.find(plan, before, possible(plan), DOUBT, () -> false);
    assertThat(a.holds()).isTrue();
    NightsAhead with = ahead(plan.withActions(a.actions()), 4);
    assertThat(with.breaksFirst()).as("by the ensemble that judges").isEmpty();
    for (Action one : a.actions()) {
      List<Action> fewer = new ArrayList<>(a.actions());
      fewer.remove(one);
      assertThat(ahead(plan.withActions(fewer), 4).breaksFirst()).as("without " + one).isPresent();
    }
  }

  @Test
  public void putOffToTheLastMomentTheNightHoldsAndPutOffMuchFurtherItIsColder() {
    SystemPlan plan = days(5, 4, -3);
    NightsAhead before = ahead(plan, 3);
    int night = before.breaksFirst().orElseThrow();
    DaysAdvice a = DaysAdvice.find(plan, before, possible(plan), DOUBT, () -> false);
    double latest = a.latestSeconds().orElseThrow();
    double dawn = spans(3).get(night).dawn();
    assertThat(latest)
        .isGreaterThanOrEqualTo(
            a.actions().stream().mapToDouble(Action::fromSeconds).min().orElseThrow())
        .isLessThan(dawn);
    double limit = plan.house().plantLimitCelsius();
    double then = lowPutOff(plan, a, latest, night);
    assertThat(then).isGreaterThan(limit);
    assertThat(lowPutOff(plan, a, latest + 0.8 * (dawn - latest), night)).isLessThan(then - 0.02);
  }

  private static double lowPutOff(SystemPlan plan, DaysAdvice a, double until, int night) {
    List<Action> later = a.actions().stream().map(x -> PutOff.notBefore(x, until)).toList();
    return NightsAhead.lowest(SystemSimulation.run(plan.small().withActions(later)), spans(3))[
        night];
  }

  @Test
  public void aSearchThatNobodyWaitsForStops() {
    SystemPlan plan = days(4, -2, 3);
    assertThatThrownBy(
            () -> DaysAdvice.find(plan, ahead(plan, 3), possible(plan), DOUBT, () -> true))
        .isInstanceOf(CancellationException.class);
  }

  @Test
  public void aNightThatNothingHoldsDoesNotHideTheOthers() {
    SystemPlan plan = days(-35, 3, -3);
    DaysAdvice a = DaysAdvice.find(plan, ahead(plan, 3), possible(plan), DOUBT, () -> false);
    assertThat(a.holds()).isFalse();
    assertThat(a.latestSeconds()).isEmpty();
    assertThat(a.actions()).isNotEmpty();
  }
}
