package nightbank.core.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.Map;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.store.model.ConductionStore;
import nightbank.core.store.model.Led;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreModel;
import nightbank.core.store.model.StoreState;
import org.testng.annotations.Test;

/** Coils and bores against radial conduction reckoned on its own, and films against tables. */
public class HeatExchangerTest {
  private static final HeatExchanger.Coil COIL = new HeatExchanger.Coil(12, 0.02, 0.002, 0.4, 0.16);

  private static HeatStore bin() {
    Face tight = Face.measured(1e-9);
    return HeatStore.of(
        new Geometry.Box(1, 0.8, 0.6),
        MediumCatalogue.medium("dry-sand").orElseThrow().measured(1550.0, 800.0, 0.3),
        Map.of(FaceName.SIDE, tight, FaceName.TOP, tight, FaceName.FOOT, tight));
  }

  /**
   * W per metre and kelvin between a pipe's wall and the mean of a closed ring round it that has
   * been warmed at a steady rate: a fine radial grid of its own, explicit in time.
   */
  private static double ringConductance(double inner, double outer, double k) {
    int n = 120;
    double dr = (outer - inner) / n;
    double heat = 1550 * 800.0;
    double[] t = new double[n];
    double dt = 0.2 * dr * dr * heat / k;
    double flux = 10; // W/m
    for (int step = 0; step < 60_000; step++) {
      double[] q = new double[n + 1];
      q[0] = flux;
      for (int i = 1; i < n; i++) {
        double r = inner + i * dr;
        q[i] = 2 * Math.PI * r * k * (t[i - 1] - t[i]) / dr;
      }
      for (int i = 0; i < n; i++) {
        double area = Math.PI * dr * (2 * inner + (2 * i + 1) * dr);
        t[i] += dt * (q[i] - q[i + 1]) / (area * heat);
      }
    }
    double mean = 0;
    double area = 0;
    for (int i = 0; i < n; i++) {
      double a = dr * (2 * inner + (2 * i + 1) * dr);
      mean += a * t[i];
      area += a;
    }
    double wall = t[0] + flux * Math.log((inner + dr / 2) / inner) / (2 * Math.PI * k);
    return flux / (wall - mean / area);
  }

  @Test
  public void aCoilInSandHandsOverWhatARadialGridSays() {
    HeatExchanger.Coil bare = new HeatExchanger.Coil(1, 0.02, 0.0002, 400, 0.16);
    FluidStream rush = FluidStream.water(1);
    double ring = ringConductance(0.01, 0.16 / Math.sqrt(Math.PI), 0.3);
    assertThat(bare.conductance(bin(), rush, 20)).isCloseTo(ring, withinPercentage(4));
  }

  @Test
  public void closerPipesHandOverMoreByTheMetre() {
    double wide = COIL.conductance(bin(), FluidStream.water(0.05), 20);
    double close =
        new HeatExchanger.Coil(12, 0.02, 0.002, 0.4, 0.08)
            .conductance(bin(), FluidStream.water(0.05), 20);
    assertThat(close).isGreaterThan(wide);
  }

  @Test
  public void waterRoundACoilTakesHeatAsChurchillAndChuSay() {
    // 25 mm, 10 K, 40 °C with the properties of app. A: Ra 5.9e6, Pr 4.33, Nu 29.1, h 734 W/(m² K)
    assertThat(PipeFilms.outsideInWater(0.025, 40)).isCloseTo(734, withinPercentage(5));
  }

  @Test
  public void streamsInsidePipesFollowTheLaminarAndTheTurbulentLaw() {
    assertThat(PipeFilms.inside(FluidStream.water(0.005), 0.02))
        .isCloseTo(3.66 * 0.63 / 0.02, within(1e-6));
    double turbulent = PipeFilms.inside(FluidStream.water(0.3), 0.02);
    double reynolds = 4 * 0.3 / (Math.PI * 0.02 * 6.5e-4);
    double pr = 4180 * 6.5e-4 / 0.63;
    assertThat(turbulent)
        .isCloseTo(0.023 * Math.pow(reynolds, 0.8) * Math.pow(pr, 0.4) * 0.63 / 0.02, within(0.01));
  }

  @Test
  public void theStreamThatComesInColderEmptiesTheStore() {
    HeatStore warm = bin().withCarrier(new StoreCircuit(COIL, FluidStream.Fluid.WATER));
    StoreModel model = StoreModel.of(warm, StoreState.uniform(StoreGrid.standard(warm), 50));
    double before = model.heatContent();
    double ua = COIL.conductance(warm, FluidStream.water(0.05), 50);
    double got = Led.stepped(model, 600, 0.05 * 4180, ua, 20);
    assertThat(got).isPositive();
    assertThat(before - model.heatContent()).isCloseTo(got * 600, within(1e-6 * before));
    assertThat(Led.through(model, 600, 209, 60, 80)).isNegative();
  }

