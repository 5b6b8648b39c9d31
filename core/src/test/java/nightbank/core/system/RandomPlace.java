package nightbank.core.system;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import nightbank.core.house.Greenhouse;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.source.CompostHeat;
import nightbank.core.source.ElectricHeat;
import nightbank.core.source.FireLoad;
import nightbank.core.source.Flames;
import nightbank.core.source.Fuel;
import nightbank.core.source.FuelHeater;
import nightbank.core.source.HeatPump;
import nightbank.core.source.HeatSource;
import nightbank.core.source.Receiver;
import nightbank.core.source.Share;
import nightbank.core.source.SunOnFace;
import nightbank.core.source.WoodFire;
import nightbank.core.store.FluidStream;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatExchanger;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.Place;
import nightbank.core.store.StoreCircuit;
import nightbank.core.weather.Weather;

/** A place with some of every kind of part, control and doing, by a seed. */
final class RandomPlace {
  private static final double LENGTH = 10 * 3600.0;
  private static final List<String> MEDIA =
      List.of("dry-sand", "water", "granite", "soil", "compost", "brick", "damp-sand");

  private final Random dice;
  private final List<SystemStore> stores = new ArrayList<>();
  private final List<SystemSource> sources = new ArrayList<>();
  private final List<FluidCircuit> circuits = new ArrayList<>();
  private final List<PumpedHeat> pumps = new ArrayList<>();
  private final List<Action> actions = new ArrayList<>();

  /** Hottest that anything in it can make a store, °C. */
  double hottest;

  private RandomPlace(long seed) {
    dice = new Random(seed);
  }

  static RandomPlace of(long seed) {
    RandomPlace p = new RandomPlace(seed);
    int n = p.dice.nextInt(4);
    for (int i = 0; i < n; i++) {
      p.stores.add(p.store(i));
    }
    for (int i = p.dice.nextInt(6); i > 0; i--) {
      p.sources.add(p.source("source" + i));
    }
    for (int i = p.dice.nextInt(4); i > 0; i--) {
      p.circuit("circuit" + i);
    }
    for (int i = p.dice.nextInt(3); i > 0; i--) {
      p.pump("pump" + i);
    }
    p.doings();
    return p;
  }

  private double between(double low, double high) {
    return low + dice.nextDouble() * (high - low);
  }

  private <T> T any(List<T> some) {
    return some.get(dice.nextInt(some.size()));
  }

  private SystemStore store(int i) {
    int kind = dice.nextInt(9);
    double start = between(-2, 80);
    hottest = Math.max(hottest, start);
    HeatStore store;
    if (kind == 0) {
      store = Places.heap();
    } else if (kind == 1) {
      store = Places.stones();
    } else if (kind == 2) {
      store = Places.pipes();
    } else {
      Geometry shape =
          dice.nextBoolean()
              ? new Geometry.Cylinder(between(0.15, 0.8), between(0.3, 1.5))
              : new Geometry.Box(between(0.3, 3), between(0.3, 1), between(0.3, 1));
      store =
          HeatStore.of(shape, MediumCatalogue.medium(any(MEDIA)).orElseThrow(), Map.of())
              .withPlace(
                  any(
                      List.of(
                          Place.inHouse(),
                          Place.onHouseFloor(),
                          Place.outdoors(),
                          Place.inGround())));
      if (dice.nextBoolean()) {
        store =
            store
                .withZone(new HeatedZone(0.7, 0.1, 0.8))
                .withCarrier(
                    new StoreCircuit(
                        new HeatExchanger.Coil(8, 0.02, 0.002, 0.4, 0.12),
                        FluidStream.Fluid.WATER));
      }
    }
    return Places.store("store" + i, store, start);
  }

  private List<Share> shares() {
    List<Share> all = new ArrayList<>();
    double left = 1;
    for (SystemStore s : stores) {
      if (dice.nextBoolean()) {
        double of = left * between(0.2, 1);
        HeatedZone zone = dice.nextBoolean() ? null : new HeatedZone(0.5, 0, 0.5);
        all.add(new Share(new Receiver.StoreZone(s.id(), zone), of));
        left -= of;
      }
    }
    if (all.isEmpty() || dice.nextBoolean()) {
      all.add(new Share(new Receiver.House(), left * between(0.2, 1)));
    }
    return all;
  }

