package nightbank.core.judgement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import nightbank.core.judgement.BeforeAfter.Finding;
import nightbank.core.judgement.BeforeAfter.Kept;
import nightbank.core.judgement.BeforeAfter.Night;
import org.hipparchus.distribution.continuous.TDistribution;
import org.hipparchus.stat.regression.OLSMultipleLinearRegression;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A change told by the nights before it and after it. */
public class BeforeAfterTest {
  private static final long CHANGE = 12;

  /** Lows of 0.6 K per kelvin outdoors from 5 °C on, with a step and with noise, K. */
  private static List<Night> nights(int before, int after, double step, double noise, long seed) {
    Random random = new Random(seed);
    List<Night> nights = new ArrayList<>();
    for (long day = CHANGE - before; day < CHANGE + after; day++) {
      double outdoor = -3 + 3 * random.nextGaussian() - (day < CHANGE ? 0 : 2);
      double house = 5 + 0.6 * outdoor + (day < CHANGE ? 0 : step) + noise * random.nextGaussian();
      nights.add(new Night(day, house, outdoor));
    }
    return nights;
  }

  @Test
  public void findsTheStepWhereNothingDisturbsThoughTheNightsAfterAreColder() {
    BeforeAfter found = BeforeAfter.of(nights(6, 6, 1.25, 0, 1), CHANGE).orElseThrow();
    assertThat(found.warmer()).isCloseTo(1.25, within(1e-9));
    assertThat(found.high() - found.low()).isLessThan(1e-6);
    assertThat(found.finding()).isEqualTo(Finding.WARMER);
    assertThat(found.nightsBefore()).isEqualTo(6);
  }

  @Test
  public void looksNoFartherThanTheNextChangeOnEitherSide() {
    List<Night> nights = new ArrayList<>(nights(8, 8, 1.5, 0, 3));
    for (Night n : nights(40, 40, 1.5, 0, 4)) {
      if (n.day() < CHANGE - 8 || n.day() >= CHANGE + 8) { // another change made these quite other
        nights.add(new Night(n.day(), n.house() + 7, n.outdoor()));
      }
    }
    List<Long> others = List.of(CHANGE - 30, CHANGE - 8, CHANGE, CHANGE + 8, CHANGE + 20);
    BeforeAfter found = BeforeAfter.of(nights, CHANGE, others).orElseThrow();
    assertThat(found.warmer()).isCloseTo(1.5, within(1e-9));
    assertThat(found.nightsBefore() + found.nightsAfter()).isEqualTo(16);
    assertThat(BeforeAfter.of(nights, CHANGE, List.of(CHANGE + 2))).isEmpty();
  }

  @DataProvider
  Object[][] told() {
    return new Object[][] {
      {0.5, 1.5, 1.0, 2.0, Kept.AS_TOLD},
      {0.5, 0.9, 1.0, 2.0, Kept.LESS},
      {2.1, 2.9, 1.0, 2.0, Kept.MORE},
      {-0.5, 2.9, 1.0, 2.0, Kept.CANNOT_TELL},
      {-0.5, 0.9, 1.0, 2.0, Kept.LESS},
      {-1.5, -0.2, -1, 0.5, Kept.AS_TOLD},
    };
  }

  @Test(dataProvider = "told")
  public void isSetAgainstWhatWasTold(
      double low, double high, double toldLow, double toldHigh, Kept kept) {
    BeforeAfter found = new BeforeAfter(9, 9, (low + high) / 2, low, high, false);
    assertThat(found.against(toldLow, toldHigh)).isEqualTo(kept);
  }

