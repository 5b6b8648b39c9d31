package nightbank.server.part;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.function.Supplier;
import nightbank.core.source.Animals;
import nightbank.core.source.CompostHeat;
import nightbank.core.source.ElectricHeat;
import nightbank.core.source.FeedMix;
import nightbank.core.source.Feedstock;
import nightbank.core.source.FireLoad;
import nightbank.core.source.Flames;
import nightbank.core.source.Fuel;
import nightbank.core.source.FuelHeater;
import nightbank.core.source.Hearth;
import nightbank.core.source.HeatPump;
import nightbank.core.source.HeatSource;
import nightbank.core.source.Receiver;
import nightbank.core.source.Share;
import nightbank.core.source.SunOnFace;
import nightbank.core.source.WoodFire;
import nightbank.core.store.FaceName;
import nightbank.core.store.FluidStream;
import nightbank.core.store.HeatStore;
import nightbank.core.system.CircuitEnd;
import nightbank.core.system.Control;
import nightbank.core.system.FluidCircuit;
import nightbank.core.system.Guard;
import nightbank.core.system.PumpedHeat;
import nightbank.core.system.Sensor;
import nightbank.core.system.SystemSource;
import nightbank.core.usual.Usual;
import nightbank.server.book.Materials;
import nightbank.server.part.ControlDesign.GuardDesign;
import nightbank.server.part.ControlDesign.SensorDesign;
import nightbank.server.part.PartDesign.EndDesign;
import nightbank.server.part.PartDesign.HeatTo;
import nightbank.server.part.PartDesign.NodeDesign;
import nightbank.server.shared.Problem;
import org.jspecify.annotations.Nullable;

/** Parts of a place to the core; every refusal names its field. */
public final class PartMapping {

  private final String id;
  private final String field;
  private final Span span;
  private final Materials materials;

  public PartMapping(UUID id, String field, Span span, Materials materials) {
    this.id = id.toString();
    this.field = field;
    this.span = span;
    this.materials = materials;
  }

  /** Refuses what cannot be, by the name of its field. */
  static void check(PartView part, Span span, Materials materials) {
    PartMapping to = new PartMapping(part.id(), "design", span, materials);
    part.design().as(to.checks());
  }

  private PartDesign.Cases<Object> checks() {
    return new PartDesign.Cases<>() {
      @Override
      public Object fire(PartDesign.Fire d) {
        return PartMapping.this.fire(d, List.of());
      }

      @Override
      public Object flames(PartDesign.Flames d) {
        return PartMapping.this.flames(d);
      }

      @Override
      public Object heater(PartDesign.Heater d) {
        return PartMapping.this.heater(d);
      }

      @Override
      public Object element(PartDesign.Element d) {
        return PartMapping.this.element(d);
      }

      @Override
      public Object sunlight(PartDesign.Sunlight d) {
        return at("storeId", () -> text(d.storeId()));
      }

      @Override
      public Object heap(PartDesign.Heap d) {
        at("storeId", () -> text(d.storeId()));
        return batches(d);
      }

      @Override
      public Object circuit(PartDesign.Circuit d) {
        return PartMapping.this.circuit(d);
      }

      @Override
      public Object heatPump(PartDesign.HeatPump d) {
        return pump(d);
      }

      @Override
      public Object animals(PartDesign.Animals d) {
        return PartMapping.this.animals(d);
      }
    };
  }

  public SystemSource fire(PartDesign.Fire d, List<FireLoad> loads) {
    Hearth hearth = hearth(d.hearth());
    WoodFire fire =
        at(
            "heats",
            () ->
                new WoodFire(
                    shares(split(d.heats(), hearth)),
                    or(d.kilogramsPerHour(), hearth.kilogramsPerHour().value()),
                    or(d.gasCelsius(), hearth.gasCelsius()),
                    d.roomAir(),
                    loads));
    return new SystemSource(id, fire, Control.free(), d.indoors());
  }

  /** Shares that nobody gave are the hearth's own, alike for every store. */
  static List<HeatTo> split(List<HeatTo> heats, Hearth hearth) {
    List<HeatTo> all = heats == null ? List.of() : heats;
    long stores = all.stream().filter(h -> h != null && h.to() != PartDesign.To.HOUSE).count();
    return all.stream()
        .map(
            h ->
                h == null || h.share() != null
                    ? h
                    : new HeatTo(
                        h.to(),
                        h.id(),
                        h.to() == PartDesign.To.HOUSE
                            ? hearth.toRoom().value()
                            : hearth.toStore().value() / stores))
        .toList();
  }

  public SystemSource flames(PartDesign.Flames d) {
    Fuel fuel = fuel(d.fuel());
    return source(
        at("count", () -> new Flames(shares(d.heats()), d.count(), d.gramsPerHour(), fuel)),
        d.control(),
        d.indoors());
  }

