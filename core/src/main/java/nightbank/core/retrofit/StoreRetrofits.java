package nightbank.core.retrofit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import nightbank.core.medium.InsulationMaterial;
import nightbank.core.medium.Medium;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.retrofit.Retrofit.Kind;
import nightbank.core.retrofit.Retrofit.Need;
import nightbank.core.sizing.Pack;
import nightbank.core.source.ElectricHeat;
import nightbank.core.source.FireLoad;
import nightbank.core.source.WoodFire;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.FluidStream;
import nightbank.core.store.HeatExchanger;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Layer;
import nightbank.core.store.Place;
import nightbank.core.store.StoreCircuit;
import nightbank.core.store.model.StoreState;
import nightbank.core.system.Action;
import nightbank.core.system.CircuitEnd;
import nightbank.core.system.Control;
import nightbank.core.system.FluidCircuit;
import nightbank.core.system.Guard;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.Sensor;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemSource;
import nightbank.core.system.SystemStore;

/**
 * Changes to stores and to what heats them. Hours and amounts are what a careful amateur does with
 * hand tools; each constant says its range.
 */
final class StoreRetrofits {
  private static final double LID_THICK = 0.1; // m of straw
  private static final double FOOT_THICK = 0.05; // m of board
  private static final double LONGER = 1.5;
  private static final double DRY = 0.15; // of wood's whole mass
  private static final double DAMP = 0.2; // that drying is worth the while
  private static final double WARMEST_WATER = 95; // °C
  private static final double HEAP_PIPE = 12; // m in a m³ of heap, as sized heaps have
  private static final double HEAP_FLOW = 0.03; // kg/s for a m³
  private static final double HEAP_RADIATOR = 60; // W/K for a m³
  private static final double HEAP_PUMP = 20; // W

  private StoreRetrofits() {}

  static List<Retrofit> of(SystemPlan winter) {
    List<Retrofit> all = new ArrayList<>();
    for (SystemStore s : winter.system().stores()) {
      lid(s).ifPresent(all::add);
      mass(winter.system(), s).ifPresent(all::add);
      water(winter.system(), s).ifPresent(all::add);
      foot(s).ifPresent(all::add);
      loop(winter.system(), s).ifPresent(all::add);
    }
    for (SystemSource s : winter.system().sources()) {
      element(s).ifPresent(all::add);
      all.addAll(fires(winter, s));
    }
    return all;
  }

  private static SystemPlan with(SystemPlan p, String id, UnaryOperator<HeatStore> change) {
    return p.withSystem(
        p.system()
            .withStores(
                p.system().stores().stream()
                    .map(
                        s ->
                            s.id().equals(id) ? changed(p.system(), s, change.apply(s.store())) : s)
                    .toList()));
  }

  private static SystemStore changed(PlantSystem place, SystemStore s, HeatStore store) {
    return new SystemStore(
        s.id(),
        store,
        StoreState.uniform(Ranking.grid(place, s.id(), store), s.start().meanCelsius()));
  }

  private static Retrofit store(
      Kind kind,
      SystemStore s,
      double amount,
      double hours,
      UnaryOperator<HeatStore> change,
      Need... needs) {
    return new Retrofit(kind, s.id(), amount, List.of(needs), hours, p -> with(p, s.id(), change));
  }

  private static Layer layer(String material, double metres) {
    InsulationMaterial of = MediumCatalogue.insulation(material).orElseThrow();
    return new Layer.Bulk(of, metres, false);
  }

  private static Optional<Retrofit> lid(SystemStore s) {
    boolean bare = s.store().face(FaceName.TOP).layers().isEmpty();
    if (!bare || s.store().place().beyond(FaceName.TOP) != Place.Beyond.HOUSE_AIR) {
      return Optional.empty();
    }
    double area = s.store().faceArea(FaceName.TOP) * s.store().count();
    Face covered = Face.of(layer("straw", LID_THICK));
    return Optional.of(
        new Retrofit(
            Kind.LID,
            s.id(),
            area,
            List.of(new Need("straw", area, Pack.Unit.SQUARE_METRE)),
            1 + area,
            p ->
                Nightly.done(
                    with(p, s.id(), h -> h.withFace(FaceName.TOP, covered)),
                    Action.Kind.LID_OFF,
                    s.id(),
                    Nightly.MIDNIGHT,
                    false)));
  }

  private static Optional<Retrofit> mass(PlantSystem system, SystemStore s) {
    int count = s.store().count();
    if (system.rots(s.id()) || count > 100 || !s.store().place().reachesHouse()) {
      return Optional.empty();
    }
    double kilograms = s.store().mass();
    Medium of = s.store().medium();
    Need need =
        of.kind() == Medium.Kind.WATER
            ? new Need(of.id(), kilograms, Pack.Unit.LITRE)
            : new Need(of.id(), kilograms, Pack.Unit.KILOGRAM);
    return Optional.of(
        store(
            Kind.MORE_MASS,
            s,
            count,
            (of.kind() == Medium.Kind.WATER ? 2 : 4) + kilograms / 300,
            h -> h.withCount(2 * count),
            need));
  }

  private static Optional<Retrofit> water(PlantSystem system, SystemStore s) {
    Medium of = s.store().medium();
    boolean hot =
        system.sources().stream()
            .filter(x -> !(x.source() instanceof ElectricHeat))
            .anyMatch(x -> heats(x, s.id()) && x.source().highestCelsius() > WARMEST_WATER);
    if (of.kind() == Medium.Kind.WATER
        || hot
        || system.rots(s.id())
        || s.store().carrier().isPresent()
        || !s.store().fills().isEmpty()
        || s.store().place().footing() == Place.Footing.BURIED
        || s.start().meanCelsius() > WARMEST_WATER) {
      return Optional.empty();
    }
    Medium water = MediumCatalogue.medium("water").orElseThrow();
    double litres = s.store().withMedium(water).mass();
    return Optional.of(
        store(
            Kind.WATER_FILL,
            s,
            litres,
            3 + s.store().mass() / 250,
            h -> h.withMedium(water),
            new Need("water", litres, Pack.Unit.LITRE)));
  }

