package nightbank.core.system;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import nightbank.core.source.ElectricHeat;
import nightbank.core.source.FireLoad;
import nightbank.core.source.HeatPump;
import nightbank.core.source.Receiver;
import nightbank.core.source.Share;
import nightbank.core.source.WoodFire;
import nightbank.core.store.FluidStream;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Place;
import nightbank.core.weather.Weather;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What people join wrongly, and what breaks. */
public class HardCasesTest {
  private static final SystemStore WARM = Lumps.tank("warm", 200, 2, 40);
  private static final SystemStore COOL = Lumps.tank("cool", 400, 4, 8);

  private static FluidCircuit loop(Control control, CircuitEnd... ends) {
    return new FluidCircuit("loop", FluidStream.water(0.05), List.of(ends), control);
  }

  private static SystemResult day(PlantSystem system) {
    SystemResult r = SystemSimulation.run(Lumps.hours(system, 10, 24, 120));
    assertThat(r.residualJoules()).isCloseTo(0, within(1e-2));
    return r;
  }

  @Test
  public void aCircuitToItselfIsRefused() {
    CircuitEnd here = new CircuitEnd.Exchanger("warm", 100);
    assertThatThrownBy(() -> loop(Control.free(), here, here)).hasMessageContaining("to itself");
    assertThatThrownBy(() -> loop(Control.free(), here)).hasMessageContaining("somewhere else");
    PumpedHeat.Node node = new PumpedHeat.Node.Store("warm");
    assertThatThrownBy(() -> new PumpedHeat("p", HeatPump.usual(500), node, node, Control.free()))
        .hasMessageContaining("from one place to another");
  }

  @Test
  public void twoPartsOfOneNameAreRefused() {
    assertThatThrownBy(() -> Lumps.of(WARM, WARM)).hasMessageContaining("called warm");
  }

  @Test
  public void aThermostatOnAboveOffIsRefusedInWords() {
    assertThatThrownBy(() -> new Guard.Thermostat(new Sensor.HouseAir(), 8, 5))
        .hasMessageContaining("on below 8.0 °C, off above 5.0 °C");
  }

  @DataProvider
  Object[][] silent() {
    Sensor warm = new Sensor.StoreZone("warm");
    return new Object[][] {
      {new Guard.Thermostat(new Sensor.Silent(), 90, 95)},
      {new Guard.Thermostat(new Sensor.StoreZone("gone"), 90, 95)},
      {new Guard.Differential(warm, new Sensor.Silent(), 5, 2)},
      {new Guard.Above(new Sensor.Collector("gone"), 5, 2)},
    };
  }

  @Test(dataProvider = "silent")
  public void whatWaitsForASilentSensorStaysOff(Guard guard) {
    PlantSystem system =
        Lumps.of(WARM, COOL)
            .withCircuits(
                List.of(
                    loop(
                        Control.free(guard),
                        new CircuitEnd.Exchanger("warm", 100),
                        new CircuitEnd.Exchanger("cool", 100))));
    SystemResult.CircuitTrace c = day(system).circuits().get(0);
    assertThat(c.runSeconds()).isZero();
    assertThat(c.movedJoules()).isZero();
  }

  @Test
  public void aCircuitWhoseStoreIsGoneStandsStill() {
    PlantSystem system =
        Lumps.of(WARM)
            .withCircuits(
                List.of(
                    loop(
                        Control.free(),
                        new CircuitEnd.Exchanger("warm", 100),
                        new CircuitEnd.Exchanger("cool", 100))));
    assertThat(day(system).circuits().get(0).movedJoules()).isZero();
  }

  @Test
  public void anElementWhoseStoreIsGoneUsesNothing() {
    PlantSystem system =
        Lumps.of(WARM)
            .withSources(
                List.of(
                    new SystemSource(
                        "e",
                        new ElectricHeat(Share.allTo("gone"), 800, false),
                        Control.free(),
                        false)));
    SystemResult r = day(system);
    assertThat(r.stores().get(0).chargedJoules() + r.electricJoules()).isZero();
  }

  @Test
  public void whatSharesLeaveOverGoesUpTheFlue() {
    WoodFire fire =
        new WoodFire(
            List.of(
                new Share(new Receiver.StoreZone("warm"), 0.3),
                new Share(new Receiver.StoreZone("cool"), 0.2)),
            5,
            600,
            false,
            List.of(new FireLoad(600, 4, 0.18)));
    PlantSystem system =
        Lumps.of(WARM, COOL)
            .withSources(List.of(new SystemSource("f", fire, Control.free(), false)));
    SystemResult.SourceTrace t = day(system).sources().get(0);
    assertThat(t.toStoresJoules()).isCloseTo(0.5 * t.releasedJoules(), within(1.0));
    assertThat(t.lostJoules()).isCloseTo(0.5 * t.releasedJoules(), within(1.0));
  }

  @Test
  public void aRingOfHeatPumpsAndTwoOnOneTankCloseAndStop() {
    PumpedHeat.Node warm = new PumpedHeat.Node.Store("warm");
    PumpedHeat.Node cool = new PumpedHeat.Node.Store("cool");
    PlantSystem system =
        Lumps.of(WARM, COOL)
            .withPumps(
                List.of(
                    new PumpedHeat("a", HeatPump.usual(400), cool, warm, Control.free()),
                    new PumpedHeat("b", HeatPump.usual(400), warm, cool, Control.free()),
                    new PumpedHeat("c", HeatPump.usual(300), cool, warm, Control.free())));
    SystemResult r = day(system);
    for (SystemResult.StoreTrace s : r.stores()) {
      assertThat(s.end().meanCelsius()).isBetween(0.0, 62.0);
    }
  }

