package nightbank.core.sizing;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.source.ElectricHeat;
import nightbank.core.source.FireLoad;
import nightbank.core.source.Hearth;
import nightbank.core.source.Share;
import nightbank.core.source.WoodFire;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.FluidStream;
import nightbank.core.store.HeatExchanger;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.Layer;
import nightbank.core.store.Place;
import nightbank.core.store.StoreCircuit;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreState;
import nightbank.core.system.Action;
import nightbank.core.system.CircuitEnd;
import nightbank.core.system.Control;
import nightbank.core.system.FluidCircuit;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemResult;
import nightbank.core.system.SystemSimulation;
import nightbank.core.system.SystemSource;
import nightbank.core.system.SystemStore;
import nightbank.core.usual.Usual;

/**
 * Two designs of one store on the same night with the same heat put in. The night begins at noon so
 * that what is spent before dusk is seen.
 */
public final class DesignComparison {
  private static final double WRAP = 0.1; // m of wool
  private static final double GAP = 0.025; // m
  private static final String SOURCE = "what charges it";
  private static final String CIRCUIT = "what empties it";

  private final DesignQuestion school;
  private final SystemPlan a;
  private final SystemPlan b;
  private final String id;

  private DesignComparison(DesignQuestion school, String id, SystemPlan a, SystemPlan b) {
    this.school = school;
    this.id = id;
    this.a = a;
    this.b = b;
  }

  /**
   * Sets up both sides.
   *
   * @param from noon to sunrise, with the house's stores as they stand then
   * @param id of the store that differs
   * @param joules put into it on either side
   * @param chargeSeconds over how long, from the start
   * @param duskSeconds when a fire would be lit
   */
  public static DesignComparison of(
      DesignQuestion school,
      SystemPlan from,
      String id,
      double joules,
      double chargeSeconds,
      double duskSeconds) {
    SystemStore base =
        from.system().stores().stream()
            .filter(s -> s.id().equals(id))
            .findFirst()
            .orElseThrow(() -> new IllegalArgumentException("there is no such store here"));
    Setting s = new Setting(from, base, joules, chargeSeconds, duskSeconds);
    return switch (school) {
      case BARE_OR_INSULATED ->
          s.pair(school, s.charged(s.wrapped(Face.bare())), s.charged(s.wrapped(wool(WRAP))));
      case SAND_OR_WATER ->
          s.pair(school, s.charged(s.filled("dry-sand")), s.charged(s.filled("water")));
      case BULK_OR_REFLECTIVE ->
          s.pair(school, s.charged(s.wrapped(wool(2 * GAP))), s.charged(s.wrapped(foils())));
      case HOT_FIRE_OR_SMALL_HEAT -> s.pair(school, s.fire(s.hearth(), false), s.smallHeat(base));
      case ROOM_OR_STORE ->
          s.pair(
              school,
              s.fire(s.hearth().withSplit(0.1, 0.5), false),
              s.fire(s.hearth().withSplit(0.5, 0.1), false));
      case HEAP_OUT_OR_IN -> s.pair(school, s.heap(Place.outdoors()), s.heap(Place.onHouseFloor()));
      case GROUND_OR_INSULATED ->
          s.pair(school, s.charged(s.foot(Face.bare())), s.charged(s.foot(board())));
      case AIR_OUTSIDE_OR_ROOM ->
          s.pair(school, s.fire(s.hearth(), false), s.fire(s.hearth(), true));
      case WATER_OR_AIR -> s.pair(school, s.pumped(waterLoop()), s.pumped(airPipe()));
    };
  }

  public SystemPlan first() {
    return a;
  }

  public SystemPlan second() {
    return b;
  }

  /** What differs between both sides. */
  public enum Reason {
    /** Reached the house when it needed none, J. */
    SPENT_EARLY,
    /** Reached the house in its hours of need, J. */
    DELIVERED,
    /** Went to ground or open air, J. */
    LOST,
    /** Above the floor temperature at sunrise, J. */
    LEFT_AT_DAWN,
    /** To the house at its coldest, W. */
    POWER_AT_COLDEST,
    /** Hottest that any of it got, °C. */
    HOTTEST,
    /** To the air at once, J. */
    ROOM
  }

  /** One difference, the weightiest first. */
  public record Difference(Reason reason, double first, double second) {}

  /** Both nights, with the reasons for their difference. */
  public record Outcome(
      DesignQuestion school, SystemResult first, SystemResult second, List<Difference> why) {}

