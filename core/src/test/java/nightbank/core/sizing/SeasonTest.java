package nightbank.core.sizing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.List;
import nightbank.core.source.FireLoad;
import nightbank.core.source.Share;
import nightbank.core.source.WoodFire;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreState;
import nightbank.core.system.Control;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemResult;
import nightbank.core.system.SystemSimulation;
import nightbank.core.system.SystemSource;
import nightbank.core.system.SystemStore;
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

  private static Season season(Winter winter, double dailyJoules) {
    SystemPlan like = SizingSearchTest.night(-8);
    return Season.of(
        Season.plan(like.system(), winter, 7, new double[0], new double[0], List.of()),
        columns(),
        dailyJoules);
  }

  @Test
  public void moreMassLosesNoMoreNights() {
    List<Season.Point> curve = season(WINTER, 0).curve(List.of(0, 2, 4, 8, 16, 32));
    for (int i = 1; i < curve.size(); i++) {
      assertThat(curve.get(i).nightsLost()).isLessThanOrEqualTo(curve.get(i - 1).nightsLost());
      assertThat(curve.get(i).coldDegreeHours())
          .isLessThanOrEqualTo(curve.get(i - 1).coldDegreeHours() + 1e-9);
    }
    assertThat(curve.get(0).nightsLost()).isGreaterThan(curve.get(5).nightsLost());
    assertThat(curve).noneMatch(Season.Point::refillingLimits);
  }

  @Test
  public void withAWeakSourceMoreMassStopsHelpingAndRefillingIsSaidToLimit() {
    Season weak = season(WINTER, 3 * 3.6e6);
    Season strong = season(WINTER, 0);
    assertThat(gain(weak.curve(List.of(8, 32)))).isLessThan(gain(strong.curve(List.of(0, 8))));
    Season.Point point = weak.curve(List.of(16)).get(0);
    assertThat(point.nightsLost()).isGreaterThan(strong.curve(List.of(16)).get(0).nightsLost());
    assertThat(point.refillingLimits()).isTrue();
    assertThat(point.electricJoules()).isLessThanOrEqualTo(60 * 3 * 3.6e6 * (1 + 1e-9));
  }

  private static int gain(List<Season.Point> two) {
    return two.get(0).nightsLost() - two.get(1).nightsLost();
  }

  @Test
  public void coarseStepsMoveTheNightsLowsByLittle() {
    Winter month = Winter.between(-1, -9, 20, 5);
    SystemPlan like = SizingSearchTest.night(-8);
    Candidate c = columns();
    var store = c.one().withCount(6);
    SystemStore standing =
        new SystemStore("x", store, StoreState.uniform(StoreGrid.night(store), 12));
    SystemPlan coarse =
        Season.plan(
            like.system().withStores(List.of(standing)),
            month,
            7,
            new double[0],
            new double[0],
            List.of());
    double[] rough = lows(SystemSimulation.run(coarse));
    double[] fine = lows(SystemSimulation.run(coarse.withStep(60)));
    for (int i = 0; i < rough.length; i++) {
      assertThat(rough[i]).isCloseTo(fine[i], within(0.3));
    }
  }

  private static double[] lows(SystemResult r) {
    double[] low = new double[20];
    java.util.Arrays.fill(low, 99);
    for (int k = 0; k < r.plants().length; k++) {
      int day = Math.min(19, (int) (r.seconds()[k] / 86_400));
      low[day] = Math.min(low[day], r.plants()[k]);
    }
    return low;
  }

  @Test
  public void aFireThatIsLitOnColdEveningsSavesNightsAndItsWoodIsCounted() {
    SystemPlan like = SizingSearchTest.night(-8);
    SystemSource hearth =
        new SystemSource(
            "hearth",
            new WoodFire(Share.allToHouse(), 3, 600, false, List.of()),
            Control.free(),
            true);
    PlantSystem warmed = like.system().withSources(List.of(hearth));
    List<Season.Habit> habit = List.of(new Season.Habit("hearth", 8, -3));
    double[] none = new double[0];
    Season.Point lit =
        Season.of(Season.plan(warmed, WINTER, 7, none, none, habit), columns(), 0)
            .curve(List.of(0))
            .get(0);
    Season.Point cold = season(WINTER, 0).curve(List.of(0)).get(0);
    long evenings = WINTER.nights().stream().filter(n -> n.lowCelsius() < -3).count();
    assertThat(lit.nightsLost()).isLessThan(cold.nightsLost());
    assertThat(lit.woodJoules())
        .isCloseTo(evenings * 8 * FireLoad.heatingValue(0.18), withinPercentage(5));
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