  public SystemSource heater(PartDesign.Heater d) {
    boolean boiler = d.heats() != null && d.heats().stream().anyMatch(PartMapping::ofCircuit);
    Fuel fuel = fuel(d.fuel());
    return source(
        at(
            "watts",
            () ->
                new FuelHeater(
                    shares(d.heats()),
                    fuel,
                    d.watts(),
                    d.flue() ? Usual.HEATER_EFFICIENCY.or(d.efficiency()) : 1,
                    d.flue(),
                    (boiler ? Usual.BOILER_HOTTEST : Usual.HEATER_HOTTEST).value())),
        d.control(),
        d.indoors());
  }

  private static boolean ofCircuit(HeatTo h) {
    return h != null && h.to() == PartDesign.To.CIRCUIT;
  }

  public SystemSource element(PartDesign.Element d) {
    return source(
        at("watts", () -> new ElectricHeat(shares(d.heats()), d.watts(), d.surplus())),
        d.control(),
        d.indoors());
  }

  /**
   * Sun on a face.
   *
   * @param seconds moments
   * @param wattsPerSquareMetre on the house's upright front at them
   */
  public SystemSource sunlight(
      PartDesign.Sunlight d, HeatStore store, double[] seconds, double[] wattsPerSquareMetre) {
    SunOnFace sun =
        at(
            "squareMetres",
            () ->
                new SunOnFace(
                    Share.allTo(text(d.storeId())),
                    Usual.FACE_ABSORPTANCE.or(d.absorptance()),
                    or(d.squareMetres(), store.faceArea(FaceName.SIDE) * store.count() / 2),
                    seconds,
                    wattsPerSquareMetre));
    return new SystemSource(id, sun, Control.free(), true);
  }

  public SystemSource heap(PartDesign.Heap d, boolean indoors) {
    return new SystemSource(
        id, new CompostHeat(text(d.storeId()), batches(d)), Control.free(), indoors);
  }

  public SystemSource animals(PartDesign.Animals d) {
    Animals beasts = at("count", () -> new Animals(d.count(), d.kilogramsEach()));
    return new SystemSource(id, beasts, Control.free(), true);
  }

  /** What its feedings have left at the stretch's start; those that come later come then. */
  public List<CompostHeat.Batch> batches(PartDesign.Heap d) {
    if (d.fed() == null || d.fed().isEmpty()) {
      return List.of();
    }
    FeedMix mix = mix(d.fed());
    List<CompostHeat.Batch> batches = new ArrayList<>();
    for (PartDesign.Fed f : d.fed()) {
      double age = f.at() == null ? 0 : span.start().getEpochSecond() - f.at().getEpochSecond();
      double solids = feedstock(f.feedstock()).degradableSolids(f.kilograms());
      CompostHeat.Batch fresh =
          new CompostHeat.Batch(
              Math.max(0, -age), f.kilograms(), solids, mix.moisture(), mix.freeAir());
      batches.add(age > 0 ? fresh.after(age, Usual.FEED_AT_WORK.value()) : fresh);
    }
    return batches;
  }

  public FeedMix mix(List<PartDesign.Fed> fed) {
    return at(
        "fed",
        () ->
            new FeedMix(
                fed.stream()
                    .map(f -> new FeedMix.Part(feedstock(f.feedstock()), f.kilograms()))
                    .toList()));
  }

  private Feedstock feedstock(String called) {
    return materials.feedstock(called).orElseThrow(() -> unknown("fed", "feedstock", called));
  }

  public FluidCircuit circuit(PartDesign.Circuit d) {
    boolean air = d.carries() == PartDesign.Carries.AIR;
    FluidStream stream =
        at(
            "kilogramsPerSecond",
            () ->
                new FluidStream(
                    air ? FluidStream.Fluid.AIR : FluidStream.Fluid.WATER,
                    d.kilogramsPerSecond(),
                    d.machineWatts()));
    return at(
        "ends",
        () ->
            new FluidCircuit(
                id,
                stream,
                (d.ends() == null ? List.<EndDesign>of() : d.ends())
                    .stream().map(PartMapping::end).toList(),
                control(d.control())));
  }

  private static CircuitEnd end(EndDesign e) {
    if (e instanceof EndDesign.Through t) {
      return new CircuitEnd.InStore(text(t.storeId()));
    }
    if (e instanceof EndDesign.Tank t) {
      return new CircuitEnd.Drawn(text(t.storeId()), t.takenAt(), t.returnedAt());
    }
    if (e instanceof EndDesign.Radiator r) {
      return new CircuitEnd.Radiator(r.wattsPerKelvin());
    }
    if (e instanceof EndDesign.UnderFloor u) {
      return new CircuitEnd.UnderFloor(u.wattsPerKelvin());
    }
    if (e instanceof EndDesign.HouseAir) {
      return new CircuitEnd.HouseAir();
    }
    if (e instanceof EndDesign.OutdoorAir) {
      return new CircuitEnd.OutdoorAir();
    }
    if (e instanceof EndDesign.Boiler b) {
      return new CircuitEnd.Boiler(b.highestCelsius());
    }
    if (e instanceof EndDesign.Collector c) {
      return new CircuitEnd.Collector(
          c.squareMetres(), c.opticalShare(), c.lossWattsPerSquareMetreKelvin());
    }
    if (e instanceof EndDesign.Held h) {
      return new CircuitEnd.Held(h.celsius());
    }
    throw new IllegalArgumentException("an end of the circuit is missing");
  }

