package nightbank.core.system;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.List;
import java.util.Map;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.source.ElectricHeat;
import nightbank.core.source.FireLoad;
import nightbank.core.source.Flames;
import nightbank.core.source.Fuel;
import nightbank.core.source.Hearth;
import nightbank.core.source.HeatPump;
import nightbank.core.source.HeatSource;
import nightbank.core.source.Receiver;
import nightbank.core.source.Share;
import nightbank.core.source.SunOnFace;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.FluidStream;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatExchanger;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.Layer;
import nightbank.core.store.Place;
import nightbank.core.store.StoreCircuit;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreState;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** One store's charge, tried in still air. */
public class ChargeBenchTest {
  private static HeatStore drum(String medium) {
    return HeatStore.of(
            new Geometry.Cylinder(0.3, 0.7), MediumCatalogue.medium(medium).orElseThrow(), Map.of())
        .withPlace(Place.inHouse())
        .withFloorCelsius(8);
  }

  private static SystemStore at(HeatStore store, double celsius) {
    return new SystemStore("s", store, StoreState.uniform(StoreGrid.standard(store), celsius));
  }

  private static Control first(double hours, Guard... guards) {
    return Control.between(List.of(new Control.Window(0, hours * 3600)), guards);
  }

  private static SystemPlan with(
      HeatStore store, HeatSource source, Control control, double hours) {
    return plan(
        Lumps.of(at(store, 10))
            .withSources(List.of(new SystemSource("heat", source, control, true))),
        hours);
  }

  private static SystemPlan led(
      HeatStore store, FluidStream stream, double inlet, double hours, double more) {
    FluidCircuit loop =
        new FluidCircuit(
            "loop",
            stream,
            List.of(new CircuitEnd.InStore("s"), new CircuitEnd.Held(inlet)),
            first(hours));
    return plan(Lumps.of(at(store, 10)).withCircuits(List.of(loop)), hours + more);
  }

  private static SystemPlan plan(PlantSystem system, double hours) {
    return Lumps.hours(system, 10, hours, 120);
  }

  private static ElectricHeat element(double watts) {
    return new ElectricHeat(Share.allTo("s"), watts, false);
  }

  private static HeatSource wood(double kilograms) {
    return Hearth.bench().fire(List.of("s"), false, List.of(new FireLoad(0, kilograms, 0.18)));
  }

  @DataProvider
  Object[][] everySource() {
    HeatStore sand = drum("dry-sand");
    HeatStore coil =
        sand.withZone(new HeatedZone(0.7, 0.1, 0.9))
            .withCarrier(
                new StoreCircuit(
                    new HeatExchanger.Coil(10, 0.02, 0.002, 0.4, 0.1), FluidStream.Fluid.WATER));
    HeatStore stones =
        drum("gravel")
            .withCarrier(new StoreCircuit(new HeatExchanger.Bed(0.04), FluidStream.Fluid.AIR));
    Guard.Thermostat forty = new Guard.Thermostat(new Sensor.StoreZone("s"), 38, 40);
    Flames lamps =
        new Flames(
            List.of(
                new Share(new Receiver.StoreZone("s"), 0.5), new Share(new Receiver.House(), 0.5)),
            6,
            5,
            Fuel.of("wax").orElseThrow());
    SunOnFace sun =
        new SunOnFace(
            Share.allTo("s"), 0.8, 1, new double[] {0, 9000, 18_000}, new double[] {0, 600, 0});
    return new Object[][] {
      {with(sand, element(700), first(4), 10)},
      {with(drum("damp-sand"), element(1500), first(6), 12)},
      {with(drum("water"), element(700), Control.free(forty), 12)},
      {with(drum("water"), element(3000), first(20), 22)},
      {with(sand.withZone(HeatedZone.behind(FaceName.FOOT)), wood(5), Control.free(), 12)},
      {with(sand, lamps, first(5), 11)},
      {led(coil, FluidStream.water(0.05), 70, 6, 6)},
      {led(stones, new FluidStream(FluidStream.Fluid.AIR, 0.05, 30), 45, 5, 6)},
      {with(drum("granite").withZone(HeatedZone.behind(FaceName.SIDE)), sun, Control.free(), 9)},
    };
  }

  @Test(dataProvider = "everySource")
  public void energyClosesForEverySource(SystemPlan plan) {
    Charge charge = ChargeBench.of(plan, "s").run();
    assertThat(charge.gainJoules()).isPositive();
    assertThat(charge.residualJoules()).isCloseTo(0, within(1e-8 * charge.gainJoules()));
    assertThat(charge.gainJoules()).isLessThanOrEqualTo(charge.broughtJoules() * (1 + 1e-9));
    assertThat(charge.hottest().celsius()).isGreaterThan(charge.mean()[0]);
  }

  @Test
  public void aRodMakesAGlowingCoreInALukewarmDrumAndAfterwardsItEvensOut() {
    SystemPlan plan = with(drum("dry-sand"), element(700), first(4), 16);
    Charge charge = ChargeBench.of(plan, "s").run();
    int end = charge.mean().length - 1;
    int off = (int) (end * 4.0 / 16);
    assertThat(charge.hottest().celsius()).isGreaterThan(charge.mean()[off] + 150);
    assertThat(charge.hottest().radiusFraction()).isLessThan(0.2);
    assertThat(charge.hottest().second()).isCloseTo(4 * 3600, within(600.0));
    assertThat(charge.hottestCelsius()[end]).isLessThan(charge.hottest().celsius() / 3);
    assertThat(charge.frames()).hasSizeGreaterThan(15);
    assertThat(charge.frames().get(charge.frames().size() - 1).second())
        .isCloseTo(16 * 3600, within(1.0));
  }

