package nightbank.core.sizing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.List;
import java.util.Map;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.Place;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreState;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemResult;
import nightbank.core.system.SystemStore;
import nightbank.core.weather.Weather;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Both schools on the same night. */
public class DesignComparisonTest {
  private static final double LENGTH = 20 * 3600.0;
  private static final double HEAT = 8 * 3.6e6;

  private static SystemPlan noon() {
    return noon(Place.onHouseFloor());
  }

  private static SystemPlan noon(Place place) {
    HeatStore drum =
        HeatStore.of(
                new Geometry.Cylinder(0.35, 0.8),
                MediumCatalogue.medium("dry-sand").orElseThrow(),
                Map.of())
            .withPlace(place)
            .withZone(new HeatedZone(0.8, 0.1, 0.9));
    SystemPlan like = SizingSearchTest.night(-6);
    SystemStore store = new SystemStore("s", drum, StoreState.uniform(StoreGrid.coarse(drum), 10));
    return SystemPlan.of(
        PlantSystem.of(like.house(), List.of(store)),
        Weather.typed(5, -6, 18 * 3600, 2, 0.3, LENGTH),
        10,
        9,
        7,
        LENGTH,
        300);
  }

  private static DesignComparison pair(DesignQuestion school) {
    return DesignComparison.of(school, noon(), "s", HEAT, 3 * 3600, 4.5 * 3600);
  }

  @DataProvider
  Object[][] schools() {
    return java.util.Arrays.stream(DesignQuestion.values())
        .map(s -> new Object[] {s})
        .toArray(Object[][]::new);
  }

  @Test(dataProvider = "schools")
  public void bothSidesGetTheSameHeatAndEveryJouleIsBooked(DesignQuestion school) {
    DesignComparison.Outcome out = pair(school).run();
    for (SystemResult r : List.of(out.first(), out.second())) {
      double in = r.stores().get(0).chargedJoules() + r.directJoules();
      assertThat(r.residualJoules()).isCloseTo(0, within(1e-8 * in));
      assertThat(in)
          .isCloseTo(HEAT, withinPercentage(school == DesignQuestion.WATER_OR_AIR ? 10 : 3));
    }
    if (school != DesignQuestion.BULK_OR_REFLECTIVE
        && school != DesignQuestion.AIR_OUTSIDE_OR_ROOM) {
      assertThat(out.why()).isNotEmpty();
    }
  }

  private static double early(SystemResult r) {
    return r.stores().get(0).earlyJoules();
  }

  @Test
  public void theBareOneSpendsEarlyAndTheInsulatedOneKeepsMoreForTheMorning() {
    DesignComparison.Outcome out = pair(DesignQuestion.BARE_OR_INSULATED).run();
    assertThat(early(out.first())).isGreaterThan(2 * early(out.second()));
    assertThat(difference(out, DesignComparison.Reason.LEFT_AT_DAWN).second())
        .isGreaterThan(difference(out, DesignComparison.Reason.LEFT_AT_DAWN).first());
  }

  @Test
  public void sandGetsFarHotterThanWaterWithTheSameHeat() {
    DesignComparison.Outcome out = pair(DesignQuestion.SAND_OR_WATER).run();
    var hottest = difference(out, DesignComparison.Reason.HOTTEST);
    assertThat(hottest.first()).isGreaterThan(hottest.second() + 50);
    assertThat(hottest.second()).isLessThan(60);
  }

  @Test
  public void aHeapOutdoorsLosesWhatOneInsideGives() {
    DesignComparison.Outcome out = pair(DesignQuestion.HEAP_OUT_OR_IN).run();
    assertThat(difference(out, DesignComparison.Reason.LOST).first())
        .isGreaterThan(difference(out, DesignComparison.Reason.LOST).second());
    assertThat(out.second().lowestCelsius()).isGreaterThan(out.first().lowestCelsius());
  }

  @Test
  public void heatForTheRoomIsGoneByMorning() {
    DesignComparison.Outcome out =
        DesignComparison.of(
                DesignQuestion.ROOM_OR_STORE,
                noon(Place.inHouse()),
                "s",
                HEAT,
                3 * 3600,
                4.5 * 3600)
            .run();
    assertThat(out.first().directJoules())
        .isCloseTo(5 * out.second().directJoules(), withinPercentage(1));
    assertThat(out.second().lowestCelsius()).isGreaterThan(out.first().lowestCelsius());
  }

  @Test
  public void aFireThatBreathesTheRoomsAirDrawsColdInThroughTheGaps() {
    DesignComparison.Outcome out = pair(DesignQuestion.AIR_OUTSIDE_OR_ROOM).run();
    assertThat(out.second().lowestCelsius()).isLessThan(out.first().lowestCelsius() - 0.005);
  }

  @Test
  public void insulationUnderneathKeepsHeatFromTheGround() {
    DesignComparison.Outcome out = pair(DesignQuestion.GROUND_OR_INSULATED).run();
    assertThat(out.first().stores().get(0).lostJoules())
        .isGreaterThan(out.second().stores().get(0).lostJoules());
  }

  @Test
  public void woolAndFoilsOfTheSameThicknessComeToNearlyTheSame() {
    DesignComparison.Outcome out = pair(DesignQuestion.BULK_OR_REFLECTIVE).run();
    assertThat(out.first().lowestCelsius()).isCloseTo(out.second().lowestCelsius(), within(0.5));
  }

  @Test
  public void aStoreThatIsNotThereIsRefused() {
    assertThatThrownBy(
            () -> DesignComparison.of(DesignQuestion.SAND_OR_WATER, noon(), "t", HEAT, 3600, 7200))
        .hasMessageContaining("no such store");
  }

  private static DesignComparison.Difference difference(
      DesignComparison.Outcome out, DesignComparison.Reason reason) {
    return out.why().stream().filter(d -> d.reason() == reason).findFirst().orElseThrow();
  }
}
