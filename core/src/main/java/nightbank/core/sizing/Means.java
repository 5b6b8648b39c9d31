package nightbank.core.sizing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.source.CompostHeat;
import nightbank.core.source.ElectricHeat;
import nightbank.core.source.Flames;
import nightbank.core.source.Fuel;
import nightbank.core.source.FuelHeater;
import nightbank.core.source.HeatPump;
import nightbank.core.source.HeatSource;
import nightbank.core.source.Share;
import nightbank.core.store.FluidStream;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatExchanger;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.Place;
import nightbank.core.store.StoreCircuit;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreState;
import nightbank.core.system.CircuitEnd;
import nightbank.core.system.Control;
import nightbank.core.system.FluidCircuit;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.PumpedHeat;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemResult;
import nightbank.core.system.SystemSimulation;
import nightbank.core.system.SystemSource;
import nightbank.core.system.SystemStore;

/**
 * Heat that is made or moved through the hard night in place of being stored before it, and the
 * least of it with which the night holds by its coldest tenth: flames, gas, current, a heat pump on
 * the air outdoors, a working heap with a loop, pipes in the earth with a fan.
 *
 * @param amount candles, W of heat, W of electricity, m³ of heap or pipes, as its kind says
 * @param holds whether even the most that was tried holds
 * @param lowestCelsius with that amount
 */
