package nightbank.core.fit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import nightbank.core.fit.HandFit.Answer;
import nightbank.core.fit.HandFit.Estimate;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Stores judged from three to seven readings a probe, against what they truly did. */
public class HandFitTest {
  private final List<SparseCase> cases = new ArrayList<>();
  private final List<Answer> answers = new ArrayList<>();

  @BeforeClass
  void judge() {
    for (int i = 1; i <= 24; i++) {
      SparseCase c = SparseCase.of("g%02d".formatted(i));
      cases.add(c);
      answers.add(HandFit.of(c.told()));
    }
  }

  /** Of 24: how many intervals hold the truth, median error and median width over the truth. */
  @DataProvider
  Object[][] quantities() {
    return new Object[][] {
      {"energy_end_J", told(Answer::atEnd), 22, 0.05, 0.28},
      {"energy_last_J", told(Answer::atLast), 22, 0.08, 0.36},
      {"half_life_s", told(a -> a.halfLife().orElseThrow()), 22, 0.10, 0.39},
      {"time_constant_s", told(a -> a.timeConstant().orElseThrow()), 22, 0.10, 0.42},
      {"ua_W_K", told(a -> a.loss().orElseThrow()), 22, 0.10, 0.42},
    };
  }

  private static Function<Answer, Estimate> told(Function<Answer, Estimate> of) {
    return of;
  }

  @Test
  public void theStateItEndsInHasTheMeanThatItTells() {
    for (Answer a : answers) {
      double mean = a.means().get(a.means().size() - 1).value();
      assertThat(a.last().meanCelsius()).isCloseTo(mean, within(1e-9));
      double usable = a.last().usableEnergy(a.learned());
      assertThat(usable).isCloseTo(a.atLast().value(), within(1e-4 * Math.abs(usable) + 1));
    }
  }

  @Test(dataProvider = "quantities")
  public void intervalsHoldWhatTheStoresDid(
      String of, Function<Answer, Estimate> told, int held, double error, double width) {
    double[] errors = new double[24];
    double[] widths = new double[24];
    int inside = 0;
    for (int i = 0; i < 24; i++) {
      double truth = cases.get(i).truth().path(of).asDouble();
      Estimate e = told.apply(answers.get(i));
      inside += truth >= e.low() && truth <= e.high() ? 1 : 0;
      errors[i] = Math.abs(e.value() / truth - 1);
      widths[i] = (e.high() - e.low()) / truth;
    }
    assertThat(inside).as(of).isGreaterThanOrEqualTo(held);
    assertThat(median(errors)).as("error of " + of).isLessThan(error);
    assertThat(median(widths)).as("width of " + of).isLessThan(width);
  }

  @Test
  public void meansAtTheReadingsLieInTheirIntervals() {
    int inside = 0;
    int all = 0;
    for (int i = 0; i < 24; i++) {
      SparseCase c = cases.get(i);
      List<HandRecord.Reading> read = c.told().readings();
      for (var told : c.truth().path("mean_at_readings")) {
        double at = SparseCase.seconds(told.path("at")) - c.zero();
        for (int k = 0; k < read.size(); k++) {
          if (read.get(k).seconds() == at) {
            Estimate mean = answers.get(i).means().get(k);
            double truth = told.path("mean_C").asDouble();
            inside += truth >= mean.low() && truth <= mean.high() ? 1 : 0;
            all++;
          }
        }
      }
    }
    assertThat(inside / (double) all).isBetween(0.9, 1.0);
  }

  private static HandRecord with(SparseCase c, List<HandRecord.Reading> readings) {
    HandRecord t = c.told();
    return new HandRecord(t.store(), t.charge(), t.start(), t.around(), readings);
  }

