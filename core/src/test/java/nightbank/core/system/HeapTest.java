package nightbank.core.system;

import static nightbank.core.Reference.number;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import nightbank.core.Reference;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.source.CompostHeat;
import nightbank.core.source.CompostHeat.Batch;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.FluidStream;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.Place;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreModel;
import nightbank.core.store.model.StoreState;
import nightbank.core.store.model.Surroundings;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Heaps that run by themselves: fed, drawn from and left alone. */
public class HeapTest {
  private static final double DAY = 86_400;
  private static final double STEP = 900;
  private static final double CP = FluidStream.Fluid.WATER.specificHeat();

  @DataProvider
  Object[][] heaps() {
    return Reference.rows("plant/heap.csv");
  }

  private static List<Map<String, String>> batches(String id) {
    List<Map<String, String>> all = new ArrayList<>();
    for (Object[] r : Reference.rows("plant/heap-batches.csv")) {
      @SuppressWarnings("unchecked")
      Map<String, String> row = (Map<String, String>) r[0];
      if (row.get("id").equals(id)) {
        all.add(row);
      }
    }
    return all;
  }

  /** Moisture at which Haug's factor is so much. */
  private static double moistureFor(double factor) {
    return (7.0622 - Math.log(1 / factor - 1)) / 17.684;
  }

  /** A batch that comes with as much heat capacity as it is said to have. */
  private static Batch batch(Map<String, String> b, double rateFactor) {
    double dry = (1 - number(b, "moisture")) * number(b, "mass_kg");
    double damp = moistureFor(rateFactor);
    double each = new Batch(0, 1, 0, damp, 0.9).heatCapacity();
    double kilograms = number(b, "mass_kg") * 1000 * number(b, "c_wet_kJkgK") / each;
    return new Batch(
        DAY * number(b, "day"), kilograms, number(b, "degradable_share") * dry, damp, 0.9);
  }

  private static List<FluidCircuit> draw(Map<String, String> row) {
    String kind = row.get("draw");
    if (kind.equals("none")) {
      return List.of();
    }
    Control control =
        Control.free(
            new Guard.Above(
                new Sensor.StoreZone("h"), number(row, "T_on_C"), number(row, "T_off_C")));
    double rate = 2000;
    CircuitEnd heap = new CircuitEnd.Exchanger("h", 1e7);
    CircuitEnd sink = new CircuitEnd.Takes(number(row, "draw_W", 0));
    if (kind.equals("pumped")) {
      heap = new CircuitEnd.Exchanger("h", -rate * Math.log1p(-number(row, "draw_G_WK") / rate));
      sink = new CircuitEnd.Held(number(row, "T_sink_C"));
    }
    return List.of(
        new FluidCircuit("draw", FluidStream.water(rate / CP), List.of(heap, sink), control));
  }

  @Test(dataProvider = "heaps")
  public void temperaturesSolidsAndHeatAreMet(Map<String, String> row) {
    List<Map<String, String>> fed = batches(row.get("id"));
    double air = number(row, "Ta_C");
    List<Batch> batches = fed.stream().map(b -> batch(b, number(row, "rate_factor"))).toList();
    Map<String, String> first = fed.get(0);
    SystemStore heap =
        Lumps.lump(
            "h",
            number(first, "mass_kg"),
            1000 * number(first, "c_wet_kJkgK"),
            number(row, "UA"),
            air,
            air);
    CompostHeat rot = new CompostHeat("h", batches, number(row, "excess"));
    PlantSystem system =
        Lumps.of(heap)
            .withSources(List.of(new SystemSource("rot", rot, Control.free(), false)))
            .withCircuits(draw(row));
    SystemResult r = SystemSimulation.run(Lumps.hours(system, air, 28 * 24, STEP));
    for (int day : new int[] {2, 4, 7, 14, 21, 28}) {
      temperature(row, day, Lumps.at(r, "h", day * 24));
    }
    SystemResult.SourceTrace made = r.source("rot").orElseThrow();
    double solids = batches.stream().mapToDouble(Batch::solids).sum();
    double left = solids - made.releasedJoules() / CompostHeat.HEAT_OF_SOLIDS;
    assertThat(left).isCloseTo(number(row, "out_degradable_left_d28_kg"), withinPercentage(4));
    energy(made.releasedJoules(), number(row, "out_released_kWh"));
    energy(r.stores().get(0).lostJoules(), number(row, "out_lost_kWh"));
    energy(made.ventedJoules(), number(row, "out_vented_kWh"));
    energy(r.stores().get(0).movedJoules(), number(row, "out_drawn_d28_kWh"));
    assertThat(r.residualJoules()).isCloseTo(0, within(1e-9 * made.releasedJoules()));
  }

