package nightbank.core.sizing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import nightbank.core.night.NightSimulation;
import org.testng.annotations.Test;

/** Winters and the curve of size against nights lost. */
public class SeasonTest {
  private static final Winter WINTER = Winter.between(-1, -11, 60, 7);

  private static Candidate columns() {
    return SizingSearchTest.some("water").stream()
        .filter(c -> c.container().id().equals("column") && c.wrapMillimetres() == 0)
        .findFirst()
        .orElseThrow();
  }

  @Test
  public void moreMassLosesNoMoreNights() {
    List<Season.Point> curve =
        new Season(SizingSearchTest.night(-8), WINTER, columns(), 0)
            .curve(List.of(0, 2, 4, 8, 16, 32));
    for (int i = 1; i < curve.size(); i++) {
      assertThat(curve.get(i).nightsLost()).isLessThanOrEqualTo(curve.get(i - 1).nightsLost());
      assertThat(curve.get(i).coldDegreeHours())
          .isLessThanOrEqualTo(curve.get(i - 1).coldDegreeHours() + 1e-9);
    }
    assertThat(curve.get(0).nightsLost()).isGreaterThan(curve.get(5).nightsLost());
  }

  @Test
  public void withAWeakSourceMoreMassStopsHelping() {
    Season weak = new Season(SizingSearchTest.night(-8), WINTER, columns(), 3 * 3.6e6);
    Season strong = new Season(SizingSearchTest.night(-8), WINTER, columns(), 0);
    int gainWeak = gain(weak.curve(List.of(8, 32)));
    int gainStrong = gain(strong.curve(List.of(0, 8)));
    assertThat(gainWeak).isLessThan(gainStrong);
    assertThat(weak.curve(List.of(16)).get(0).nightsLost())
        .isGreaterThanOrEqualTo(strong.curve(List.of(16)).get(0).nightsLost());
  }

  private static int gain(List<Season.Point> two) {
    return two.get(0).nightsLost() - two.get(1).nightsLost();
  }

  @Test
  public void oneNightOfAWinterIsTheNightItself() {
    Winter one = new Winter(List.of(new Winter.Night(5, 1, -8, 2, 0.3)));
    Season.Point point =
        new Season(SizingSearchTest.night(-8), one, columns(), 0).curve(List.of(0)).get(0);
    boolean lost = NightSimulation.run(SizingSearchTest.night(-8)).lowestCelsius() < 2;
    assertThat(point.nightsLost()).isEqualTo(lost ? 1 : 0);
  }

  @Test
  public void aWinterFromTwoNumbersHasThemAndIsTheSameEachTime() {
    var lows = WINTER.nights().stream().mapToDouble(Winter.Night::lowCelsius).sorted().toArray();
    assertThat(lows[0]).isCloseTo(-11, within(0.01));
    assertThat((lows[29] + lows[30]) / 2).isCloseTo(-1, within(0.01));
    assertThat(Winter.between(-1, -11, 60, 7)).isEqualTo(WINTER);
    assertThat(Winter.between(-1, -11, 60, 8)).isNotEqualTo(WINTER);
  }

  @Test
  public void coldNightsComeInSpells() {
    var nights = Winter.between(0, -10, 400, 3).nights();
    double product = 0;
    double square = 0;
    for (int i = 1; i < nights.size(); i++) {
      product += nights.get(i).lowCelsius() * nights.get(i - 1).lowCelsius();
      square += nights.get(i).lowCelsius() * nights.get(i).lowCelsius();
    }
    assertThat(product / square).isBetween(0.5, 0.85);
  }

  @Test
  public void aHardestNightThatIsMildIsRefused() {
    assertThatThrownBy(() -> Winter.between(-5, -2, 60, 1))
        .hasMessageContaining("must be colder than a usual one");
  }

  @Test
  public void anHourlyFileGivesItsNightsFromNoonToNoon() {
    int hours = 24 * 30;
    long[] at = new long[hours];
    double[] celsius = new double[hours];
    double[] wind = new double[hours];
    double[] cloud = new double[hours];
    for (int i = 0; i < hours; i++) {
      at[i] = 1_700_000_000L / 86_400 * 86_400 + i * 3600L;
      // coldest at six in the morning, and colder every night
      celsius[i] = 2 - 4 * Math.cos(2 * Math.PI * (i % 24 - 6) / 24.0) - 0.1 * (i / 24);
      wind[i] = Double.NaN;
      cloud[i] = 0.2;
    }
    Winter winter = Winter.ofHours(at, celsius, wind, cloud, 0, 20).orElseThrow();
    assertThat(winter.nights()).hasSizeBetween(28, 30);
    Winter.Night tenth = winter.nights().get(9);
    assertThat(tenth.lowCelsius()).isCloseTo(-2 - 0.1 * 10, within(0.11));
    assertThat(tenth.eveningCelsius()).isBetween(4.5, 6.0);
    assertThat(tenth.wind()).isCloseTo(2.5, within(1e-9));
    assertThat(Winter.ofHours(at, celsius, wind, cloud, 0, 60)).isEmpty();
  }
}
