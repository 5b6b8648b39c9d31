package nightbank.core.sizing;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import nightbank.core.charge.Hearth;
import nightbank.core.charge.WoodFire;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.night.Action;
import nightbank.core.night.NightPlan;
import nightbank.core.night.NightResult;
import nightbank.core.night.NightSimulation;
import nightbank.core.night.NightStore;
import nightbank.core.store.Carrier;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.Layer;
import nightbank.core.store.Passage;
import nightbank.core.store.Place;
import nightbank.core.store.StoreGrid;
import nightbank.core.store.StoreState;
import nightbank.core.store.Stream;

/**
 * Two designs of one store on the same night with the same heat put in. The night begins at noon so
 * that what is spent before dusk is seen.
 */
public final class Pair {
  private static final double WRAP = 0.1; // m of wool
  private static final double GAP = 0.025; // m
  private static final double COMBUSTION_AIR = 10; // m³/kg of wood at twice the air it needs

  private final School school;
  private final NightPlan a;
  private final NightPlan b;
  private final String id;

  private Pair(School school, String id, NightPlan a, NightPlan b) {
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
  public static Pair of(
      School school,
      NightPlan from,
      String id,
      double joules,
      double chargeSeconds,
      double duskSeconds) {
    NightStore base =
        from.stores().stream()
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
      case HOT_FIRE_OR_SMALL_HEAT -> s.pair(school, s.fire(base), s.smallHeat(base));
      case ROOM_OR_STORE -> s.pair(school, s.fire(s.split(0.1, 0.5)), s.fire(s.split(0.5, 0.1)));
      case HEAP_OUT_OR_IN -> s.pair(school, s.heap(Place.outdoors()), s.heap(Place.onHouseFloor()));
      case GROUND_OR_INSULATED ->
          s.pair(school, s.charged(s.foot(Face.bare())), s.charged(s.foot(board())));
      case AIR_OUTSIDE_OR_ROOM -> s.pair(school, s.fire(base), s.roomAir(s.fire(base)));
      case WATER_OR_AIR -> s.pair(school, s.pumped(waterLoop()), s.pumped(airPipe()));
    };
  }

  public NightPlan first() {
    return a;
  }

  public NightPlan second() {
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
      School school, NightResult first, NightResult second, List<Difference> why) {}