  static HeatPump machine(PartDesign.HeatPump d) {
    boolean tank = d.cold() != null && d.cold().node() == PartDesign.Node.STORE;
    return HeatPump.usual(d.watts())
        .between(
            or(d.coldestCelsius(), tank ? HeatPump.COLDEST_TANK : HeatPump.COLDEST_AIR),
            or(d.hottestCelsius(), HeatPump.HOTTEST));
  }

  public PumpedHeat pump(PartDesign.HeatPump d) {
    HeatPump machine = at("watts", () -> machine(d));
    return at(
        "cold",
        () -> new PumpedHeat(id, machine, node(d.cold()), node(d.hot()), control(d.control())));
  }

  private static PumpedHeat.Node node(NodeDesign n) {
    if (n == null || n.node() == null) {
      throw new IllegalArgumentException("a heat pump has a cold side and a warm one");
    }
    return switch (n.node()) {
      case STORE -> new PumpedHeat.Node.Store(text(n.storeId()));
      case HOUSE_AIR -> new PumpedHeat.Node.HouseAir();
      case OUTDOOR_AIR -> new PumpedHeat.Node.OutdoorAir();
      case HELD -> new PumpedHeat.Node.Held(or(n.celsius(), Double.NaN));
    };
  }

  private SystemSource source(HeatSource source, @Nullable ControlDesign control, boolean indoors) {
    return new SystemSource(id, source, control(control), indoors);
  }

  private Control control(@Nullable ControlDesign c) {
    if (c == null || c.runs() == null) {
      return Control.byHand();
    }
    Guard[] guards =
        at(
            "control",
            () ->
                (c.guards() == null ? List.<GuardDesign>of() : c.guards())
                    .stream().map(PartMapping::guard).toArray(Guard[]::new));
    return switch (c.runs()) {
      case ALWAYS -> Control.free(guards);
      case BY_HAND -> Control.byHand(guards);
      case DAILY -> Control.between(span.daily(c.from(), c.to(), field + ".control"), guards);
    };
  }

  private static Guard guard(GuardDesign g) {
    if (g instanceof GuardDesign.Thermostat t) {
      return new Guard.Thermostat(sensor(t.sensor()), t.onBelow(), t.offAbove());
    }
    if (g instanceof GuardDesign.Above a) {
      return new Guard.Above(sensor(a.sensor()), a.onAbove(), a.offBelow());
    }
    if (g instanceof GuardDesign.Differential d) {
      return new Guard.Differential(
          sensor(d.warm()), sensor(d.cold()), d.onAboveKelvin(), d.offBelowKelvin());
    }
    throw new IllegalArgumentException("what must be so for it to run is missing");
  }

  private static Sensor sensor(SensorDesign s) {
    if (s == null || s.where() == null) {
      return new Sensor.Silent();
    }
    return switch (s.where()) {
      case STORE ->
          s.radiusFraction() == null || s.heightFraction() == null
              ? new Sensor.StoreZone(text(s.id()))
              : new Sensor.InStore(text(s.id()), s.radiusFraction(), s.heightFraction());
      case HOUSE_AIR -> new Sensor.HouseAir();
      case HOUSE_FLOOR -> new Sensor.HouseFloor();
      case OUTDOORS -> new Sensor.Outdoors();
      case COLLECTOR -> new Sensor.Collector(text(s.id()));
    };
  }

  private static List<Share> shares(List<HeatTo> heats) {
    List<Share> all = new ArrayList<>();
    List<HeatTo> to = heats == null ? List.of() : heats;
    for (HeatTo h : to) {
      if (h == null || h.to() == null) {
        throw new IllegalArgumentException("where a share of its heat goes is missing");
      }
      all.add(
          new Share(
              switch (h.to()) {
                case STORE -> new Receiver.StoreZone(text(h.id()));
                case HOUSE -> new Receiver.House();
                case CIRCUIT -> new Receiver.Circuit(text(h.id()));
              },
              h.share() == null ? 1.0 / to.size() : h.share()));
    }
    return all;
  }

  private Hearth hearth(String called) {
    return called == null
        ? Hearth.bench()
        : Hearth.of(called).orElseThrow(() -> unknown("hearth", "hearth", called));
  }

  private Fuel fuel(String called) {
    return Fuel.of(called == null ? "" : called).orElseThrow(() -> unknown("fuel", "fuel", called));
  }

  private Problem unknown(String of, String what, String called) {
    return Problem.invalid(
        field + "." + of,
        "There is no " + what + " called " + called + ".",
        "Choose one from the list.");
  }

  private <T> T at(String of, Supplier<T> make) {
    return Problem.field(field + "." + of, make);
  }

  private static String text(@Nullable UUID id) {
    if (id == null) {
      throw new IllegalArgumentException("the store or circuit that is meant is missing");
    }
    return id.toString();
  }

  private static double or(Double value, double otherwise) {
    return value == null ? otherwise : value;
  }
}
