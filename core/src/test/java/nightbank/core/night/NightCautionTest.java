package nightbank.core.night;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import nightbank.core.house.Gap;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.InnerMass;
import nightbank.core.house.Skins;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Layer;
import nightbank.core.store.Place;
import nightbank.core.store.StoreGrid;
import nightbank.core.store.StoreState;
import nightbank.core.weather.Weather;
import org.testng.annotations.Test;

/** What a night warns of, and gaps that are stuffed. */
public class NightCautionTest {
  private static final double LENGTH = 14 * 3600.0;

  private static NightPlan night(HeatStore store, double celsius, Action... actions) {
    Greenhouse house =
        Greenhouse.of(List.of(Skins.part("all", 30, 5.8, 0.7)), 40, 1, 2)
            .withMasses(List.of(new InnerMass(3e7, 250)))
            .withGaps(List.of(new Gap("door", 6, 0.01)));
    return new NightPlan(
        house,
        List.of(new NightStore("s", store, StoreState.uniform(StoreGrid.coarse(store), celsius))),
        Weather.typed(-2, -14, 12 * 3600, 3, 0.2, LENGTH),
        4,
        5,
        5,
        LENGTH,
        120,
        List.of(actions),
        new double[0]);
  }

  private static HeatStore of(String medium) {
    return HeatStore.of(
            new Geometry.Cylinder(0.15, 1), MediumCatalogue.medium(medium).orElseThrow(), Map.of())
        .withPlace(Place.onHouseFloor());
  }

  private static List<NightCaution.Code> codes(NightPlan plan) {
    return NightCaution.of(plan, NightSimulation.run(plan)).stream()
        .map(NightCaution::code)
        .toList();
  }

  @Test
  public void waterThatBeginsToFreezeIsSaidWithItsHour() {
    NightPlan plan = night(of("water"), 1);
    List<NightCaution> all = NightCaution.of(plan, NightSimulation.run(plan));
    assertThat(all).extracting(NightCaution::code).containsExactly(NightCaution.Code.WATER_FREEZES);
    assertThat(all.get(0).atSeconds()).isBetween(600.0, LENGTH);
    assertThat(codes(night(of("water"), 40))).isEmpty();
  }

  @Test
  public void aFireIsNeverPlannedWithoutItsCaution() {
    Action fire = new Action(Action.Kind.FIRE, "s", 3600, LENGTH, 5);
    assertThat(codes(night(of("granite"), 20, fire))).contains(NightCaution.Code.FIRE_INDOORS);
  }

  @Test
  public void anElementInWaterIsWarnedOf() {
    Action element = new Action(Action.Kind.ELEMENT, "s", 0, 7200, 500);
    assertThat(codes(night(of("water"), 40, element))).contains(NightCaution.Code.ELEMENT_IN_WATER);
    assertThat(codes(night(of("dry-sand"), 40, element)))
        .doesNotContain(NightCaution.Code.ELEMENT_IN_WATER);
  }

  @Test
  public void whatIsHotterThanItStandsIsNamed() {
    assertThat(codes(night(of("soil"), 130))).contains(NightCaution.Code.TOO_HOT_FOR_MEDIUM);
    HeatStore wrapped =
        of("dry-sand")
            .withFace(
                FaceName.SIDE,
                Face.of(
                    new Layer.Bulk(MediumCatalogue.insulation("eps").orElseThrow(), 0.05, false)));
    assertThat(codes(night(wrapped, 120))).contains(NightCaution.Code.TOO_HOT_FOR_LAYER);
  }

  @Test
  public void stuffedGapsMakeItWarmer() {
    double open = NightSimulation.run(night(of("granite"), 15)).lowestCelsius();
    Action stuffed = new Action(Action.Kind.STUFF_GAPS, "", 0, LENGTH, 0);
    NightResult shut = NightSimulation.run(night(of("granite"), 15, stuffed));
    assertThat(shut.lowestCelsius()).isGreaterThan(open + 0.2);
    assertThat(Math.abs(shut.residualJoules())).isLessThan(1e-9 * shut.lostJoules());
  }
}
