package nightbank.core.system;

import static nightbank.core.system.Places.COVER;
import static nightbank.core.system.Places.ELEMENT;
import static nightbank.core.system.Places.LID;
import static nightbank.core.system.Places.SCREEN;
import static nightbank.core.system.Places.fire;
import static nightbank.core.system.Places.moved;
import static nightbank.core.system.Places.night;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.InnerMass;
import nightbank.core.house.Skins;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.store.FluidStream;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Place;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreState;
import nightbank.core.weather.Weather;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A place through a night, with what is done in it. */
public class SystemSimulationTest {
  private static final CircuitEnd RADIATOR = new CircuitEnd.Radiator(22);
  private static final FluidStream STREAM = FluidStream.water(0.5);

  @Test
  public void withEverythingDoneAtOnceEveryJouleIsBooked() {
    SystemResult n =
        SystemSimulation.run(night(-7, fire(1, 7), fire(3, 4), SCREEN, COVER, LID, ELEMENT));
    assertThat(n.residualJoules()).isCloseTo(0, within(1e-9 * moved(n)));
    for (var s : n.stores()) {
      assertThat(s.residualJoules()).isCloseTo(0, within(1e-9 * moved(n)));
    }
    assertThat(n.store("sand").orElseThrow().chargedJoules())
        .as("switched on and off to the second")
        .isCloseTo(800 * 3 * 3600.0, within(1.0));
    SystemResult.SourceTrace wood = n.source("fire").orElseThrow();
    assertThat(wood.toStoresJoules() + wood.toHouseJoules() + wood.lostJoules())
        .isCloseTo(wood.releasedJoules(), within(1e-6 * wood.releasedJoules()));
    assertThat(wood.releasedJoules() + wood.leftJoules())
        .isCloseTo(11 * 15.14e6, within(0.01 * wood.releasedJoules()));
  }

  @DataProvider
  Object[][] helps() {
    return new Object[][] {{fire(1, 6)}, {SCREEN}, {COVER}, {LID}, {ELEMENT}};
  }

  @Test(dataProvider = "helps")
  public void eachThingDoneMakesTheNightWarmer(Action action) {
    double usual = SystemSimulation.run(night(-7)).lowestCelsius();
    assertThat(SystemSimulation.run(night(-7, action)).lowestCelsius()).isGreaterThan(usual);
  }

  @Test
  public void moreWoodIsNeverColder() {
    double before = SystemSimulation.run(night(-7)).lowestCelsius();
    for (double kg = 2; kg <= 12; kg += 2) {
      double lowest = SystemSimulation.run(night(-7, fire(1, kg))).lowestCelsius();
      assertThat(lowest).isGreaterThan(before);
      before = lowest;
    }
  }

  @Test
  public void aWarmerStoreNeverMakesAColderHouse() {
    double before = Double.NEGATIVE_INFINITY;
    for (double t = 6; t < 60; t += 9) {
      PlantSystem plant =
          PlantSystem.of(Places.house(), List.of(Places.store("bench", Places.bench(), t)));
      double lowest = SystemSimulation.run(night(plant, -7)).lowestCelsius();
      assertThat(lowest).isGreaterThan(before);
      before = lowest;
    }
  }

  @Test
  public void halvingStepAndGridMovesTheLowestByLessThanATenth() {
    SystemPlan usual = night(-7, fire(1, 6), SCREEN);
    double lowest = SystemSimulation.run(usual).lowestCelsius();
    assertThat(SystemSimulation.run(usual.withStep(30)).lowestCelsius())
        .as("half the step")
        .isCloseTo(lowest, within(0.1));
    SystemPlan fine =
        usual.withSystem(
            usual
                .system()
                .withStores(
                    usual.system().stores().stream()
                        .map(s -> s.with(s.store(), s.start().on(StoreGrid.standard(s.store()))))
                        .toList()));
    assertThat(SystemSimulation.run(fine).lowestCelsius())
        .as("half the cell")
        .isCloseTo(lowest, within(0.1));
    assertThat(SystemSimulation.run(usual.small().withStep(120)).lowestCelsius())
        .as("as the ensemble runs it")
        .isCloseTo(lowest, within(0.1));
  }

  @Test
  public void theOrderOfPartsChangesNothing() {
    SystemPlan p = night(-7, fire(1, 6), LID, ELEMENT);
    PlantSystem s = p.system();
    PlantSystem turned =
        s.withStores(List.of(s.stores().get(1), s.stores().get(0)))
            .withSources(List.of(s.sources().get(1), s.sources().get(0)));
    double[] a = SystemSimulation.run(p).air();
    double[] b = SystemSimulation.run(p.withSystem(turned)).air();
    assertThat(b).containsExactly(a);
  }