  public Outcome run() {
    NightResult ra = NightSimulation.run(a);
    NightResult rb = NightSimulation.run(b);
    Map<Reason, double[]> all = new EnumMap<>(Reason.class);
    NightResult.StoreNight sa = own(ra);
    NightResult.StoreNight sb = own(rb);
    all.put(Reason.SPENT_EARLY, new double[] {sa.earlyJoules(), sb.earlyJoules()});
    all.put(Reason.DELIVERED, new double[] {sa.deliveredJoules(), sb.deliveredJoules()});
    all.put(Reason.LOST, new double[] {sa.lostJoules(), sb.lostJoules()});
    all.put(Reason.LEFT_AT_DAWN, new double[] {last(sa.usableJoules()), last(sb.usableJoules())});
    all.put(Reason.POWER_AT_COLDEST, new double[] {atColdest(ra, sa), atColdest(rb, sb)});
    all.put(Reason.HOTTEST, new double[] {sa.hottestCelsius(), sb.hottestCelsius()});
    all.put(Reason.ROOM, new double[] {ra.roomJoules(), rb.roomJoules()});
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

  private NightResult.StoreNight own(NightResult r) {
    return r.stores().stream().filter(s -> s.id().equals(id)).findFirst().orElseThrow();
  }

  private static double last(double[] row) {
    return row[row.length - 1];
  }

  private static double atColdest(NightResult r, NightResult.StoreNight s) {
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

  private static Carrier waterLoop() {
    return new Carrier(
        new Passage.Coil(20, 0.02, 0.002, 0.38, 0.12),
        new Stream(Stream.Fluid.WATER, 0.05, 20, 60));
  }

  private static Carrier airPipe() {
    return new Carrier(
        new Passage.Coil(6, 0.1, 0.001, 50, 0.25), new Stream(Stream.Fluid.AIR, 0.04, 25, 0));
  }

  /** What both sides share. */
  private record Setting(
      NightPlan from, NightStore base, double joules, double chargeSeconds, double dusk) {

    Pair pair(School school, NightPlan a, NightPlan b) {
      return new Pair(school, base.id(), a, b);
    }

    private NightStore as(HeatStore store, Hearth hearth) {
      StoreState start = StoreState.uniform(StoreGrid.coarse(store), base.start().meanCelsius());
      return new NightStore(base.id(), store, start, hearth);
    }

    NightStore wrapped(Face face) {
      return as(
          base.store().withFace(FaceName.SIDE, face).withFace(FaceName.TOP, face), base.hearth());
    }

    NightStore foot(Face face) {
      Place on = base.store().place().onFooting(Place.Footing.ON_GROUND);
      return as(base.store().withFace(FaceName.FOOT, face).withPlace(on), base.hearth());
    }

    NightStore filled(String medium) {
      return as(
          base.store().withMedium(MediumCatalogue.medium(medium).orElseThrow()), base.hearth());
    }

    NightStore split(double toStore, double toRoom) {
      return as(base.store(), base.hearth().withSplit(toStore, toRoom));
    }

    private NightPlan with(NightStore store, Action... actions) {
      List<NightStore> stores =
          from.stores().stream().map(s -> s.id().equals(base.id()) ? store : s).toList();
      List<Action> all = new ArrayList<>(from.actions());
      all.removeIf(x -> x.storeId().equals(base.id()));
      all.addAll(List.of(actions));
      return from.withStores(stores).withActions(all);
    }

    NightPlan charged(NightStore store) {
      return with(store, heat(0, chargeSeconds));
    }

    private Action heat(double start, double end) {
      return new Action(Action.Kind.ELEMENT, base.id(), start, end, joules / (end - start));
    }

    /** Wood for as much heat to store and room together as both sides get. */
    NightPlan fire(NightStore store) {
      double share = store.hearth().toStore().value() + store.hearth().toRoom().value();
      double kilograms = joules / share / new WoodFire(1, 0.18, share, 0).joules();
      return with(
          store, new Action(Action.Kind.FIRE, base.id(), dusk, from.lengthSeconds(), kilograms));
    }

    /**
     * The fire takes its air from the room, and as much cold air comes in through the gaps: taken
     * as even over the night, though most of it comes while the fire burns high.
     */
    NightPlan roomAir(NightPlan plan) {
      double kilograms =
          plan.actions().stream()
              .filter(a -> a.kind() == Action.Kind.FIRE)
              .mapToDouble(Action::amount)
              .sum();
      double perHour = kilograms * COMBUSTION_AIR / (plan.lengthSeconds() / 3600);
      var house = plan.house();
      double leak = Math.max(0.05, house.airChangesPerHour()) * house.volumeCubicMetres();
      return plan.withHouse(house.changed(p -> p, 1 + perHour / leak));
    }

    NightPlan smallHeat(NightStore store) {
      return with(store, heat(dusk, from.lengthSeconds()));
    }

    NightPlan heap(Place place) {
      HeatStore heap =
          base.store()
              .withPlace(place)
              .withZone(HeatedZone.everywhere())
              .withCarrier(base.store().carrier().orElseGet(Pair::waterLoop));
      return with(
          as(heap, base.hearth()),
          heat(0, from.lengthSeconds()),
          new Action(Action.Kind.PUMP, base.id(), dusk, from.lengthSeconds(), 0));
    }

    NightPlan pumped(Carrier carrier) {
      HeatStore led = wrapped(wool(WRAP)).store().withCarrier(carrier);
      return with(
          as(led, base.hearth()),
          heat(0, chargeSeconds),
          new Action(
              Action.Kind.PUMP,
              base.id(),
              dusk + (from.lengthSeconds() - dusk) / 2,
              from.lengthSeconds(),
              0));
    }
  }
}
