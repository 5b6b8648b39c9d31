package nightbank.core.forecast;

import static nightbank.core.system.Places.COVER;
import static nightbank.core.system.Places.LID;
import static nightbank.core.system.Places.SCREEN;
import static nightbank.core.system.Places.fire;
import static nightbank.core.system.Places.night;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import nightbank.core.source.ElectricHeat;
import nightbank.core.source.Flames;
import nightbank.core.source.Fuel;
import nightbank.core.source.Share;
import nightbank.core.system.Action;
import nightbank.core.system.Control;
import nightbank.core.system.Places;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemSimulation;
import nightbank.core.system.SystemSource;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The least work that holds a night: what, how much and when. */
public class AdviceTest {
  private static List<Advice.Option> options() {
    List<Action> fires = new ArrayList<>();
    for (double kg : new double[] {2, 4, 6, 8, 10, 12}) {
      fires.add(fire(1, kg));
    }
    return List.of(
        Advice.Option.of(List.of(SCREEN)),
        Advice.Option.of(List.of(LID)),
        Advice.Option.of(fires),
        Advice.Option.of(List.of(COVER)));
  }

  @Test
  public void nothingIsAdvisedForAMildNight() {
    Advice a = Advice.find(night(3), options(), 0.5);
    assertThat(a.holds()).isTrue();
    assertThat(a.actions()).isEmpty();
    assertThat(a.untried()).isZero();
  }

  @Test
  public void theLeastWorkThatHoldsIsWhatBruteForceFinds() {
    SystemPlan p = night(-5);
    Advice a = Advice.find(p, options(), 0.5);
    assertThat(a.holds()).isTrue();
    double least = Double.POSITIVE_INFINITY;
    for (int mask = 0; mask < 8; mask++) {
      for (int kg = 0; kg <= 12; kg += 2) {
        List<Action> some = new ArrayList<>();
        if ((mask & 1) != 0) {
          some.add(SCREEN);
        }
        if ((mask & 2) != 0) {
          some.add(LID);
        }
        if ((mask & 4) != 0) {
          some.add(COVER);
        }
        if (kg > 0) {
          some.add(fire(1, kg));
        }
        if (SystemSimulation.run(p.withActions(some)).lowestCelsius() >= 2.5) {
          least = Math.min(least, Advice.minutes(some, p));
        }
      }
    }
    assertThat(a.minutes()).isCloseTo(least, within(8.5)); // a step of wood, on the small grid
  }

  /** Its coldest moment is then the first, which nobody doubts. */
  @Test
  public void whatHoldsOnlySinceItNarrowsTheNightIsFoundToHold() {
    SystemPlan dark = night(-6);
    SystemSource heater =
        new SystemSource(
            "heater", new ElectricHeat(Share.allToHouse(), 6000, false), Control.byHand(), true);
    SystemPlan p =
        dark.withSystem(dark.system().withStores(List.of()).withSources(List.of(heater)))
            .startingAt(3.2, 3.2, 7);
    Action on = Action.run("heater", 0, Places.NIGHT);
    NightForecast.Doubt doubt = NightForecast.Doubt.ofTypedNight();
    Advice a = Advice.find(p, List.of(Advice.Option.of(List.of(on))), doubt);
    assertThat(NightForecast.of(p.withActions(List.of(on)), doubt, Advice.MEMBERS).verdict())
        .isEqualTo(Verdict.HELD);
    assertThat(a.holds()).isTrue();
    assertThat(a.actions()).containsExactly(on);
  }

  @Test
  public void whatIsAdvisedHoldsByItsOwnEnsemble() {
    NightForecast.Doubt doubt = NightForecast.Doubt.ofTypedNight();
    Advice a = Advice.find(night(-3), options(), doubt);
    assertThat(a.holds()).isTrue();
    assertThat(a.actions()).isNotEmpty();
    NightForecast done = NightForecast.of(night(-3).withActions(a.actions()), doubt, 64);
    assertThat(done.lowestTenth()).isGreaterThan(2 - 0.3);
  }

  @Test
  public void putOffUntilTheLastMomentItStillHoldsAndLaterItDoesNot() {
    NightForecast.Doubt doubt = NightForecast.Doubt.ofTypedNight();
    SystemPlan p = night(-3);
    Advice a = Advice.find(p, options(), doubt);
    assertThat(a.holds()).isTrue();
    double latest = a.latestSeconds().orElseThrow();
    double first = a.actions().stream().mapToDouble(Action::fromSeconds).min().orElseThrow();
    assertThat(latest).isBetween(first, p.lengthSeconds());
    assertThat(putOff(p, a, latest)).isGreaterThanOrEqualTo(p.house().plantLimitCelsius());
    assertThat(putOff(p, a, latest + 3 * 3600)).isLessThan(putOff(p, a, latest) - 0.02);
    assertThat(Advice.find(night(9), options(), doubt).latestSeconds()).isEmpty();
  }