  private Sensor sensor() {
    List<Sensor> all = new ArrayList<>();
    stores.forEach(s -> all.add(new Sensor.StoreZone(s.id())));
    stores.forEach(s -> all.add(new Sensor.InStore(s.id(), 0.5, 0.5)));
    all.add(new Sensor.HouseAir());
    all.add(new Sensor.HouseFloor());
    all.add(new Sensor.Outdoors());
    all.add(new Sensor.Silent());
    all.add(new Sensor.StoreZone("a store that is gone"));
    return any(all);
  }

  private Control control() {
    List<Guard> guards = new ArrayList<>();
    double at = between(-3, 60);
    switch (dice.nextInt(5)) {
      case 0 -> guards.add(new Guard.Thermostat(sensor(), at, at + between(0, 4)));
      case 1 -> guards.add(new Guard.Above(sensor(), at, at - between(0, 4)));
      case 2 -> guards.add(new Guard.Differential(sensor(), sensor(), 5, 2));
      default -> {}
    }
    Guard[] some = guards.toArray(Guard[]::new);
    return switch (dice.nextInt(3)) {
      case 0 -> Control.free(some);
      case 1 -> Control.byHand(some);
      default -> {
        double from = between(0, LENGTH / 2);
        yield Control.between(List.of(new Control.Window(from, from + between(0, LENGTH))), some);
      }
    };
  }

  private SystemSource source(String id) {
    HeatSource source =
        switch (dice.nextInt(7)) {
          case 0 -> {
            FireLoad load = new FireLoad(between(-3600, LENGTH), between(1, 12), 0.2);
            yield new WoodFire(shares(), 5, 700, dice.nextBoolean(), List.of(load));
          }
          case 1 -> new Flames(shares(), 5, 6, any(Fuel.all()));
          case 2 -> new FuelHeater(shares(), any(Fuel.all()), 2500, 0.8, true, 300);
          case 3 -> new ElectricHeat(shares(), between(100, 3000), dice.nextBoolean());
          case 4 ->
              new SunOnFace(shares(), 0.8, 2, new double[] {0, LENGTH}, new double[] {300, 0});
          case 5 -> new FuelHeater(shares(), any(Fuel.all()), 1500, 1, false, 300);
          default ->
              stores.isEmpty()
                  ? new ElectricHeat(shares(), 500, false)
                  : new CompostHeat(
                      any(stores).id(),
                      List.of(
                          new CompostHeat.Batch(-86_400, 300, 40, 0.55, 0.4),
                          new CompostHeat.Batch(between(0, LENGTH), 50, 8, 0.6, 0.4)));
        };
    hottest = Math.max(hottest, source.highestCelsius());
    return new SystemSource(id, source, control(), dice.nextBoolean());
  }

  private CircuitEnd end() {
    List<CircuitEnd> all = new ArrayList<>();
    for (SystemStore s : stores) {
      if (s.store().carrier().isPresent()) {
        all.add(new CircuitEnd.InStore(s.id()));
      }
      all.add(new CircuitEnd.Exchanger(s.id(), between(20, 400)));
      all.add(new CircuitEnd.Drawn(s.id(), 0.9, 0.1));
    }
    all.add(new CircuitEnd.Radiator(between(20, 200)));
    all.add(new CircuitEnd.UnderFloor(between(20, 100)));
    all.add(new CircuitEnd.HouseAir());
    all.add(new CircuitEnd.OutdoorAir());
    all.add(new CircuitEnd.Collector(3, 0.75, 5));
    all.add(new CircuitEnd.Held(between(0, 60)));
    all.add(new CircuitEnd.Takes(between(0, 300)));
    all.add(new CircuitEnd.Boiler(90));
    return any(all);
  }

