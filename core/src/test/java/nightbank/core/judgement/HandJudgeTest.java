package nightbank.core.judgement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.IntStream;
import nightbank.core.evidence.ChargedStore;
import nightbank.core.evidence.EventKind;
import nightbank.core.evidence.LoggedEvent;
import nightbank.core.evidence.ReadingSeries;
import nightbank.core.fit.HandFit;
import nightbank.core.source.Hearth;
import nightbank.core.store.FaceName;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Probe;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreModel;
import nightbank.core.store.model.StoreState;
import nightbank.core.store.model.Surroundings;
import nightbank.core.system.Places;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Runs of few readings: what charged them is told, or seen as they rise. */
public class HandJudgeTest {
  private static final long BEGIN = 1_767_000_000L;
  private static final int CHARGED = 6 * 3600;
  private static final double WATTS = 600;
  private static final HeatStore BIN =
      Places.lidded().withProbes(List.of(new Probe("half", 0.5, 0.5)));

  private static JudgementInputs inputs(
      double watts, boolean makesHeat, ReadingSeries read, List<LoggedEvent> events) {
    return new JudgementInputs(
        new ChargedStore(
            BIN,
            makesHeat,
            watts,
            false,
            Optional.empty(),
            Hearth.bench(),
            events.isEmpty() ? 0 : 6,
            0,
            180,
            true),
        List.of(read),
        List.of(),
        List.of(),
        Optional.empty(),
        Optional.empty(),
        Map.of(),
        events,
        List.of(),
        new TreeMap<>(),
        new JudgementInputs.Site(57, -3, 8, 7),
        JudgementInputs.Window.of(BEGIN, BEGIN + 2 * 86_400, makesHeat));
  }

  private static ReadingSeries read(double... hoursAndCelsius) {
    int n = hoursAndCelsius.length / 2;
    return new ReadingSeries(
        "half",
        IntStream.range(0, n)
            .mapToLong(i -> BEGIN + (long) (hoursAndCelsius[2 * i] * 3600))
            .toArray(),
        IntStream.range(0, n).mapToDouble(i -> hoursAndCelsius[2 * i + 1]).toArray());
  }

  /** Even to begin with, charged for six hours, read before, at its hottest and in the morning. */
  @DataProvider
  Object[][] starts() {
    return new Object[][] {{8.0}, {45.0}};
  }

  @Test(dataProvider = "starts")
  public void beforeHottestAndMorningTellWhatItHeldHoweverWarmItBegan(double start) {
    StoreModel truth = StoreModel.of(BIN, StoreState.uniform(StoreGrid.standard(BIN), start));
    double[] read = new double[3];
    double usable = 0;
    read[0] = truth.at(0.5, 0.5);
    for (int minute = 0; minute < 20 * 60; minute += 5) {
      truth.step(300, Surroundings.of(9, 8), minute * 60 < CHARGED ? WATTS : 0);
      if (minute + 5 == CHARGED / 60) {
        read[1] = truth.at(0.5, 0.5);
        usable = truth.usableEnergy();
      }
    }
    read[2] = truth.at(0.5, 0.5);
    HandJudge.Judged j =
        HandJudge.of(inputs(WATTS, false, read(0, read[0], 6, read[1], 20, read[2]), List.of()))
            .orElseThrow();
    assertThat(usable).isBetween(j.answer().atEnd().low(), j.answer().atEnd().high());
    assertThat(j.answer().atEnd().high() / j.answer().atEnd().low())
        .as("one probe, hours guessed: a factor of three at the most")
        .isLessThan(3);
    assertThat(WATTS * CHARGED)
        .isBetween(
            j.answer().brought().orElseThrow().low(), j.answer().brought().orElseThrow().high());
    assertThat(j.guessed()).isTrue();
    assertThat(j.to() - j.from()).isEqualTo(CHARGED);
    assertThat(j.answer().strain()).isEmpty();
    assertThat(j.means()).hasSize(3);
  }

  @Test
  public void whatNoStoreCanHaveHadIsLeftOut() {
    ReadingSeries sound = read(0, 12, 8, 44, 21, 33);
    ReadingSeries faulty = read(0, 12, 8, 44, 15, -127, 21, 33);
    HandJudge.Judged one = HandJudge.of(inputs(WATTS, false, sound, List.of())).orElseThrow();
    HandJudge.Judged other = HandJudge.of(inputs(WATTS, false, faulty, List.of())).orElseThrow();
    assertThat(other.readings()).isEqualTo(3);
    assertThat(other.answer()).usingRecursiveComparison().isEqualTo(one.answer());
  }

  @Test
  public void aFireSomebodyWroteDownIsTheChargeAndItsHoursAreNotGuessed() {
    LoggedEvent fire = new LoggedEvent(BEGIN + 3600, EventKind.FIRE_LIT, null, 5, Double.NaN);
    HandJudge.Judged j =
        HandJudge.of(inputs(0, false, read(0, 12, 8, 40, 21, 30), List.of(fire))).orElseThrow();
    assertThat(j.guessed()).isFalse();
    assertThat(j.charged()).isTrue();
    assertThat(j.from()).isBetween(BEGIN + 3600, BEGIN + 2 * 3600);
  }