  private static void energy(double joules, double told) {
    assertThat(joules / 3.6e6).isCloseTo(told, within(0.05 * told + 0.1));
  }

  private static void temperature(Map<String, String> row, int day, double found) {
    double told = number(row, "out_T_d" + day);
    boolean rising = day < number(row, "out_day_45C", 99) + 1.5;
    boolean cycles =
        !row.get("draw").equals("none")
            && told >= number(row, "T_off_C")
            && told <= number(row, "T_on_C");
    if (cycles && !rising) {
      assertThat(found).isBetween(number(row, "T_off_C") - 1, number(row, "T_on_C") + 1);
    } else {
      // while it rises, a tenth of a day moves it by kelvins
      assertThat(found).as("day " + day).isCloseTo(told, within(rising ? 3.0 : 1.5));
    }
  }

  private static HeatStore heap(double u) {
    Face face = Face.measured(u);
    return HeatStore.of(
            new Geometry.Cylinder(1, 1.3),
            MediumCatalogue.medium("compost").orElseThrow(),
            Map.of(FaceName.SIDE, face, FaceName.TOP, face, FaceName.FOOT, face))
        .withZone(HeatedZone.everywhere())
        .withPlace(Place.outdoors());
  }

  private static StoreState even(HeatStore heap, double celsius) {
    return StoreState.uniform(StoreGrid.coarse(heap), celsius);
  }

  @Test
  public void theLargestDrawIsWhatTheHeapMakesLessWhatItLoses() {
    HeatStore heap = heap(1);
    double keep = 50;
    // so much feed that its rate does not fall in the days tried
    List<Batch> plenty = List.of(new Batch(0, heap.mass(), 600, 0.55, 0.4));
    double draw = new HeapDraw(heap, even(heap, keep + 0.2), plenty, keep, 5, 5, 2).largest();
    StoreModel model = StoreModel.of(heap, even(heap, keep));
    model.step(600, Surroundings.of(5, 5));
    double lost = 0;
    for (FaceName face : FaceName.values()) {
      lost += model.faceWatts(face);
    }
    SystemResult.SourceTrace one =
        SystemSimulation.run(alone(heap, plenty, keep, 5, 3600)).source("rot").orElseThrow();
    double spare = (one.releasedJoules() - one.ventedJoules()) / 3600 - lost;
    assertThat(draw).isCloseTo(spare, withinPercentage(12));
  }

  private static SystemPlan alone(
      HeatStore heap, List<Batch> fed, double celsius, double air, double seconds) {
    SystemStore body = new SystemStore("h", heap, even(heap, celsius));
    SystemSource rot = new SystemSource("rot", new CompostHeat("h", fed), Control.free(), false);
    return Lumps.hours(
        Lumps.of(body).withSources(List.of(rot)), air, seconds / 3600, Math.min(STEP, seconds));
  }

  @Test
  public void anUnderfedHeapHasNothingToSpare() {
    HeatStore heap = heap(3);
    List<Batch> little = List.of(new Batch(0, heap.mass(), 5, 0.55, 0.4));
    assertThat(new HeapDraw(heap, even(heap, 50), little, 48, -5, 5, 10).largest()).isZero();
  }