  @Test
  public void aTankThatFreezesWhileItIsDrawnGivesItsLatentHeatAndCloses() {
    SystemStore little = Lumps.tank("cool", 40, 10, 2);
    PlantSystem system =
        Lumps.of(little)
            .withCircuits(
                List.of(
                    loop(
                        Control.free(),
                        new CircuitEnd.Drawn("cool", 0.9, 0.1),
                        new CircuitEnd.Held(-6))));
    SystemResult r = SystemSimulation.run(Lumps.hours(system, -10, 12, 120));
    assertThat(r.stores().get(0).end().meanCelsius()).isBetween(-10.0, 0.0);
    assertThat(r.stores().get(0).residualJoules()).isCloseTo(0, within(1e-2));
    assertThat(-r.stores().get(0).changeJoules()).isGreaterThan(40 * 334_000 * 0.9);
  }

  @Test
  public void whatIsDoneToAPartThatIsGoneDoesNothing() {
    SystemPlan p = Places.night(-5, Action.run("a circuit removed", 0, 7200));
    assertThat(SystemSimulation.run(p).air())
        .isEqualTo(SystemSimulation.run(Places.night(-5)).air());
  }

  @Test
  public void aPlaceWithoutStoresAndOneWithoutAHouseAreSimulated() {
    PlantSystem bare = PlantSystem.of(Places.house(), List.of());
    assertThat(SystemSimulation.run(Places.night(bare, -5)).lowestCelsius()).isBetween(-5.0, 3.0);
    PlantSystem nothing =
        new PlantSystem(Optional.empty(), List.of(), List.of(), List.of(), List.of());
    assertThat(day(nothing).residualJoules()).isZero();
  }

  @Test
  public void afterAForecastsEndItsLastHourGoesOn() {
    double two = 48 * 3600.0;
    SystemPlan week =
        SystemPlan.of(
            Places.plant(), Weather.typed(2, -4, 40_000, 2, 0.3, two), 8, 8, 7, 7 * 86_400.0, 300);
    SystemResult r = SystemSimulation.run(week);
    assertThat(r.outdoor()[r.outdoor().length - 1])
        .isCloseTo(week.weather().outdoorAt(two), within(1e-9));
    assertThat(r.residualJoules()).isCloseTo(0, within(1e-9 * Places.moved(r)));
  }

  @Test
  public void halvingTheStepMovesAWeeksLowestByLittle() {
    SystemPlan week =
        SystemPlan.of(Places.plant(), spell(), 8, 8, 7, 7 * 86_400.0, 300)
            .withActions(List.of(Places.fire(6, 6), Places.fire(54, 8), Places.fire(78, 8)));
    double usual = SystemSimulation.run(week).lowestCelsius();
    double fine = SystemSimulation.run(week.withStep(150)).lowestCelsius();
    assertThat(fine).isCloseTo(usual, within(0.2));
  }

  /** A week of nights to -6 °C and days to 3 °C. */
  private static Weather spell() {
    int hours = 7 * 24 + 1;
    double[] at = new double[hours];
    double[] out = new double[hours];
    double[] wind = new double[hours];
    double[] cloud = new double[hours];
    for (int i = 0; i < hours; i++) {
      at[i] = i * 3600.0;
      out[i] = -1.5 + 4.5 * Math.cos(2 * Math.PI * i / 24.0);
      wind[i] = 2;
      cloud[i] = 0.3;
    }
    return new Weather(at, out, wind, cloud);
  }

  @Test
  public void aThermostatKeepsItsBandAndDoesNotChatter() {
    Guard band = new Guard.Thermostat(new Sensor.HouseAir(), 3, 5);
    SystemSource heater =
        new SystemSource(
            "heater", new ElectricHeat(Share.allToHouse(), 6000, false), Control.free(band), true);
    PlantSystem plant = PlantSystem.of(Places.house(), List.of()).withSources(List.of(heater));
    SystemResult r = SystemSimulation.run(Places.night(plant, -9));
    for (double t : r.air()) {
      assertThat(t).isGreaterThan(2.8);
    }
    SystemResult.SourceTrace t = r.sources().get(0);
    assertThat(t.starts()).isBetween(3, 250);
    double used = t.electricJoules();
    double fine =
        SystemSimulation.run(Places.night(plant, -9).withStep(15))
            .sources()
            .get(0)
            .electricJoules();
    assertThat(used).isCloseTo(fine, within(0.02 * fine));
  }

  @Test
  public void aStoreOutdoorsGivesTheHouseNothingByItself() {
    HeatStore bin = Places.lidded().withPlace(Place.outdoors());
    PlantSystem plant = PlantSystem.of(Places.house(), List.of(Places.store("bin", bin, 70)));
    SystemResult r = SystemSimulation.run(Places.night(plant, -5));
    assertThat(r.stores().get(0).deliveredJoules() + r.stores().get(0).earlyJoules()).isZero();
    assertThat(plant.reachesHouse(plant.stores().get(0))).isFalse();
  }
}