  private static double putOff(SystemPlan p, Advice a, double until) {
    List<Action> later = a.actions().stream().map(x -> PutOff.notBefore(x, until)).toList();
    return SystemSimulation.run(p.small().withActions(later)).lowestCelsius();
  }

  @Test
  public void whatStandsAnywayIsInTheAdviceAndMoreOnlyWhereItDoesNotDo() {
    Advice mild = Advice.find(night(3).withActions(List.of(LID)), options(), 0.5);
    assertThat(mild.actions()).containsExactly(LID);
    List<Advice.Option> others =
        options().stream().filter(o -> !o.choices().contains(List.of(LID))).toList();
    Advice hard = Advice.find(night(-5).withActions(List.of(LID)), others, 0.5);
    assertThat(hard.actions()).startsWith(LID).hasSizeGreaterThan(1);
    assertThat(hard.holds()).isTrue();
  }

  @DataProvider
  Object[][] lows() {
    return new Object[][] {{-1.0}, {-3.0}, {-5.0}, {-7.0}};
  }

  @Test(dataProvider = "lows")
  public void whatIsAdvisedIsJudgedHeldByTheEnsembleThatJudgesNights(double low) {
    NightForecast.Doubt doubt = NightForecast.Doubt.ofTypedNight();
    Advice a = Advice.find(night(low), options(), doubt);
    if (a.holds()) {
      NightForecast done =
          NightForecast.of(night(low).withActions(a.actions()), doubt, Advice.MEMBERS);
      assertThat(done.verdict()).isEqualTo(Verdict.HELD);
    }
  }

  @Test
  public void whenNothingHoldsTheNearestIsGivenWithWhatIsLacking() {
    Advice a = Advice.find(night(-25), options(), 0.5);
    assertThat(a.holds()).isFalse();
    assertThat(a.actions()).hasSize(4);
    assertThat(a.shortage()).isNotEqualTo(Shortfall.Kind.NONE);
  }

  @Test
  public void aSlowMassIsFiredSoonerThanTheRoomIsWarmed() {
    SystemPlan p = night(-4);
    List<Action> times = new ArrayList<>();
    for (double hour = 0; hour <= 12; hour += 2) {
      times.add(fire(hour, 6));
    }
    Advice a = Advice.find(p, List.of(Advice.Option.of(times)), 0);
    double best = Double.NEGATIVE_INFINITY;
    for (Action one : times) {
      best = Math.max(best, SystemSimulation.run(p.withActions(List.of(one))).lowestCelsius());
    }
    assertThat(a.lowestCelsius()).as("of equal work the warmest").isCloseTo(best, within(0.1));
  }

  @Test
  public void everythingThatAPlaceHasCanBeDoneAndNothingElse() {
    PlantSystem plant = withLamps(Places.plant());
    assertThat(Possible.in(plant, true))
        .extracting(p -> p.kind() + " " + p.of())
        .containsExactlyInAnyOrder(
            "SCREEN ",
            "COVER ",
            "STUFF_GAPS ",
            "LOAD fire",
            "RUN element",
            "RUN lamps",
            "LID_OFF sand");
    assertThat(Possible.in(plant, false)).noneMatch(p -> p.kind() == Action.Kind.COVER);
  }

  private static PlantSystem withLamps(PlantSystem plant) {
    List<SystemSource> more = new ArrayList<>(plant.sources());
    Flames lamps = new Flames(Share.allToHouse(), 6, 12, Fuel.of("paraffin").orElseThrow());
    more.add(new SystemSource("lamps", lamps, Control.byHand(), true));
    return plant.withSources(more);
  }

  @Test
  public void ofFlamesSomeOrAllAreLitAndOneThatStandsIsNotOfferedAgain() {
    PlantSystem plant = withLamps(Places.plant());
    SystemPlan p = night(plant, -5, SCREEN);
    List<Advice.Option> all = Possible.options(p, Possible.in(plant, true), 3600);
    assertThat(all).hasSize(6);
    List<Double> lamps =
        all.stream()
            .flatMap(o -> o.choices().stream())
            .flatMap(List::stream)
            .filter(x -> x.of().equals("lamps"))
            .map(Action::amount)
            .distinct()
            .toList();
    assertThat(lamps).containsExactly(2.0, 4.0, 6.0);
    Advice a = Advice.find(p, all, NightForecast.Doubt.ofTypedNight());
    assertThat(a.actions()).startsWith(SCREEN);
    assertThat(a.holds()).isTrue();
  }
}
