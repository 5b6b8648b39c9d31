package nightbank.core.system;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nightbank.core.house.Floor;
import nightbank.core.house.Gap;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.InnerMass;
import nightbank.core.house.Skins;
import nightbank.core.medium.InsulationMaterial;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.source.ElectricHeat;
import nightbank.core.source.Hearth;
import nightbank.core.source.Share;
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
import nightbank.core.weather.Weather;

/** Made-up houses with stores, sources and circuits, for tests. */
public final class Places {
  /** Of a night from mid afternoon to sunrise, s. */
  public static final double NIGHT = 15 * 3600.0;

  public static final Action SCREEN = Action.house(Action.Kind.SCREEN, 0, NIGHT);
  public static final Action COVER = Action.house(Action.Kind.COVER, 0, NIGHT);
  public static final Action LID =
      new Action(Action.Kind.LID_OFF, "sand", 3 * 3600, NIGHT, Double.NaN);
  public static final Action ELEMENT = Action.run("element", 3600, 4 * 3600);

  private Places() {}

  public static Greenhouse house() {
    return Greenhouse.of(
            List.of(
                Skins.pane("roof", 20, 4.5, 25).screened(0.25),
                Skins.pane("front", 9, 4.5, 90).screened(0.25),
                Skins.part("back", 16, 1.5, 0)),
            36,
            0.8,
            2)
        .withMasses(List.of(new InnerMass(6e6, 120)))
        .withGaps(List.of(new Gap("door", 5, 0.003)))
        .withFloor(new Floor(16, 12, 0.8));
  }

  public static HeatStore bench() {
    return HeatStore.of(
            new Geometry.Box(4, 0.6, 0.5),
            MediumCatalogue.medium("granite").orElseThrow(),
            Map.of())
        .withPlace(Place.onHouseFloor())
        .withZone(new HeatedZone(0.35, 0.2, 0.6));
  }

  public static HeatStore lidded() {
    InsulationMaterial wool = MediumCatalogue.insulation("stone-wool").orElseThrow();
    Face wrapped = Face.of(new Layer.Bulk(wool, 0.1, false));
    return HeatStore.of(
            new Geometry.Cylinder(0.4, 0.8),
            MediumCatalogue.medium("dry-sand").orElseThrow(),
            Map.of(FaceName.SIDE, wrapped, FaceName.TOP, wrapped, FaceName.FOOT, wrapped))
        .withPlace(Place.onHouseFloor());
  }

  public static SystemStore store(String id, HeatStore store, double celsius) {
    return new SystemStore(id, store, StoreState.uniform(StoreGrid.coarse(store), celsius));
  }

  /** A bench with a fire and lidded sand with an element of 800 W, both by hand. */
  public static PlantSystem plant() {
    return PlantSystem.of(
            house(), List.of(store("bench", bench(), 15), store("sand", lidded(), 90)))
        .withSources(
            List.of(
                new SystemSource(
                    "fire",
                    Hearth.bench().fire(List.of("bench"), false, List.of()),
                    Control.free(),
                    true),
                new SystemSource(
                    "element",
                    new ElectricHeat(Share.allTo("sand"), 800, false),
                    Control.byHand(),
                    true)));
  }

  public static SystemPlan night(double low, Action... actions) {
    return night(plant(), low, actions);
  }

  public static SystemPlan night(PlantSystem plant, double low, Action... actions) {
    return SystemPlan.of(plant, Weather.typed(2, low, 13 * 3600, 2, 0.3, NIGHT), 9, 8, 7, NIGHT, 60)
        .withActions(List.of(actions));
  }

  public static Action fire(double hour, double kilograms) {
    return Action.load("fire", hour * 3600, kilograms);
  }

  /** What is pumped through each of them. */
  public static FluidStream stream(HeatStore store) {
    HeatExchanger passage = store.carrier().orElseThrow().passage();
    if (passage instanceof HeatExchanger.Coil) {
      return new FluidStream(FluidStream.Fluid.WATER, 0.08, 25);
    }
    return passage instanceof HeatExchanger.Bed
        ? new FluidStream(FluidStream.Fluid.AIR, 0.12, 40)
        : new FluidStream(FluidStream.Fluid.AIR, 0.2, 60);
  }

  /** A store led to the house by its own carrier, switched by hand. */
  public static PlantSystem led(Greenhouse house, HeatStore store, double celsius) {
    FluidStream stream = stream(store);
    CircuitEnd end =
        stream.fluid() == FluidStream.Fluid.AIR
            ? new CircuitEnd.HouseAir()
            : new CircuitEnd.Radiator(90);
    return PlantSystem.of(house, List.of(store("s", store, celsius)))
        .withCircuits(
            List.of(
                new FluidCircuit(
                    "loop", stream, List.of(new CircuitEnd.InStore("s"), end), Control.byHand())));
  }

  public static HeatStore heap() {
    return HeatStore.of(
            new Geometry.Cylinder(1.1, 1.2),
            MediumCatalogue.medium("compost").orElseThrow(),
            Map.of())
        .withPlace(Place.outdoors())
        .withZone(new HeatedZone(0.8, 0.2, 0.8))
        .withFloorCelsius(30)
        .withCarrier(
            new StoreCircuit(
                new HeatExchanger.Coil(40, 0.025, 0.0025, 0.4, 0.15), FluidStream.Fluid.WATER));
  }

  public static HeatStore stones() {
    return HeatStore.of(
            new Geometry.Box(2, 1, 0.9), MediumCatalogue.medium("gravel").orElseThrow(), Map.of())
        .withPlace(Place.onHouseFloor())
        .withCarrier(new StoreCircuit(new HeatExchanger.Bed(0.04), FluidStream.Fluid.AIR));
  }

  public static HeatStore pipes() {
    return new HeatStore(
        new Geometry.Cylinder(0.3, 12),
        6,
        MediumCatalogue.medium("soil").orElseThrow(),
        Map.of(),
        Place.inGround(),
        5,
        HeatedZone.everywhere(),
        List.of(),
        Optional.of(new StoreCircuit(new HeatExchanger.Bore(0.1), FluidStream.Fluid.AIR)));
  }

  /** Heat that moved in a simulation, as a scale for what must close, J. */
  public static double moved(SystemResult r) {
    double sum = Math.abs(r.lostJoules()) + Math.abs(r.directJoules()) + r.sunJoules() + 1e6;
    for (SystemResult.StoreTrace s : r.stores()) {
      sum += Math.abs(s.chargedJoules()) + Math.abs(s.changeJoules()) + s.receivedJoules();
    }
    return sum;
  }

  static List<Action> with(List<Action> some, Action one) {
    List<Action> all = new ArrayList<>(some);
    all.add(one);
    return all;
  }
}