public record Means(
    Kind kind,
    double amount,
    boolean holds,
    double lowestCelsius,
    double fuelKilograms,
    double electricJoules) {

  /** What makes or moves it, the step and the most in which it is tried. */
  public enum Kind {
    /** Of 4 g of wax an hour each. */
    CANDLES(1, 150),
    /** Flueless, by rated W. */
    GAS_HEATER(100, 8000),
    /** By rated W. */
    ELECTRIC_HEATER(100, 8000),
    /** From the air outdoors into the house's, by W of electricity. */
    HEAT_PUMP(50, 4000),
    /** Ten days old, 1.2 m high under straw, m³; its loop with 12 m of pipe and 60 W/K each. */
    HEAP(0.5, 15),
    /** Pipes of 10 cm and 8 m, two metres apart in earth of its own warmth. */
    EARTH_PIPES(1, 30);

    private final double step;
    private final double most;

    Kind(double step, double most) {
      this.step = step;
      this.most = most;
    }

    /** What it burns, by id; empty where it burns nothing. */
    public Optional<String> fuel() {
      return switch (this) {
        case CANDLES -> Optional.of("wax");
        case GAS_HEATER -> Optional.of("bottled-gas");
        default -> Optional.empty();
      };
    }
  }

  private static final String ID = "means";
  private static final String LOOP = "means loop";
  private static final double WAX = 4; // g/h
  private static final double HEAP_HEIGHT = 1.2; // m
  private static final double HEAP_CELSIUS = 55; // 45 to 65 of one that works
  private static final double HEAP_KILOGRAMS = 450; // per m³ as fed, 350 to 600
  private static final double HEAP_SOLIDS = 0.16; // of it that rots, manure with straw, 0.1 to 0.2
  private static final double HEAP_AGE = 10 * 86_400.0; // s
  private static final double PIPE_LENGTH = 8; // m
  private static final double PIPE_AIR = 0.03; // kg/s each: 3 m/s in a pipe of 10 cm
  private static final double FAN_WATTS = 12; // each

  /**
   * Tries each of them.
   *
   * @param night the hard night with whatever the house has already
   * @param margin by how much the middle night must lie over the limit, K
   */
  public static List<Means> all(SystemPlan night, double margin) {
    return Arrays.stream(Kind.values()).parallel().map(k -> of(night, margin, k)).toList();
  }

  static Means of(SystemPlan night, double margin, Kind kind) {
    double limit = night.house().plantLimitCelsius() + margin;
    int most = (int) Math.round(kind.most / kind.step);
    int fails = 0;
    int holds = 1;
    SystemResult at = run(night, kind, holds);
    while (at.lowestCelsius() < limit && holds < most) {
      fails = holds;
      holds = Math.min(most, 2 * holds);
      at = run(night, kind, holds);
    }
    while (at.lowestCelsius() >= limit && holds - fails > 1) {
      int middle = (fails + holds) / 2;
      SystemResult r = run(night, kind, middle);
      if (r.lowestCelsius() >= limit) {
        holds = middle;
        at = r;
      } else {
        fails = middle;
      }
    }
    return told(kind, holds * kind.step, at.lowestCelsius() >= limit, at);
  }

  private static Means told(Kind kind, double amount, boolean holds, SystemResult r) {
    double fuel = 0;
    double electric = 0;
    for (SystemResult.SourceTrace s : r.sources()) {
      if (s.id().equals(ID)) {
        fuel = kind.fuel().map(f -> s.fuelJoules() / heatingValue(f)).orElse(0.0);
        electric += s.electricJoules();
      }
    }
    for (SystemResult.CircuitTrace c : r.circuits()) {
      electric += c.id().equals(LOOP) ? c.electricJoules() : 0;
    }
    for (SystemResult.PumpTrace p : r.pumps()) {
      electric += p.id().equals(ID) ? p.electricJoules() : 0;
    }
    return new Means(kind, amount, holds, r.lowestCelsius(), fuel, electric);
  }

  private static Fuel fuel(Kind kind) {
    return kind.fuel().flatMap(Fuel::of).orElseThrow();
  }

  private static double heatingValue(String fuel) {
    return Fuel.of(fuel).orElseThrow().heatingValue().value();
  }

  private static SystemResult run(SystemPlan night, Kind kind, int steps) {
    double n = steps * kind.step;
    PlantSystem s = night.system();
    return SystemSimulation.run(
        night.withSystem(
            switch (kind) {
              case CANDLES -> source(s, new Flames(Share.allToHouse(), (int) n, WAX, fuel(kind)));
              case GAS_HEATER ->
                  source(s, new FuelHeater(Share.allToHouse(), fuel(kind), n, 1, false, 400));
              case ELECTRIC_HEATER -> source(s, new ElectricHeat(Share.allToHouse(), n, false));
              case HEAT_PUMP ->
                  s.withPumps(
                      with(
                          s.pumps(),
                          new PumpedHeat(
                              ID,
                              HeatPump.usual(n).between(HeatPump.COLDEST_AIR, HeatPump.HOTTEST),
                              new PumpedHeat.Node.OutdoorAir(),
                              new PumpedHeat.Node.HouseAir(),
                              Control.free())));
              case HEAP -> heap(s, n);
              case EARTH_PIPES -> earth(night, (int) n);
            }));
  }

  private static PlantSystem source(PlantSystem s, HeatSource of) {
    return s.withSources(with(s.sources(), new SystemSource(ID, of, Control.free(), true)));
  }

  private static PlantSystem heap(PlantSystem s, double cubicMetres) {
    double radius = Math.sqrt(cubicMetres / Math.PI / HEAP_HEIGHT);
    HeatStore body =
        HeatStore.of(
                new Geometry.Cylinder(radius, HEAP_HEIGHT),
                MediumCatalogue.medium("compost").orElseThrow(),
                Map.of())
            .withPlace(Place.outdoors())
            .withZone(new HeatedZone(0.9, 0.1, 0.9))
            .withFloorCelsius(30)
            .withCarrier(
                new StoreCircuit(
                    new HeatExchanger.Coil(12 * cubicMetres, 0.02, 0.002, 0.4, 0.25),
                    FluidStream.Fluid.WATER));
    double kilograms = HEAP_KILOGRAMS * cubicMetres;
    CompostHeat.Batch fresh =
        new CompostHeat.Batch(0, kilograms, HEAP_SOLIDS * kilograms, 0.6, 0.35);
    CompostHeat rot =
        new CompostHeat(ID, List.of(fresh.after(HEAP_AGE, HEAP_CELSIUS)), CompostHeat.USUAL_EXCESS);
    SystemStore store =
        new SystemStore(ID, body, StoreState.uniform(StoreGrid.night(body), HEAP_CELSIUS));
    FluidStream stream =
        new FluidStream(FluidStream.Fluid.WATER, 0.03 * Math.max(1, cubicMetres), 20);
    FluidCircuit loop =
        new FluidCircuit(
            LOOP,
            stream,
            List.of(new CircuitEnd.InStore(ID), new CircuitEnd.Radiator(60 * cubicMetres)),
            Control.free());
    return s.withStores(with(s.stores(), store))
        .withSources(with(s.sources(), new SystemSource("means rot", rot, Control.free(), false)))
        .withCircuits(with(s.circuits(), loop));
  }

  private static PlantSystem earth(SystemPlan night, int pipes) {
    HeatStore body =
        new HeatStore(
            new Geometry.Cylinder(1, PIPE_LENGTH),
            pipes,
            MediumCatalogue.medium("soil").orElseThrow(),
            Map.of(),
            Place.inGround(),
            night.house().plantLimitCelsius(),
            HeatedZone.everywhere(),
            List.of(),
            Optional.of(new StoreCircuit(new HeatExchanger.Bore(0.1), FluidStream.Fluid.AIR)));
    SystemStore store =
        new SystemStore(ID, body, StoreState.uniform(StoreGrid.night(body), night.groundCelsius()));
    FluidCircuit fan =
        new FluidCircuit(
            LOOP,
            new FluidStream(FluidStream.Fluid.AIR, PIPE_AIR * pipes, FAN_WATTS * pipes),
            List.of(new CircuitEnd.InStore(ID), new CircuitEnd.HouseAir()),
            Control.free());
    PlantSystem s = night.system();
    return s.withStores(with(s.stores(), store)).withCircuits(with(s.circuits(), fan));
  }

  private static <T> List<T> with(List<T> some, T one) {
    List<T> all = new ArrayList<>(some);
    all.add(one);
    return all;
  }
}