  @Test
  public void aMixedTankFollowsTheClosedFormOfALoop() {
    HeatStore tank =
        HeatStore.of(
            new Geometry.Cylinder(0.25, 0.8),
            MediumCatalogue.medium("water").orElseThrow(),
            Map.of(
                FaceName.SIDE, Face.measured(1e-9),
                FaceName.TOP, Face.measured(1e-9),
                FaceName.FOOT, Face.measured(1e-9)));
    StoreModel model = StoreModel.of(tank, StoreState.uniform(StoreGrid.standard(tank), 12));
    double rate = 0.05 * 4180;
    double g = rate * -Math.expm1(-90 / rate);
    for (int i = 0; i < 60; i++) {
      Led.stepped(model, 120, rate, 90, 65);
    }
    double exact = 65 - 53 * Math.exp(-g * 7200 / (tank.mass() * 4184));
    assertThat(model.meanCelsius()).isCloseTo(exact, within(0.01));
  }

  @Test
  public void earthRoundABoreCoolsAsARadialGridSays() {
    double outer = 0.4;
    HeatStore ground =
        HeatStore.of(
                new Geometry.Cylinder(outer, 20),
                MediumCatalogue.medium("soil").orElseThrow(),
                Map.of(
                    FaceName.SIDE, Face.measured(1e-9),
                    FaceName.TOP, Face.measured(1e-9),
                    FaceName.FOOT, Face.measured(1e-9)))
            .withPlace(Place.inGround())
            .withCarrier(new StoreCircuit(new HeatExchanger.Bore(0.1), FluidStream.Fluid.AIR));
    ConductionStore model =
        new ConductionStore(
            ground, StoreState.uniform(new StoreGrid(ground.geometry(), 24, 1, 8), 0));
    double rate = 1e7; // so much air that it leaves as it came
    double film = 12 * Math.PI * 0.1 * 20;
    double got = 0;
    for (int i = 0; i < 24 * 60; i++) {
      got -= Led.stepped(model, 60, rate, film, 10) * 60;
    }
    double exact = radial(0.05, outer, 1.2, 1600 * 1600.0, 12, 86_400) * 20 * 10;
    assertThat(got).isCloseTo(exact, withinPercentage(5));
    assertThat(model.heatContent()).isCloseTo(got, within(1e-6 * got));
  }

  /** J per metre and kelvin taken up by a closed ring of earth behind a film, explicit in time. */
  private static double radial(
      double inner, double outer, double k, double heat, double film, double seconds) {
    int n = 150;
    double dr = (outer - inner) / n;
    double dt = 0.2 * dr * dr * heat / k;
    int steps = (int) Math.ceil(seconds / dt);
    dt = seconds / steps;
    double[] t = new double[n];
    double[] q = new double[n + 1];
    double sum = 0;
    for (int s = 0; s < steps; s++) {
      double first = Math.log((inner + dr / 2) / inner) / (2 * Math.PI * k);
      q[0] = (1 - t[0]) / (1 / (film * 2 * Math.PI * inner) + first);
      for (int i = 1; i < n; i++) {
        q[i] = 2 * Math.PI * (inner + i * dr) * k * (t[i - 1] - t[i]) / dr;
      }
      for (int i = 0; i < n; i++) {
        t[i] += dt * (q[i] - q[i + 1]) / (Math.PI * dr * (2 * inner + (2 * i + 1) * dr) * heat);
      }
      sum += q[0] * dt;
    }
    return sum;
  }

  @Test
  public void aLongBoreCoolsItsAirMore() {
    HeatStore bore =
        HeatStore.of(
                new Geometry.Cylinder(0.4, 20),
                MediumCatalogue.medium("soil").orElseThrow(),
                Map.of())
            .withPlace(Place.inGround())
            .withCarrier(new StoreCircuit(new HeatExchanger.Bore(0.1), FluidStream.Fluid.AIR));
    HeatStore half =
        HeatStore.of(
                new Geometry.Cylinder(0.4, 10),
                MediumCatalogue.medium("soil").orElseThrow(),
                Map.of())
            .withPlace(Place.inGround())
            .withCarrier(bore.carrier().orElseThrow());
    assertThat(outlet(bore)).isLessThan(outlet(half)).isGreaterThan(10);
  }

  private static double outlet(HeatStore bore) {
    StoreModel model = StoreModel.of(bore, StoreState.uniform(StoreGrid.standard(bore), 10));
    FluidStream air = FluidStream.air(0.03);
    double rate = air.capacityRate();
    double ua = bore.carrier().orElseThrow().passage().conductance(bore, air, 10);
    return 30 + Led.through(model, 60, rate, ua, 30) / rate;
  }

  @Test
  public void aBucketAndAWatchTellTheFlow() {
    assertThat(FluidStream.bucket(10, 80)).isCloseTo(0.125, within(1e-12));
    assertThatThrownBy(() -> FluidStream.bucket(10, 0)).hasMessageContaining("time to fill it");
  }

  @Test
  public void pipeThatDoesNotFitIsMeasured() {
    HeatStore narrow = bin().withZone(new HeatedZone(0.5, 0.2, 0.8));
    double room = COIL.roomFor(narrow);
    assertThat(room).isCloseTo(0.8 * 0.25 * 0.36 / (0.16 * 0.16), within(1e-9));
    assertThatThrownBy(() -> new HeatExchanger.Coil(12, 0.02, 0.02, 0.4, 0.16))
        .hasMessageContaining("pipe wall must lie between");
  }
}
