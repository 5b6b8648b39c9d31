package nightbank.core.practice;

import static nightbank.core.system.Places.COVER;
import static nightbank.core.system.Places.LID;
import static nightbank.core.system.Places.NIGHT;
import static nightbank.core.system.Places.SCREEN;
import static nightbank.core.system.Places.fire;
import static nightbank.core.system.Places.heap;
import static nightbank.core.system.Places.house;
import static nightbank.core.system.Places.led;
import static nightbank.core.system.Places.night;
import static nightbank.core.system.Places.plant;
import static nightbank.core.system.Places.store;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.stream.LongStream;
import nightbank.core.forecast.Advice;
import nightbank.core.forecast.NightForecast;
import nightbank.core.forecast.NightForecast.Doubt;
import nightbank.core.source.CompostHeat;
import nightbank.core.system.Action;
import nightbank.core.system.Control;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemSource;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Nights with a hidden truth, drawn from the doubt that is told. */
public class PracticeNightTest {
  private static final int NIGHTS = 400;
  private static final Doubt DOUBT = Doubt.ofTypedNight();

  @DataProvider
  Object[][] plays() {
    return new Object[][] {
      {-2.0, List.of()}, {-9.0, List.of(SCREEN, COVER)}, {-5.0, List.of(SCREEN, fire(1, 6))},
    };
  }

  /** Five points, of 400 nights; the ensemble's share is itself one of 256 nights. */
  @Test(dataProvider = "plays")
  public void whoeverDoesWhatIsSaidHoldsAsOftenAsItClaims(double low, List<Action> done) {
    SystemPlan plan = night(low);
    double claimed = NightForecast.of(plan.withActions(done), DOUBT, 256).chanceOfHolding();
    long held =
        LongStream.range(0, NIGHTS)
            .parallel()
            .filter(seed -> PracticeNight.of(plan, DOUBT, seed).way(done, List.of()).held())
            .count();
    assertThat((double) held / NIGHTS).isCloseTo(claimed, within(0.05));
    assertThat(claimed).as("it could be otherwise").isBetween(0.05, 0.99);
  }

  @Test
  public void theSameSeedHidesTheSameAndAnotherHidesAnother() {
    double one = PracticeNight.of(night(-4), DOUBT, 7).until(List.of(), 9e4).air()[20];
    assertThat(PracticeNight.of(night(-4), DOUBT, 7).until(List.of(), 9e4).air()[20])
        .isEqualTo(one);
    assertThat(PracticeNight.of(night(-4), DOUBT, 8).until(List.of(), 9e4).air()[20])
        .isNotEqualTo(one);
  }

  @Test
  public void whatIsSeenEndsNowAndWhatIsDoneLaterChangesNothingOfIt() {
    PracticeNight night = PracticeNight.of(night(-4), DOUBT, 3);
    double now = 4 * 3600;
    PracticeNight.Seen idle = night.until(List.of(), now);
    PracticeNight.Seen later = night.until(List.of(fire(6, 8)), now);
    assertThat(idle.seconds()[idle.seconds().length - 1]).isLessThanOrEqualTo(now);
    assertThat(later.seconds()).hasSameSizeAs(idle.seconds());
    for (int i = 0; i < idle.air().length; i++) {
      assertThat(later.air()[i]).isCloseTo(idle.air()[i], within(1e-6));
    }
  }

  @Test
  public void anAlarmWakesWhenTheAirFallsBelowItAndNotBefore() {
    PracticeNight night = PracticeNight.of(night(-8), DOUBT, 3);
    double at = night.wakes(List.of(), 0, 3).orElseThrow();
    PracticeNight.Seen seen = night.until(List.of(), at);
    int last = seen.air().length - 1;
    assertThat(seen.air()[last]).isLessThan(3);
    assertThat(seen.air()[last - 1]).isGreaterThanOrEqualTo(3);
    assertThat(night.wakes(List.of(), 0, -40)).isEmpty();
  }

  @Test
  public void dawnTellsWhatMatteredMostAndWhatWasLeft() {
    PracticeNight night = PracticeNight.of(night(-7), DOUBT, 5);
    PracticeNight.Dawn dawn =
        night.dawn(List.of(SCREEN, LID), List.of(SCREEN, fire(1, 10)), List.of());
    assertThat(dawn.decisions()).hasSizeBetween(1, 3);
    PracticeNight.Decision left =
        dawn.decisions().stream().filter(d -> !d.done()).findFirst().orElseThrow();
    assertThat(left.action().kind()).isEqualTo(Action.Kind.LOAD);
    assertThat(left.kelvin()).isPositive();
    assertThat(dawn.advised().wood()).isEqualTo(10);
    assertThat(dawn.own().wood()).isZero();
    assertThat(dawn.advisedAir())
        .containsExactly(night.until(List.of(SCREEN, fire(1, 10)), 1e9).air());
    assertThat(dawn.idle().minutes()).isZero();
    assertThat(dawn.idle().lowestCelsius()).isLessThanOrEqualTo(dawn.own().lowestCelsius() + 0.05);
    double[] weights = dawn.decisions().stream().mapToDouble(d -> -Math.abs(d.kelvin())).toArray();
    assertThat(weights).isSorted();
  }

  @Test
  public void whatStandsByItselfIsNobodysDecisionNorWork() {
    PracticeNight night = PracticeNight.of(night(-7), DOUBT, 5);
    PracticeNight.Dawn dawn = night.dawn(List.of(SCREEN), List.of(SCREEN), List.of(SCREEN));
    assertThat(dawn.decisions()).isEmpty();
    assertThat(dawn.own().minutes()).isZero();
    assertThat(dawn.own()).isEqualTo(dawn.idle());
  }