  @Test
  public void twoHalfHousesLoseWhatTheWholeDoes() {
    Greenhouse whole = Places.house();
    SystemPlan p = night(-7).withoutStores();
    var halves = new ArrayList<nightbank.core.house.SkinPart>();
    for (var part : whole.skin()) {
      var half =
          new nightbank.core.house.SkinPart(
              part.name(),
              part.areaSquareMetres() / 2,
              part.resistance(),
              part.dry(),
              part.wet(),
              part.skyView(),
              part.solarShare(),
              part.tiltDegrees(),
              part.azimuthDegrees(),
              part.behind(),
              part.screenResistance(),
              part.slab(),
              part.heatFactor());
      halves.add(half);
      halves.add(half);
    }
    assertThat(SystemSimulation.run(p.withHouse(whole.withSkin(halves))).lowestCelsius())
        .isCloseTo(SystemSimulation.run(p).lowestCelsius(), within(1e-9));
  }

  @Test
  public void aHouseAgainstAHeatedBuildingIsWarmerThanOneAlone() {
    Greenhouse alone = Places.house();
    Greenhouse leaning = alone.changed(p -> p.name().equals("back") ? p.against(17) : p, 1);
    SystemPlan p = night(-7);
    assertThat(SystemSimulation.run(p.withHouse(leaning)).lowestCelsius())
        .isGreaterThan(SystemSimulation.run(p).lowestCelsius() + 0.5);
  }

  @Test
  public void aHouseWithNothingSlowInItIsSimulatedToo() {
    Greenhouse bare =
        Greenhouse.of(List.of(Skins.part("all", 20, 5, 0.5)), 30, 1, 2).withAirCapacity(1e5);
    SystemResult n = SystemSimulation.run(night(-7).withHouse(bare).withoutStores());
    assertThat(n.lowestCelsius()).isBetween(-12.0, -5.0);
  }

  @Test
  public void waterThatFreezesGivesItsLatentHeat() {
    HeatStore tank =
        HeatStore.of(
                new Geometry.Cylinder(0.3, 1),
                MediumCatalogue.medium("water").orElseThrow(),
                Map.of())
            .withPlace(Place.inHouse());
    PlantSystem plant =
        PlantSystem.of(
            Places.house(),
            List.of(new SystemStore("tank", tank, StoreState.uniform(StoreGrid.coarse(tank), 1))));
    SystemResult n = SystemSimulation.run(night(plant, -28));
    double[] mean = n.stores().get(0).meanCelsius();
    assertThat(mean[mean.length - 1]).isBetween(-1.0, 0.0);
    assertThat(n.residualJoules()).isCloseTo(0, within(1e-9 * moved(n)));
  }

  @Test
  public void aFireOutdoorsWarmsItsWallAndNotTheHouse() {
    PlantSystem plant = Places.plant();
    HeatStore wall = Places.bench().withPlace(Place.outdoors());
    PlantSystem outside =
        plant
            .withStores(List.of(Places.store("bench", wall, 15), plant.stores().get(1)))
            .withSources(
                plant.sources().stream()
                    .map(s -> new SystemSource(s.id(), s.source(), s.control(), false))
                    .toList());
    SystemResult lit = SystemSimulation.run(night(outside, -7, fire(1, 10)));
    SystemResult dark = SystemSimulation.run(night(outside, -7));
    assertThat(lit.lowestCelsius()).isCloseTo(dark.lowestCelsius(), within(1e-9));
    assertThat(lit.store("bench").orElseThrow().chargedJoules()).isPositive();
  }

  @DataProvider
  Object[][] led() {
    return new Object[][] {{Places.heap(), 55.0}, {Places.stones(), 35.0}, {Places.pipes(), 18.0}};
  }

  private static SystemPlan led(HeatStore store, double warm, boolean pump) {
    Greenhouse house =
        Greenhouse.of(List.of(Skins.part("glass", 30, 4, 0.5)), 40, 0.8, 2)
            .withMasses(List.of(new InnerMass(3e6, 60)));
    double length = 14 * 3600;
    SystemPlan plan =
        SystemPlan.of(
            Places.led(house, store, warm),
            Weather.typed(2, -6, 12 * 3600, 2, 0.3, length),
            8,
            7,
            8,
            length,
            120);
    return pump ? plan.withActions(List.of(Action.run("loop", 3600, length))) : plan;
  }