  public Outcome run() {
    SystemResult ra = SystemSimulation.run(a);
    SystemResult rb = SystemSimulation.run(b);
    Map<Reason, double[]> all = new EnumMap<>(Reason.class);
    SystemResult.StoreTrace sa = own(ra);
    SystemResult.StoreTrace sb = own(rb);
    all.put(Reason.SPENT_EARLY, new double[] {sa.earlyJoules(), sb.earlyJoules()});
    all.put(Reason.DELIVERED, new double[] {sa.deliveredJoules(), sb.deliveredJoules()});
    all.put(Reason.LOST, new double[] {sa.lostJoules(), sb.lostJoules()});
    all.put(Reason.LEFT_AT_DAWN, new double[] {last(sa.usableJoules()), last(sb.usableJoules())});
    all.put(Reason.POWER_AT_COLDEST, new double[] {atColdest(ra, sa), atColdest(rb, sb)});
    all.put(Reason.HOTTEST, new double[] {sa.hottestCelsius(), sb.hottestCelsius()});
    all.put(Reason.ROOM, new double[] {ra.directJoules(), rb.directJoules()});
    List<Difference> why = new ArrayList<>();
    all.forEach((reason, v) -> why.add(new Difference(reason, v[0], v[1])));
    why.removeIf(d -> weight(d) < 0.08);
    why.sort((x, y) -> Double.compare(weight(y), weight(x)));
    return new Outcome(school, ra, rb, why);
  }

  /** Difference over the larger of both; temperatures as a tenth of their difference in kelvin. */
  private static double weight(Difference d) {
    double gap = Math.abs(d.first - d.second);
    if (d.reason == Reason.HOTTEST) {
      return gap < 10 ? 0 : 0.1;
    }
    double small = d.reason == Reason.POWER_AT_COLDEST ? 15 : 0.1 * 3.6e6;
    return gap < small ? 0 : gap / Math.max(Math.abs(d.first), Math.abs(d.second));
  }

  private SystemResult.StoreTrace own(SystemResult r) {
    return r.stores().stream().filter(s -> s.id().equals(id)).findFirst().orElseThrow();
  }

  private static double last(double[] row) {
    return row[row.length - 1];
  }

  private static double atColdest(SystemResult r, SystemResult.StoreTrace s) {
    int k = 0;
    while (k < r.seconds().length - 1 && r.seconds()[k] < r.lowestAtSeconds()) {
      k++;
    }
    return s.toHouseWatts()[k];
  }

  private static Face wool(double metres) {
    return Face.of(
        new Layer.Bulk(MediumCatalogue.insulation("stone-wool").orElseThrow(), metres, false));
  }

  private static Face foils() {
    return Face.of(
        new Layer.ReflectiveGap(GAP, 0.05, 0.9), new Layer.ReflectiveGap(GAP, 0.05, 0.9));
  }

  private static Face board() {
    return Face.of(new Layer.Bulk(MediumCatalogue.insulation("xps").orElseThrow(), WRAP, false));
  }

  /** What empties a store: a passage, what flows, and where it gives its heat. */
  private record Emptied(HeatExchanger passage, FluidStream stream, CircuitEnd house) {
    StoreCircuit carrier() {
      return new StoreCircuit(passage, stream.fluid());
    }
  }

  private static Emptied waterLoop() {
    return new Emptied(
        new HeatExchanger.Coil(20, 0.02, 0.002, 0.38, 0.12),
        new FluidStream(FluidStream.Fluid.WATER, 0.05, 20),
        new CircuitEnd.Radiator(60));
  }

  private static Emptied airPipe() {
    return new Emptied(
        new HeatExchanger.Coil(6, 0.1, 0.001, 50, 0.25),
        new FluidStream(FluidStream.Fluid.AIR, 0.04, 25),
        new CircuitEnd.HouseAir());
  }