  private static boolean heats(SystemSource s, String store) {
    return s.source().shares().stream()
        .anyMatch(x -> x.to().storeId().filter(store::equals).isPresent());
  }

  private static Optional<Retrofit> foot(SystemStore s) {
    boolean bare = s.store().face(FaceName.FOOT).layers().isEmpty();
    if (!bare || s.store().place().footing() != Place.Footing.ON_GROUND) {
      return Optional.empty();
    }
    double area = s.store().faceArea(FaceName.FOOT) * s.store().count();
    Face board = Face.of(layer("xps", FOOT_THICK));
    return Optional.of(
        store(
            Kind.FOOT,
            s,
            area,
            1 + s.store().mass() / 150,
            h -> h.withFace(FaceName.FOOT, board),
            new Need("xps", area, Pack.Unit.SQUARE_METRE)));
  }

  private static Optional<Retrofit> loop(PlantSystem system, SystemStore s) {
    if (!system.rots(s.id()) || system.reachesHouse(s)) {
      return Optional.empty();
    }
    double cubicMetres = s.store().volumeOf(s.store().medium());
    double pipe = HEAP_PIPE * cubicMetres;
    StoreCircuit coil =
        new StoreCircuit(
            new HeatExchanger.Coil(pipe, 0.02, 0.002, 0.4, 0.25), FluidStream.Fluid.WATER);
    return Optional.of(
        new Retrofit(
            Kind.HEAP_LOOP,
            s.id(),
            pipe,
            List.of(
                new Need("pe-pipe", pipe, Pack.Unit.METRE), new Need("pump", 1, Pack.Unit.PIECE)),
            6 + 0.1 * pipe,
            p -> {
              SystemPlan led = with(p, s.id(), h -> h.withCarrier(coil));
              double limit = p.house().plantLimitCelsius();
              List<FluidCircuit> circuits = new ArrayList<>(led.system().circuits());
              circuits.add(
                  new FluidCircuit(
                      "new loop of " + s.id(),
                      new FluidStream(FluidStream.Fluid.WATER, HEAP_FLOW * cubicMetres, HEAP_PUMP),
                      List.of(
                          new CircuitEnd.InStore(s.id()),
                          new CircuitEnd.Radiator(HEAP_RADIATOR * cubicMetres)),
                      Control.free(
                          new Guard.Thermostat(new Sensor.HouseAir(), limit + 1, limit + 3))));
              return led.withSystem(led.system().withCircuits(circuits));
            }));
  }

  private static SystemPlan with(SystemPlan p, SystemSource s, SystemSource other) {
    return p.withSystem(
        p.system()
            .withSources(
                p.system().sources().stream()
                    .map(x -> x.id().equals(s.id()) ? other : x)
                    .toList()));
  }

  private static Optional<Retrofit> element(SystemSource s) {
    if (!(s.source() instanceof ElectricHeat e) || e.watts() <= 0 || e.watts() > 5e5) {
      return Optional.empty();
    }
    boolean store = e.shares().stream().anyMatch(x -> x.to().storeId().isPresent());
    if (!store) {
      return Optional.empty();
    }
    ElectricHeat bigger = new ElectricHeat(e.shares(), 2 * e.watts(), e.surplus());
    return Optional.of(
        new Retrofit(
            Kind.BIGGER_ELEMENT,
            s.id(),
            2 * e.watts(),
            List.of(new Need("element", 1, Pack.Unit.PIECE)),
            2,
            p -> with(p, s, s.with(bigger))));
  }

  private static List<Retrofit> fires(SystemPlan winter, SystemSource s) {
    if (!(s.source() instanceof WoodFire)) {
      return List.of();
    }
    List<Action> loads =
        winter.actions().stream()
            .filter(a -> a.kind() == Action.Kind.LOAD && a.of().equals(s.id()))
            .toList();
    if (loads.isEmpty()) {
      return List.of();
    }
    double kilograms = loads.stream().mapToDouble(Action::amount).sum();
    List<Retrofit> all = new ArrayList<>();
    all.add(
        new Retrofit(
            Kind.LONGER_FIRE,
            s.id(),
            LONGER * loads.get(0).amount(),
            List.of(new Need("firewood", (LONGER - 1) * kilograms, Pack.Unit.KILOGRAM)),
            0,
            p -> burning(p, s.id(), LONGER, Double.NaN)));
    double damp = loads.get(0).moisture();
    if (damp > DAMP) {
      // as many sticks as before: their dry mass stays
      double less = (1 - damp) / (1 - DRY);
      all.add(
          new Retrofit(
              Kind.DRY_WOOD,
              s.id(),
              FireLoad.heatingValue(DRY) * less / FireLoad.heatingValue(damp) - 1,
              List.of(),
              4,
              p -> burning(p, s.id(), less, DRY)));
    }
    return all;
  }

  private static SystemPlan burning(SystemPlan p, String fire, double times, double moisture) {
    return p.withActions(
        p.actions().stream()
            .map(
                a ->
                    a.kind() == Action.Kind.LOAD && a.of().equals(fire)
                        ? new Action(
                            a.kind(),
                            a.of(),
                            a.fromSeconds(),
                            a.toSeconds(),
                            a.amount() * times,
                            Double.isNaN(moisture) ? a.moisture() : moisture)
                        : a)
            .toList());
  }
}