  private void circuit(String id) {
    List<CircuitEnd> ends = new ArrayList<>();
    for (int i = 2 + dice.nextInt(2); i > 0; i--) {
      CircuitEnd e = end();
      if (!ends.contains(e)) {
        ends.add(e);
      }
    }
    if (ends.size() < 2) {
      return;
    }
    boolean water = dice.nextBoolean();
    FluidStream stream =
        new FluidStream(
            water ? FluidStream.Fluid.WATER : FluidStream.Fluid.AIR,
            between(0.01, 0.2),
            between(0, 60));
    circuits.add(new FluidCircuit(id, stream, ends, control()));
    if (ends.stream().anyMatch(e -> e instanceof CircuitEnd.Boiler)) {
      FuelHeater boiler =
          new FuelHeater(
              List.of(new Share(new Receiver.Circuit(id), 0.9)),
              any(Fuel.all()),
              between(1000, 9000),
              0.85,
              true,
              90);
      sources.add(new SystemSource("boiler of " + id, boiler, control(), false));
    }
    hottest = Math.max(hottest, 200);
  }

  private PumpedHeat.Node node(boolean hot) {
    List<PumpedHeat.Node> all = new ArrayList<>();
    stores.forEach(s -> all.add(new PumpedHeat.Node.Store(s.id())));
    all.add(new PumpedHeat.Node.HouseAir());
    if (!hot) {
      all.add(new PumpedHeat.Node.OutdoorAir());
      all.add(new PumpedHeat.Node.Held(9));
    }
    return any(all);
  }

  private void pump(String id) {
    PumpedHeat.Node cold = node(false);
    PumpedHeat.Node hot = node(true);
    if (!cold.equals(hot)) {
      pumps.add(new PumpedHeat(id, HeatPump.usual(between(100, 1500)), cold, hot, control()));
    }
  }

  private void doings() {
    for (Action.Kind kind : Action.Kind.values()) {
      if (dice.nextInt(3) == 0) {
        double from = between(0, LENGTH);
        double to = kind.lasts() ? from + between(0, LENGTH) : from;
        String of =
            switch (kind.at()) {
              case HOUSE -> "";
              case STORE -> stores.isEmpty() ? "gone" : any(stores).id();
              case FIRE -> "source" + (1 + dice.nextInt(5));
              case MACHINE ->
                  any(List.of("source1", "source2", "circuit1", "circuit2", "pump1", "gone"));
            };
        double amount = kind == Action.Kind.LOAD ? between(0, 10) : Double.NaN;
        actions.add(new Action(kind, of, from, to, amount));
      }
    }
  }

  private SystemPlan plan(PlantSystem system) {
    double[] at = {0, LENGTH / 2, LENGTH};
    return SystemPlan.of(
            system,
            Weather.typed(4, between(-20, 3), 8 * 3600, between(0, 6), 0.4, LENGTH),
            10,
            9,
            8,
            LENGTH,
            300)
        .withActions(actions);
  }

  private Optional<Greenhouse> house() {
    return Optional.of(Places.house());
  }

  SystemPlan plan() {
    return plan(new PlantSystem(house(), stores, sources, circuits, pumps));
  }

  /** The same with its parts the other way round. */
  SystemPlan turned(SystemPlan plan) {
    PlantSystem s = plan.system();
    return plan.withSystem(
        new PlantSystem(
            s.house(),
            turned(s.stores()),
            turned(s.sources()),
            turned(s.circuits()),
            turned(s.pumps())));
  }

  private static <T> List<T> turned(List<T> some) {
    List<T> all = new ArrayList<>(some);
    Collections.reverse(all);
    return all;
  }

  /** The same with everything that makes heat switched off; only stores and house are joined. */
  SystemPlan off(SystemPlan plan) {
    PlantSystem s = plan.system();
    List<FluidCircuit> joined =
        s.circuits().stream()
            .filter(c -> c.ends().stream().allMatch(e -> e.storeId().isPresent() || e.inHouse()))
            .map(
                c ->
                    new FluidCircuit(
                        c.id(),
                        new FluidStream(c.stream().fluid(), c.stream().kilogramsPerSecond(), 0),
                        c.ends(),
                        Control.free()))
            .toList();
    return plan.withSystem(new PlantSystem(s.house(), s.stores(), List.of(), joined, List.of()))
        .withActions(List.of());
  }
}