  @Test
  public void withNoReadingAtAllItIsTheDescriptionsForecastAndEachReadingNarrowsIt() {
    SparseCase bench = SparseCase.of("g06");
    Answer none = HandFit.of(with(bench, List.of()));
    double before = none.atEnd().high() / none.atEnd().low();
    assertThat(none.halfLife().orElseThrow().value()).isPositive();
    for (int n : new int[] {3, bench.told().readings().size()}) {
      Answer some = HandFit.of(with(bench, bench.told().readings().subList(0, n)));
      assertThat(some.atEnd().high() / some.atEnd().low()).isLessThan(before + 1e-6);
      before = some.atEnd().high() / some.atEnd().low();
    }
  }

  @Test
  public void theSameReadingsHaveTheSameAnswerInWhateverOrderTheyWereNoted() {
    SparseCase c = SparseCase.of("g13");
    List<HandRecord.Reading> backwards = new ArrayList<>(c.told().readings());
    java.util.Collections.reverse(backwards);
    Answer one = HandFit.of(c.told());
    Answer other = HandFit.of(with(c, backwards));
    assertThat(other.atEnd().value() / one.atEnd().value()).isCloseTo(1, within(1e-6));
    assertThat(other.loss().orElseThrow().high() / one.loss().orElseThrow().high())
        .isCloseTo(1, within(1e-6));
  }

  @Test
  public void aStoreAsColdAsItsSurroundingsHasNoHalfLifeAndHoldsNothing() {
    SparseCase tin = SparseCase.of("g01");
    HandRecord t = tin.told();
    HandRecord cold =
        new HandRecord(
            t.store(),
            t.charge(),
            Optional.of(new HandRecord.Start(12, 3)),
            t.around(),
            List.of(new HandRecord.Reading(HandRecord.At.STORE, 0, t.charge().from(), 12, 1)));
    Answer a = HandFit.of(cold);
    assertThat(a.halfLife()).isEmpty();
    assertThat(a.loss()).isEmpty();
    assertThat(a.atEnd().value()).isZero();
    assertThat(a.atEnd().low()).isZero();
  }

  @Test
  public void whatCannotGoTogetherWithTheDescriptionIsNamed() {
    SparseCase tank = SparseCase.of("g24");
    assertThat(HandFit.of(tank.told()).strain()).isEmpty();
    List<HandRecord.Reading> wrong =
        tank.told().readings().stream()
            .map(
                r ->
                    r.at() == HandRecord.At.AIR
                        ? r
                        : new HandRecord.Reading(
                            r.at(), r.probe(), r.seconds(), 1.8 * r.celsius() + 32, r.sigma()))
            .toList();
    assertThat(HandFit.of(with(tank, wrong)).strain()).isPresent();
  }

  @Test
  public void theReadingThatTellsMostNarrowsAsItWasToldTo() {
    SparseCase c = SparseCase.of("g06");
    List<HandRecord.Reading> all = c.told().readings();
    List<HandRecord.Reading> few = all.subList(0, 3);
    List<HandRecord.Reading> offered =
        all.subList(3, all.size()).stream().filter(r -> r.at() == HandRecord.At.STORE).toList();
    HandFit.Telling t = HandFit.mostTelling(with(c, few), offered).orElseThrow();
    assertThat(half(with(c, few))).isCloseTo(t.before(), within(0.15 * t.before()));
    List<HandRecord.Reading> taken = new ArrayList<>(few);
    taken.add(
        all.stream()
            .filter(r -> r.seconds() == t.reading().seconds() && r.probe() == t.reading().probe())
            .findFirst()
            .orElseThrow());
    assertThat(t.after()).isLessThan(t.before());
    assertThat(half(with(c, taken))).isCloseTo(t.after(), within(0.3 * t.after()));
  }

  private static double half(HandRecord record) {
    Estimate e = HandFit.of(record).halfLife().orElseThrow();
    return Math.log(e.high() / e.value());
  }

  private static double median(double[] values) {
    double[] sorted = values.clone();
    java.util.Arrays.sort(sorted);
    return (sorted[11] + sorted[12]) / 2;
  }
}