  @Test
  public void theMoreIsDrawnTheOftenerItIsFedAndEachRhythmHolds() {
    HeatStore heap = heap(1);
    double keep = 45;
    List<Batch> little = List.of(new Batch(0, heap.mass(), 60, 0.55, 0.4));
    Batch load = new Batch(0, 60, 20, 0.55, 0.4);
    double alone = new HeapDraw(heap, even(heap, 55), little, keep, 5, 5, 14).largest();
    int before = 99;
    for (double share : new double[] {0.9, 1.15, 1.4, 1.7}) {
      HeapDraw.Rhythm r =
          new HeapDraw(heap, even(heap, 55), little, keep, 5, 5, 14)
              .rarest(load, alone * share)
              .orElseThrow();
      int rarity = r.everyDays() == 0 ? 15 : r.everyDays();
      assertThat(rarity).isLessThanOrEqualTo(before);
      assertThat(r.lowestCelsius()).isGreaterThanOrEqualTo(keep);
      before = rarity;
    }
    assertThat(before).as("at last it has to be fed").isLessThan(15);
  }

  @Test
  public void aFedHeapStaysOverItsLimitInsideThroughItsWholeCourse() {
    HeatStore heap = heap(1);
    Batch load = new Batch(0, 60, 20, 0.55, 0.4);
    HeapDraw now =
        new HeapDraw(
            heap, even(heap, 55), List.of(new Batch(0, heap.mass(), 60, 0.55, 0.4)), 45, 5, 5, 14);
    double asked = 1.5 * now.largest();
    int every = now.rarest(load, asked).orElseThrow().everyDays();
    double[] fed = now.fed(load, every).course(asked).insideCelsius();
    double[] unfed = now.course(asked).insideCelsius();
    double[] less = now.burning(1 / CompostHeat.GOOD_TO).course(asked).insideCelsius();
    double[] more = now.burning(CompostHeat.GOOD_TO).course(asked).insideCelsius();
    int end = fed.length - 1;
    assertThat(Arrays.stream(fed).min().orElseThrow()).isGreaterThanOrEqualTo(45);
    assertThat(unfed[end]).isLessThan(45).isBetween(less[end], more[end]);
    assertThat(unfed[0]).isEqualTo(fed[0]).isCloseTo(55, within(1e-9));
  }

  @Test
  public void whereNotEvenALoadADayDoesNothingIsAdvised() {
    HeatStore heap = heap(3);
    List<Batch> little = List.of(new Batch(0, heap.mass(), 5, 0.55, 0.4));
    Batch load = new Batch(0, 10, 1, 0.8, 0.2);
    assertThat(new HeapDraw(heap, even(heap, 50), little, 48, -5, 5, 10).rarest(load, 800))
        .isEmpty();
  }

  @Test
  public void aWellFedHeapComesToRestNearSixtyAndItsShellStaysCooler() {
    HeatStore heap = heap(3);
    List<Batch> fed = List.of(new Batch(0, heap.mass(), 400, 0.55, 0.4));
    SystemResult r = SystemSimulation.run(alone(heap, fed, 30, 8, 12 * DAY));
    SystemResult.StoreTrace trace = r.stores().get(0);
    assertThat(trace.hottestCelsius()).isBetween(55.0, 75.0);
    assertThat(trace.end().at(0.95, 0.5)).isLessThan(trace.end().at(0.05, 0.5) - 5);
    assertThat(trace.residualJoules()).isCloseTo(0, within(1e-9 * trace.chargedJoules()));
  }

  @Test
  public void aHeapWithItsLoopHoldsTheHouseThatItsStandingMassAloneWouldLose() {
    SystemPlan night = led(List.of());
    SystemPlan alive = led(List.of(new Batch(-7 * DAY, 3000, 420, 0.58, 0.45)));
    SystemResult dead = SystemSimulation.run(night);
    SystemResult warm = SystemSimulation.run(alive);
    assertThat(warm.stores().get(0).end().meanCelsius())
        .isGreaterThan(dead.stores().get(0).end().meanCelsius() + 5);
    assertThat(warm.lowestCelsius()).isGreaterThan(dead.lowestCelsius());
  }

  private static SystemPlan led(List<Batch> fed) {
    PlantSystem system = Places.led(Places.house(), Places.heap(), 55);
    FluidCircuit loop = system.circuits().get(0);
    SystemSource rot = new SystemSource("rot", new CompostHeat("s", fed), Control.free(), false);
    FluidCircuit free = new FluidCircuit("loop", loop.stream(), loop.ends(), Control.free());
    PlantSystem running = system.withCircuits(List.of(free));
    return Places.night(fed.isEmpty() ? running : running.withSources(List.of(rot)), -7);
  }
}