  @Test(dataProvider = "led")
  public void aPumpWarmsTheHouseAndEveryJouleIsBooked(HeatStore store, double warm) {
    SystemResult off = SystemSimulation.run(led(store, warm, false));
    SystemResult on = SystemSimulation.run(led(store, warm, true));
    assertThat(on.lowestCelsius()).isGreaterThan(off.lowestCelsius() + 0.5);
    assertThat(on.residualJoules()).isCloseTo(0, within(1e-9 * moved(on)));
    assertThat(on.stores().get(0).residualJoules()).isCloseTo(0, within(1e-9 * moved(on)));
    assertThat(on.stores().get(0).changeJoules()).isLessThan(off.stores().get(0).changeJoules());
    SystemResult.CircuitTrace c = on.circuits().get(0);
    assertThat(c.toHouseJoules()).isPositive();
    assertThat(c.runSeconds()).isCloseTo(13 * 3600, within(1.0));
    double machine = Places.stream(store).machineWatts();
    assertThat(c.electricJoules()).isCloseTo(machine * 13 * 3600, within(1.0));
  }

  @Test
  public void aHeapOutdoorsGivesTheHouseNothingUntilItsPumpRuns() {
    SystemResult off = SystemSimulation.run(led(Places.heap(), 55, false));
    assertThat(off.stores().get(0).deliveredJoules()).isZero();
    SystemResult on = SystemSimulation.run(led(Places.heap(), 55, true));
    assertThat(on.stores().get(0).toHouseWatts()[10]).isZero();
    assertThat(on.stores().get(0).toHouseWatts()[60]).isBetween(200.0, 4000.0);
  }

  @Test
  public void aPumpOnAColdStoreCoolsTheHouse() {
    SystemResult off = SystemSimulation.run(led(Places.stones(), -5, false));
    SystemResult on = SystemSimulation.run(led(Places.stones(), -5, true));
    assertThat(on.air()[40]).isLessThan(off.air()[40]);
  }

  @Test(dataProvider = "led")
  public void theSmallGridOfEnsemblesSaysTheSame(HeatStore store, double warm) {
    SystemPlan plan = led(store, warm, true);
    assertThat(SystemSimulation.run(plan.small()).lowestCelsius())
        .isCloseTo(SystemSimulation.run(plan).lowestCelsius(), within(0.15));
  }

  @Test
  public void aLowWarmerThanTheEveningIsTakenAsItIs() {
    SystemResult n = SystemSimulation.run(night(6));
    assertThat(n.outdoor()[n.outdoor().length - 1]).isGreaterThan(2.5);
  }

  @Test
  public void withoutAStoreItsFireBurnsIntoTheHouse() {
    SystemPlan p = night(-7, fire(1, 6));
    SystemPlan gone = p.without("bench"::equals);
    SystemResult r = SystemSimulation.run(gone);
    assertThat(r.source("fire").orElseThrow().toHouseJoules())
        .isGreaterThan(3 * SystemSimulation.run(p).source("fire").orElseThrow().toHouseJoules());
    assertThat(gone.actions()).hasSize(1);
    SystemPlan bare = p.withoutStores();
    assertThat(bare.system().has("element")).isTrue();
    assertThat(Optional.of(bare.system().stores())).contains(List.of());
  }

  private static SystemPlan warmedByALoop(CircuitEnd end) {
    SystemStore sand = Places.store("sand", Places.lidded(), 90);
    FluidCircuit loop =
        new FluidCircuit(
            "loop", STREAM, List.of(new CircuitEnd.Exchanger("sand", 1e5), end), Control.free());
    return Places.night(
            PlantSystem.of(Places.house(), List.of(sand)).withCircuits(List.of(loop)), -8)
        .small();
  }

  /** 2090 W/K go by, 22 W/K reach the air. */
  @Test
  public void aSmallRadiatorOnAFastLoopShortensNoStep() {
    SystemResult coarse = SystemSimulation.run(warmedByALoop(RADIATOR).withStep(600));
    assertThat(coarse.stepSeconds()).isEqualTo(600);
    SystemResult fine = SystemSimulation.run(warmedByALoop(RADIATOR).withStep(60));
    assertThat(coarse.lowestCelsius()).isCloseTo(fine.lowestCelsius(), within(0.3));
    SystemResult wide =
        SystemSimulation.run(warmedByALoop(new CircuitEnd.Radiator(1e5)).withStep(600));
    double most = Places.house().airCapacity() / STREAM.capacityRate();
    assertThat(wide.stepSeconds()).as("the air's own heat and no more").isBetween(0.9 * most, most);
  }
}
