package nightbank.core.night;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.InnerMass;
import nightbank.core.house.Skins;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.store.Carrier;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.Passage;
import nightbank.core.store.Place;
import nightbank.core.store.StoreGrid;
import nightbank.core.store.StoreState;
import nightbank.core.store.Stream;
import nightbank.core.weather.Weather;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Stores whose heat a pump or fan brings into the house. */
public class PumpTest {
  private static final double LENGTH = 14 * 3600.0;

  private static HeatStore heap() {
    return HeatStore.of(
            new Geometry.Cylinder(1.1, 1.2),
            MediumCatalogue.medium("compost").orElseThrow(),
            Map.of())
        .withPlace(Place.outdoors())
        .withZone(new HeatedZone(0.8, 0.2, 0.8))
        .withFloorCelsius(30)
        .withCarrier(
            new Carrier(
                new Passage.Coil(40, 0.025, 0.0025, 0.4, 0.15),
                new Stream(Stream.Fluid.WATER, 0.08, 25, 90)));
  }

  private static HeatStore stones() {
    return HeatStore.of(
            new Geometry.Box(2, 1, 0.9), MediumCatalogue.medium("gravel").orElseThrow(), Map.of())
        .withPlace(Place.onHouseFloor())
        .withCarrier(new Carrier(new Passage.Bed(0.04), new Stream(Stream.Fluid.AIR, 0.12, 40, 0)));
  }

  private static HeatStore pipes() {
    return new HeatStore(
        new Geometry.Cylinder(0.3, 12),
        6,
        MediumCatalogue.medium("soil").orElseThrow(),
        Map.of(),
        Place.inGround(),
        5,
        HeatedZone.everywhere(),
        List.of(),
        java.util.Optional.of(
            new Carrier(new Passage.Bore(0.1), new Stream(Stream.Fluid.AIR, 0.2, 60, 0))));
  }

  private static NightPlan plan(HeatStore store, double warm, boolean pump) {
    Greenhouse house =
        Greenhouse.of(List.of(Skins.part("glass", 30, 4, 0.5)), 40, 0.8, 2)
            .withMasses(List.of(new InnerMass(3e6, 60)));
    return new NightPlan(
        house,
        List.of(new NightStore("s", store, StoreState.uniform(StoreGrid.coarse(store), warm))),
        Weather.typed(2, -6, 12 * 3600, 2, 0.3, LENGTH),
        8,
        7,
        8,
        LENGTH,
        120,
        pump ? List.of(new Action(Action.Kind.PUMP, "s", 3600, LENGTH, 0)) : List.of(),
        new double[0]);
  }

  @DataProvider
  Object[][] stores() {
    return new Object[][] {{heap(), 55.0}, {stones(), 35.0}, {pipes(), 18.0}};
  }

  @Test(dataProvider = "stores")
  public void aPumpWarmsTheHouseAndEveryJouleIsBooked(HeatStore store, double warm) {
    NightResult off = NightSimulation.run(plan(store, warm, false));
    NightResult on = NightSimulation.run(plan(store, warm, true));
    assertThat(on.lowestCelsius()).isGreaterThan(off.lowestCelsius() + 0.5);
    double moved = on.lostJoules() + on.stores().get(0).deliveredJoules();
    assertThat(on.residualJoules()).isCloseTo(0, within(1e-9 * moved));
    assertThat(on.stores().get(0).changeJoules()).isLessThan(off.stores().get(0).changeJoules());
  }

  @Test
  public void aHeapOutdoorsGivesTheHouseNothingUntilItsPumpRuns() {
    NightResult off = NightSimulation.run(plan(heap(), 55, false));
    assertThat(off.stores().get(0).deliveredJoules()).isZero();
    NightResult on = NightSimulation.run(plan(heap(), 55, true));
    assertThat(on.stores().get(0).toHouseWatts()[10]).isZero();
    assertThat(on.stores().get(0).toHouseWatts()[60]).isBetween(200.0, 4000.0);
  }

  @Test
  public void aPumpOnAColdStoreCoolsTheHouse() {
    NightResult off = NightSimulation.run(plan(stones(), -5, false));
    NightResult on = NightSimulation.run(plan(stones(), -5, true));
    assertThat(on.air()[40]).isLessThan(off.air()[40]);
  }

  @Test
  public void theSmallGridOfEnsemblesSaysTheSame() {
    for (Object[] each : stores()) {
      NightPlan plan = plan((HeatStore) each[0], (double) each[1], true);
      NightPlan small = plan.withStores(plan.stores().stream().map(NightStore::small).toList());
      assertThat(NightSimulation.run(small).lowestCelsius())
          .isCloseTo(NightSimulation.run(plan).lowestCelsius(), within(0.15));
    }
  }
}