  @Test
  public void oneThatOnlyCooledHasNoCharge() {
    HandJudge.Judged j =
        HandJudge.of(inputs(WATTS, false, read(0, 60, 12, 45), List.of())).orElseThrow();
    assertThat(j.charged()).isFalse();
    assertThat(j.answer().brought()).isEmpty();
    assertThat(j.answer().halfLife()).isPresent();
  }

  @Test
  public void aLoggersManyReadingsAHeapsAndNoneAreNotJudgedSo() {
    double[] many = new double[2 * (HandJudge.MOST + 1)];
    Arrays.setAll(many, i -> i % 2 == 0 ? i / 4.0 : 60 - i / 10.0);
    assertThat(HandJudge.of(inputs(WATTS, false, read(many), List.of()))).isEmpty();
    assertThat(HandJudge.of(inputs(0, true, read(0, 60, 12, 45), List.of()))).isEmpty();
    assertThat(HandJudge.of(inputs(WATTS, false, read(), List.of()))).isEmpty();
  }

  /** Read on the side alone, by infrared, of a bin that lags its surface. */
  @Test
  public void aSpotOnTheSideTellsOfTheInsideLessThanAProbeDoes() {
    StoreModel truth = StoreModel.of(BIN, StoreState.uniform(StoreGrid.standard(BIN), 12));
    Surroundings beyond = Surroundings.of(9, 8);
    int[] hours = {0, 6, 20};
    double[] side = new double[3];
    double[] half = new double[3];
    double usable = 0;
    int next = 0;
    for (int minute = 0; minute <= 20 * 60; minute += 5) {
      if (next < 3 && minute == hours[next] * 60) {
        double edge = truth.at(1, 0.5);
        double u = BIN.transmittance(FaceName.SIDE, edge, 9);
        side[next] = Math.round(9 + (edge - 9) * u * 0.1); // film of 0.1 m² K/W outside of layers
        half[next] = Math.round(truth.at(0.5, 0.5));
        next++;
      }
      usable = minute == 6 * 60 ? truth.usableEnergy() : usable;
      truth.step(300, beyond, minute * 60 < CHARGED ? WATTS : 0);
    }
    JudgementInputs plain =
        inputs(WATTS, false, read(0, half[0], 6, half[1], 20, half[2]), List.of());
    HandFit.Estimate byProbe = HandJudge.of(plain).orElseThrow().answer().atLast();
    HandJudge.Judged spotted =
        HandJudge.of(onlySpot(plain, read(0, side[0], 6, side[1], 20, side[2]))).orElseThrow();
    HandFit.Estimate bySpot = spotted.answer().atEnd();
    assertThat(usable).isBetween(bySpot.low(), bySpot.high());
    HandFit.Estimate late = spotted.answer().atLast();
    assertThat(late.high() - late.low()).isGreaterThan(byProbe.high() - byProbe.low());
    assertThat(spotted.readings()).isEqualTo(3);
    assertThat(spotted.learned().probes()).isEqualTo(BIN.probes());
    assertThat(spotted.answer().strain()).isEmpty();
  }

  private static JudgementInputs onlySpot(JudgementInputs in, ReadingSeries spot) {
    return JudgementInputsBuilder.builder(in)
        .probes(List.of(read()))
        .spots(
            List.of(
                new JudgementInputs.Spot(
                    new Probe("wall", 1, 0.5),
                    new ReadingSeries("wall", spot.epochSeconds(), spot.celsius()))))
        .build();
  }

  @Test
  public void aSpotThatALoggerFollowsTakesNoRoomFromWhatWasReadByHand() {
    double[] many = new double[2 * 300];
    Arrays.setAll(many, i -> i % 2 == 0 ? i / 30.0 : 20);
    ReadingSeries hand = read(0, 12, 8, 44, 21, 33);
    JudgementInputs plain = inputs(WATTS, false, hand, List.of());
    JudgementInputs both =
        JudgementInputsBuilder.builder(onlySpot(plain, read(many))).probes(List.of(hand)).build();
    assertThat(HandJudge.of(both)).isPresent();
  }

  private static HandFit.Estimate atEnd(JudgementInputs in, EventKind kind, double celsius) {
    JudgementInputs told =
        JudgementInputsBuilder.builder(in)
            .events(List.of(new LoggedEvent(BEGIN + CHARGED, kind, null, celsius, Double.NaN)))
            .build();
    return HandJudge.of(told).orElseThrow().answer().atEnd();
  }

  @Test
  public void hotterThanTheThermometerShowsOrThanAHandBearsLiftsAnAnswerThatIsColder() {
    JudgementInputs in = inputs(WATTS, false, read(0, 12, 20, 22), List.of());
    HandFit.Estimate plain = HandJudge.of(in).orElseThrow().answer().atEnd();
    assertThat(atEnd(in, EventKind.OFF_SCALE, 110).value()).isGreaterThan(1.1 * plain.value());
    assertThat(atEnd(in, EventKind.OFF_SCALE, 110).low()).isGreaterThan(plain.low());
    assertThat(atEnd(in, EventKind.TOO_HOT, Double.NaN).value()).isGreaterThan(plain.value());
    HandFit.Estimate known = atEnd(in, EventKind.OFF_SCALE, 15);
    assertThat(known.value()).isCloseTo(plain.value(), within(0.02 * plain.value()));
    assertThat(atEnd(in, EventKind.OFF_SCALE, Double.NaN)).isEqualTo(plain);
  }
}