  /** What the advice of the evening does is judged by the hidden truth too. */
  @Test
  public void advisedNightsHoldAsOftenAsTheyClaim() {
    SystemPlan plan = night(-4);
    List<Advice.Option> options =
        List.of(
            Advice.Option.of(List.of(SCREEN)),
            Advice.Option.of(List.of(fire(1, 4), fire(1, 8), fire(1, 12))),
            Advice.Option.of(List.of(COVER)));
    Advice advice = Advice.find(plan, options, DOUBT);
    assertThat(advice.actions()).isNotEmpty();
    double claimed =
        NightForecast.of(plan.withActions(advice.actions()), DOUBT, 256).chanceOfHolding();
    long held =
        LongStream.range(0, NIGHTS)
            .parallel()
            .filter(s -> PracticeNight.of(plan, DOUBT, s).way(advice.actions(), List.of()).held())
            .count();
    assertThat((double) held / NIGHTS).isCloseTo(claimed, within(0.05));
  }

  @Test
  public void aColdCoreThatIsHeatedAtNightKeepsMostOfItBeyondDawn() {
    SystemPlan plan = begins(night(-4), "bench", 5);
    PracticeNight.Left bench = left(plan, List.of(fire(9, 8)), "bench");
    assertThat(bench.beganCelsius()).as("as far as it is known").isCloseTo(5, within(3.0));
    assertThat(bench.cameLate()).isTrue();
    assertThat(bench.keptJoules()).isBetween(0.6 * bench.putJoules(), bench.putJoules());
    assertThat(left(plan, List.of(), "bench").cameLate()).isFalse();
    assertThat(left(plan, List.of(), "bench").putJoules()).isZero();
  }

  @Test
  public void aLoopFromAColdStoreTakesHeatOutOfTheHouseAndIsTold() {
    SystemPlan cold = night(led(house(), heap(), 0.5), -7);
    Action loop = Action.run("loop", 0, NIGHT);
    PracticeNight.Dawn dawn =
        PracticeNight.of(cold, DOUBT, 4).dawn(List.of(loop), List.of(), List.of());
    assertThat(dawn.turned()).hasSize(1);
    assertThat(dawn.turned().get(0).joules()).isGreaterThan(3.6e5);
    SystemPlan warm = night(led(house(), heap(), 50), -7);
    assertThat(PracticeNight.of(warm, DOUBT, 4).dawn(List.of(loop), List.of(), List.of()).turned())
        .isEmpty();
  }

  @Test
  public void aHeapThatIsDrawnBelowWhatItWorksAtIsToldAsOverdrawn() {
    PlantSystem led = led(house(), heap(), 51);
    SystemPlan plan =
        night(
            led.withSources(
                List.of(
                    new SystemSource(
                        "rot",
                        new CompostHeat("s", List.of(new CompostHeat.Batch(0, 900, 60, 0.55, 0.4))),
                        Control.free(),
                        true))),
            -7);
    Action loop = Action.run("loop", 0, NIGHT);
    assertThat(left(plan, List.of(loop), "s").overdrawn()).isTrue();
    assertThat(left(plan, List.of(), "s").overdrawn()).isFalse();
    assertThat(left(begins(plan, "s", 30), List.of(loop), "s").overdrawn())
        .as("cold before")
        .isFalse();
  }

  private static PracticeNight.Left left(SystemPlan plan, List<Action> done, String store) {
    return PracticeNight.of(plan, DOUBT, 4).dawn(done, List.of(), List.of()).left().stream()
        .filter(l -> l.store().equals(store))
        .findFirst()
        .orElseThrow();
  }

  private static SystemPlan begins(SystemPlan plan, String store, double celsius) {
    return plan.withSystem(
        plan.system()
            .withStores(
                plan.system().stores().stream()
                    .map(s -> s.id().equals(store) ? store(store, s.store(), celsius) : s)
                    .toList()));
  }

  @Test
  public void onlyLessonsThatAPlaceHasThePartsForAreOffered() {
    PlantSystem bare = PlantSystem.of(house(), List.of());
    assertThat(Lesson.of(bare))
        .containsExactly(
            Lesson.STILL_UNDER_CLOUD,
            Lesson.WIND_IN_THE_GAPS,
            Lesson.CLEAR_SKY,
            Lesson.HARD_AND_CLEAR);
    assertThat(Lesson.of(plant())).contains(Lesson.LATE_CORE).doesNotContain(Lesson.HEAP_OVERDRAWN);
    assertThat(Lesson.LATE_CORE.starts(plant(), 2)).containsOnlyKeys("bench", "sand");
    assertThat(Lesson.of(led(house(), heap(), 50)))
        .contains(Lesson.LOOP_TURNS_ROUND)
        .doesNotContain(Lesson.HEAP_OVERDRAWN, Lesson.LATE_CORE);
  }

  /** In a plain house a lesson can be lost, and the later ones are colder. */
  @Test
  public void lessonsGrowHarder() {
    double before = 99;
    for (Lesson l : Lesson.values()) {
      double low = l.lowCelsius(2);
      assertThat(low).isLessThan(before).isLessThan(2);
      before = low;
      assertThat(l.cloud()).isBetween(0.0, 1.0);
      assertThat(l.windMetresPerSecond()).isBetween(0.0, 15.0);
    }
  }
}