  /** Step and doubt by another's least squares, which know of no groups. */
  @Test
  public void agreesWithARegressionOnAColumnOfNoughtsAndOnes() {
    for (int seed = 0; seed < 20; seed++) {
      List<Night> nights = nights(4 + seed, 5, 0.8, 0.7, seed);
      double[][] x = new double[nights.size()][];
      for (int i = 0; i < x.length; i++) {
        x[i] = new double[] {nights.get(i).outdoor(), nights.get(i).day() < CHANGE ? 0 : 1};
      }
      var ols = new OLSMultipleLinearRegression();
      ols.newSampleData(nights.stream().mapToDouble(Night::house).toArray(), x);
      double half =
          ols.estimateRegressionParametersStandardErrors()[2]
              * new TDistribution(x.length - 3).inverseCumulativeProbability(0.975);
      BeforeAfter found = BeforeAfter.of(nights, CHANGE).orElseThrow();
      assertThat(found.warmer()).isCloseTo(ols.estimateRegressionParameters()[2], within(1e-9));
      assertThat(found.high() - found.warmer()).isCloseTo(half, within(1e-9));
    }
  }

  @Test
  public void isTheDifferenceOfTheMeansWhereBothSidesMetTheSameCold() {
    List<Night> nights = new ArrayList<>();
    double[] house = {3.1, 2.4, 1.2, 4.0, 3.0, 2.3};
    for (int i = 0; i < 6; i++) {
      nights.add(new Night(9 + i, house[i], -1 - i % 3));
    }
    double means = (4.0 + 3.0 + 2.3) / 3 - (3.1 + 2.4 + 1.2) / 3;
    assertThat(BeforeAfter.of(nights, CHANGE).orElseThrow().warmer())
        .isCloseTo(means, within(1e-12));
  }

  /**
   * Of 95 in a hundred the interval holds the truth, and a change of nothing is told as nothing.
   */
  @Test
  public void itsIntervalHoldsTheTruthAsOftenAsItSays() {
    int runs = 2000;
    int held = 0;
    int told = 0;
    for (int seed = 0; seed < runs; seed++) {
      BeforeAfter found = BeforeAfter.of(nights(7, 5, 0.8, 0.7, seed), CHANGE).orElseThrow();
      held += found.low() <= 0.8 && 0.8 <= found.high() ? 1 : 0;
      BeforeAfter none = BeforeAfter.of(nights(7, 5, 0, 0.7, seed), CHANGE).orElseThrow();
      told += none.finding() == Finding.CANNOT_TELL ? 1 : 0;
    }
    assertThat(held / (double) runs).isCloseTo(0.95, within(0.02));
    assertThat(told / (double) runs).isCloseTo(0.95, within(0.02));
  }

  @Test
  public void moreNightsTellMore() {
    BeforeAfter few = BeforeAfter.of(nights(4, 4, 1, 0.7, 3), CHANGE).orElseThrow();
    BeforeAfter many = BeforeAfter.of(nights(40, 40, 1, 0.7, 3), CHANGE).orElseThrow();
    assertThat(many.high() - many.low()).isLessThan(0.4 * (few.high() - few.low()));
  }

  @DataProvider
  public Object[][] tooLittle() {
    return new Object[][] {
      {nights(2, 9, 1, 0.5, 1)},
      {nights(9, 2, 1, 0.5, 1)},
      {List.of()},
      {nights(5, 5, 1, 0.5, 1).stream().map(n -> new Night(n.day(), n.house(), -4)).toList()},
    };
  }

  @Test(dataProvider = "tooLittle")
  public void saysNothingOfTooLittle(List<Night> nights) {
    assertThat(BeforeAfter.of(nights, CHANGE)).isEmpty();
  }

  @Test
  public void saysWhereTheColdOfBothSidesHardlyOverlaps() {
    List<Night> nights = new ArrayList<>();
    for (int i = 0; i < 8; i++) {
      double outdoor = i < 4 ? 2 + 0.3 * i : -5 - 0.3 * i;
      nights.add(new Night(8 + i, 5 + 0.6 * outdoor + 0.1 * (i % 2), outdoor));
    }
    assertThat(BeforeAfter.of(nights, CHANGE).orElseThrow().otherCold()).isTrue();
    assertThat(BeforeAfter.of(nights(8, 8, 1, 0.5, 2), CHANGE).orElseThrow().otherCold()).isFalse();
  }
}