  private static HeatStore tight() {
    Face tight = Face.measured(1e-9);
    return drum("water")
        .withFaces(Map.of(FaceName.SIDE, tight, FaceName.TOP, tight, FaceName.FOOT, tight));
  }

  @Test
  public void theMomentOfTheAimIsTheClosedForm() {
    Charge charge =
        ChargeBench.of(with(tight(), element(1000), first(8), 8), "s").aimingAt(30).run();
    double exact = tight().mass() * 4184 * 20 / 1000;
    assertThat(charge.reachedSeconds().orElseThrow()).isCloseTo(exact, within(130.0));
    assertThat(charge.efficiency()).isCloseTo(1, within(1e-9));
  }

  @Test
  public void waterBoilsAndGetsNoHotter() {
    Charge charge = ChargeBench.of(with(tight(), element(3000), first(30), 30), "s").run();
    assertThat(charge.hottest().celsius()).isCloseTo(100, within(0.01));
    assertThat(charge.steamJoules()).isPositive();
    assertThat(charge.residualJoules()).isCloseTo(0, within(1e-8 * charge.gainJoules()));
  }

  @Test
  public void aLoopNeverReachesMoreThanItsInlet() {
    HeatStore tank =
        drum("water")
            .withCarrier(
                new StoreCircuit(
                    new HeatExchanger.Coil(12, 0.02, 0.001, 380, 0.06), FluidStream.Fluid.WATER));
    Charge charge =
        ChargeBench.of(led(tank, FluidStream.water(0.1), 40, 48, 0), "s").aimingAt(45).run();
    assertThat(charge.reachedSeconds()).isEmpty();
    assertThat(charge.hottest().celsius()).isLessThan(40);
    assertThat(charge.mean()[charge.mean().length - 1]).isGreaterThan(33);
  }

  @Test
  public void everyPartThatIsTooHotIsNamed() {
    HeatStore drum =
        drum("dry-sand")
            .withFace(
                FaceName.TOP,
                Face.of(
                    new Layer.Bulk(
                        MediumCatalogue.insulation("stone-wool").orElseThrow(), 0.05, false),
                    new Layer.Bulk(MediumCatalogue.insulation("eps").orElseThrow(), 0.05, false)))
            .withZone(HeatedZone.everywhere());
    Charge charge =
        ChargeBench.of(with(drum, element(4000), first(6), 6), "s")
            .with(List.of(new ChargeBench.Part("Plastic pipe", 80)))
            .run();
    assertThat(charge.overheated())
        .extracting(Charge.Overheated::what)
        .contains("Plastic pipe", "Expanded polystyrene board")
        .doesNotContain("Stone wool batt");
  }

  @Test
  public void halvingTheStepHardlyMovesTheEnd() {
    SystemPlan plan = with(drum("dry-sand"), element(700), first(4), 4);
    Charge coarse = ChargeBench.of(plan.withStep(240), "s").run();
    Charge fine = ChargeBench.of(plan.withStep(30), "s").run();
    double a = coarse.mean()[coarse.mean().length - 1];
    double b = fine.mean()[fine.mean().length - 1];
    assertThat(a).isCloseTo(b, within(0.2));
    assertThat(coarse.hottest().celsius()).isCloseTo(fine.hottest().celsius(), withinPercentage(1));
  }

  @Test
  public void heatBehindTheFootStaysLow() {
    HeatStore wall = drum("brick").withZone(HeatedZone.behind(FaceName.FOOT));
    Charge charge = ChargeBench.of(with(wall, wood(6), Control.free(), 9), "s").run();
    var end = charge.frames().get(4).state();
    assertThat(end.at(0.3, 0.05)).isGreaterThan(end.at(0.3, 0.95) + 10);
  }

  @Test
  public void aHeatPumpsHeatIsWhatItGivesAndItsPowerIsTold() {
    PlantSystem system =
        Lumps.of(at(tight(), 20))
            .withPumps(
                List.of(
                    new PumpedHeat(
                        "pump",
                        HeatPump.usual(500),
                        new PumpedHeat.Node.Held(10),
                        new PumpedHeat.Node.Store("s"),
                        Control.free())));
    Charge charge = ChargeBench.of(plan(system, 4), "s").aimingAt(40).run();
    assertThat(charge.electricJoules()).isCloseTo(500 * 4 * 3600.0, withinPercentage(0.1));
    assertThat(charge.gainJoules()).isGreaterThan(2 * charge.electricJoules());
    double sum = 0;
    double span = charge.seconds()[1] - charge.seconds()[0];
    for (double w : charge.storeWatts()) {
      sum += w * span;
    }
    assertThat(sum).as("one rate, one end").isCloseTo(charge.storedJoules(), withinPercentage(0.1));
    assertThat(charge.reachedSeconds()).isPresent();
  }
}
