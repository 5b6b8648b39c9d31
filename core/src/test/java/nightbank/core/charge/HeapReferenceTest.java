package nightbank.core.charge;

import static nightbank.core.Reference.number;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import nightbank.core.Reference;
import nightbank.core.medium.Medium;
import nightbank.core.medium.Range;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.Place;
import nightbank.core.store.StoreGrid;
import nightbank.core.store.StoreModel;
import nightbank.core.store.StoreState;
import nightbank.core.store.Surroundings;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Heaps of one temperature, fed, drawn from and left alone, against the reference. */
public class HeapReferenceTest {
  private static final double STEP = 900;
  private static final int[] DAYS = {2, 4, 7, 14, 21, 28};

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

  /** One cell that loses UA and conducts as well as can be. */
  private static HeatStore lump(double kilograms, double specificHeat, double ua) {
    Geometry.Box cube = new Geometry.Box(1, 1, 1);
    Map<FaceName, Face> faces = new EnumMap<>(FaceName.class);
    for (FaceName name : FaceName.values()) {
      faces.put(name, Face.measured(ua / 6));
    }
    Medium fill =
        new Medium(
            "heap",
            "Heap",
            Medium.Kind.SOLID,
            0,
            Range.exactly(kilograms),
            Range.exactly(specificHeat),
            Medium.HeatLaw.LINEAR,
            Range.exactly(400),
            90,
            "made up");
    return HeatStore.of(cube, fill, faces)
        .withPlace(Place.inHouse())
        .withZone(HeatedZone.everywhere());
  }

  /** Moisture at which Haug's factor is so much. */
  private static double moistureFor(double factor) {
    return (7.0622 - Math.log(1 / factor - 1)) / 17.684;
  }

  @Test(dataProvider = "heaps")
  public void temperaturesSolidsAndHeatAreMet(Map<String, String> row) {
    List<Map<String, String>> fed = batches(row.get("id"));
    double air = number(row, "Ta_C");
    double damp = moistureFor(number(row, "rate_factor"));
    List<HeapWarmth.Batch> batches = new ArrayList<>();
    for (Map<String, String> b : fed) {
      double dry = (1 - number(b, "moisture")) * number(b, "mass_kg");
      batches.add(
          new HeapWarmth.Batch(
              86_400 * number(b, "day"),
              number(b, "mass_kg"),
              number(b, "degradable_share") * dry,
              damp,
              0.9));
    }
    Map<String, String> first = fed.get(0);
    HeatStore heap =
        lump(number(first, "mass_kg"), 1000 * number(first, "c_wet_kJkgK"), number(row, "UA"));
    StoreModel model =
        StoreModel.of(heap, StoreState.uniform(new StoreGrid(heap.geometry(), 1, 1, 1), air));
    HeapWarmth warmth = new HeapWarmth(batches, 1e9, air, number(row, "excess"));
    Surroundings around = Surroundings.of(air, air);
    boolean drawing = false;
    double drawn = 0;
    double released = 0;
    double lost = 0;
    int next = 0;
    for (double t = 0; t < 28 * 86_400 - 1; t += STEP) {
      for (Map<String, String> b : fed.subList(1, fed.size())) {
        if (Math.abs(86_400 * number(b, "day") - t) < 1) {
          model.mixIn(number(b, "mass_kg") * 1000 * number(b, "c_wet_kJkgK"), air);
        }
      }
      double draw = 0;
      if (!row.get("draw").equals("none")) {
        drawing =
            model.meanCelsius() > number(row, "T_on_C")
                || drawing && model.meanCelsius() > number(row, "T_off_C");
        draw =
            !drawing
                ? 0
                : row.get("draw").equals("constant")
                    ? number(row, "draw_W")
                    : number(row, "draw_G_WK") * (model.meanCelsius() - number(row, "T_sink_C"));
      }
      Source.Given given = warmth.give(t, STEP, model);
      model.step(STEP, around, given.sourceWatts() - draw);
      released += given.inputWatts() * STEP;
      drawn += draw * STEP;
      for (FaceName name : FaceName.values()) {
        lost += model.faceWatts(name) * STEP;
      }
      if (next < DAYS.length && t + STEP >= DAYS[next] * 86_400 - 1) {
        temperature(row, DAYS[next], model.meanCelsius(), drawing);
        next++;
      }
    }
    assertThat(warmth.solidsLeft())
        .isCloseTo(number(row, "out_degradable_left_d28_kg"), withinPercentage(8));
    assertThat(released / 3.6e6).isCloseTo(number(row, "out_released_kWh"), withinPercentage(8));
    assertThat(lost / 3.6e6).isCloseTo(number(row, "out_lost_kWh"), withinPercentage(8));
    assertThat(drawn / 3.6e6)
        .isCloseTo(number(row, "out_drawn_d28_kWh"), within(0.08 * drawn / 3.6e6 + 0.01));
  }

  private static void temperature(Map<String, String> row, int day, double found, boolean drawing) {
    double told = number(row, "out_T_d" + day);
    boolean rising = day < number(row, "out_day_45C", 99) + 1.5;
    boolean cycles =
        !row.get("draw").equals("none")
            && told >= number(row, "T_off_C")
            && told <= number(row, "T_on_C");
    if (cycles && !rising) {
      assertThat(found).isBetween(number(row, "T_off_C") - 3, number(row, "T_on_C") + 3);
    } else {
      // while it rises, a tenth of a day moves it by kelvins
      assertThat(found).as("day " + day).isCloseTo(told, within(rising ? 5.0 : 3.0));
    }
  }

  @Test
  public void aWellFedHeapSettlesNearSixtyAndOneWithoutAirNearEighty() {
    HeatStore heap = lump(2500, 3140, 14);
    for (double[] c : new double[][] {{6, 55, 66}, {1.2, 76, 82}}) {
      StoreModel model =
          StoreModel.of(heap, StoreState.uniform(new StoreGrid(heap.geometry(), 1, 1, 1), 45));
      HeapWarmth warmth =
          new HeapWarmth(List.of(new HeapWarmth.Batch(0, 2500, 430, 0.6, 0.4)), 1e9, 10, c[0]);
      for (double t = 0; t < 8 * 86_400; t += STEP) {
        model.step(STEP, Surroundings.of(10, 10), warmth.give(t, STEP, model).sourceWatts());
      }
      assertThat(model.meanCelsius()).isBetween(c[1], c[2]);
    }
  }
}