  /** What both sides share. */
  private record Setting(
      SystemPlan from, SystemStore base, double joules, double chargeSeconds, double dusk) {

    DesignComparison pair(DesignQuestion school, SystemPlan a, SystemPlan b) {
      return new DesignComparison(school, base.id(), a, b);
    }

    /** The hearth that heats it now, or a bench's. */
    Hearth hearth() {
      return Hearth.bench();
    }

    private SystemStore as(HeatStore store) {
      StoreState start = StoreState.uniform(StoreGrid.coarse(store), base.start().meanCelsius());
      return new SystemStore(base.id(), store, start);
    }

    SystemStore wrapped(Face face) {
      return as(base.store().withFace(FaceName.SIDE, face).withFace(FaceName.TOP, face));
    }

    SystemStore foot(Face face) {
      Place on = base.store().place().onFooting(Place.Footing.ON_GROUND);
      return as(base.store().withFace(FaceName.FOOT, face).withPlace(on));
    }

    SystemStore filled(String medium) {
      return as(base.store().withMedium(MediumCatalogue.medium(medium).orElseThrow()));
    }

    /** The place with one store changed and nothing but this heating and emptying it. */
    private SystemPlan with(
        SystemStore store, Optional<SystemSource> source, Optional<FluidCircuit> circuit) {
      PlantSystem s = from.system();
      List<SystemSource> sources = new ArrayList<>();
      s.sources().stream().filter(x -> !heats(x)).forEach(sources::add);
      source.ifPresent(sources::add);
      List<FluidCircuit> circuits = new ArrayList<>();
      s.circuits().stream()
          .filter(c -> c.ends().stream().noneMatch(e -> e.storeId().filter(id()).isPresent()))
          .forEach(circuits::add);
      circuit.ifPresent(circuits::add);
      List<SystemStore> stores =
          s.stores().stream().map(x -> x.id().equals(base.id()) ? store : x).toList();
      List<Action> actions = new ArrayList<>(from.actions());
      PlantSystem changed = s.withStores(stores).withSources(sources).withCircuits(circuits);
      actions.removeIf(x -> x.of().equals(base.id()) || !x.of().isBlank() && !changed.has(x.of()));
      return from.withSystem(changed).withActions(actions);
    }

    private Predicate<String> id() {
      return base.id()::equals;
    }

    private boolean heats(SystemSource s) {
      return s.source().shares().stream().anyMatch(x -> x.to().storeId().filter(id()).isPresent());
    }

    SystemPlan charged(SystemStore store) {
      return with(store, Optional.of(heat(0, chargeSeconds)), Optional.empty());
    }

    private SystemSource heat(double start, double end) {
      return new SystemSource(
          SOURCE,
          new ElectricHeat(Share.allTo(base.id()), joules / (end - start), false),
          Control.between(List.of(new Control.Window(start, end))),
          true);
    }

    /** Wood for as much heat to store and room together as both sides get. */
    SystemPlan fire(Hearth hearth, boolean roomAir) {
      double share = hearth.toStore().value() + hearth.toRoom().value();
      double kilograms = joules / share / FireLoad.heatingValue(Usual.WOOD_MOISTURE.value());
      WoodFire fire =
          hearth.fire(
              List.of(base.id()),
              roomAir,
              List.of(new FireLoad(dusk, kilograms, Usual.WOOD_MOISTURE.value())));
      return with(
          as(base.store()),
          Optional.of(new SystemSource(SOURCE, fire, Control.free(), true)),
          Optional.empty());
    }

    SystemPlan smallHeat(SystemStore store) {
      return with(store, Optional.of(heat(dusk, from.lengthSeconds())), Optional.empty());
    }

    /** With the circuit that it has, else a water loop. */
    SystemPlan heap(Place place) {
      Emptied usual = waterLoop();
      FluidCircuit own =
          from.system().circuits().stream()
              .filter(c -> c.ends().stream().anyMatch(e -> e.storeId().filter(id()).isPresent()))
              .findFirst()
              .orElseGet(() -> circuit(usual, dusk));
      HeatStore heap =
          base.store()
              .withPlace(place)
              .withZone(HeatedZone.everywhere())
              .withCarrier(base.store().carrier().orElseGet(usual::carrier));
      Control late = Control.between(List.of(new Control.Window(dusk, from.lengthSeconds())));
      return with(
          as(heap),
          Optional.of(heat(0, from.lengthSeconds())),
          Optional.of(new FluidCircuit(CIRCUIT, own.stream(), own.ends(), late)));
    }

    SystemPlan pumped(Emptied by) {
      HeatStore led = wrapped(wool(WRAP)).store().withCarrier(by.carrier());
      return with(
          as(led),
          Optional.of(heat(0, chargeSeconds)),
          Optional.of(circuit(by, dusk + (from.lengthSeconds() - dusk) / 2)));
    }

    private FluidCircuit circuit(Emptied by, double start) {
      return new FluidCircuit(
          CIRCUIT,
          by.stream(),
          List.of(new CircuitEnd.InStore(base.id()), by.house()),
          Control.between(List.of(new Control.Window(start, from.lengthSeconds()))));
    }
  }
}
