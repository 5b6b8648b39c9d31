package nightbank.core.store.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import nightbank.core.medium.Medium;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.medium.Range;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.FluidStream;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatExchanger;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Place;
import nightbank.core.store.StoreCircuit;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Air through stones against Schumann's closed form. */
public class AirBedTest {
  private static final FluidStream AIR = FluidStream.air(0.25);
  private static final StoreCircuit CARRIER =
      new StoreCircuit(new HeatExchanger.Bed(0.04), AIR.fluid());

  private static HeatStore bed() {
    Face tight = Face.measured(1e-9);
    return HeatStore.of(
            new Geometry.Box(1.2, 1, 1.5),
            MediumCatalogue.medium("gravel").orElseThrow(),
            Map.of(FaceName.SIDE, tight, FaceName.TOP, tight, FaceName.FOOT, tight))
        .withPlace(Place.inHouse())
        .withCarrier(CARRIER);
  }

  /** Fluid leaving after η, with the bed at 0 and air at 1: 1 - e^-η ∫₀^ξ e^-s I₀(2√(ηs)) ds. */
  private static double schumann(double xi, double eta) {
    int n = 4000;
    double sum = 0;
    for (int i = 0; i <= n; i++) {
      double s = xi * i / n;
      sum += (i == 0 || i == n ? 0.5 : 1) * scaledBessel(2 * Math.sqrt(eta * s), s + eta);
    }
    return 1 - sum * xi / n;
  }

  /** I₀(x) e^(-y), by its integral so that nothing overflows. */
  private static double scaledBessel(double x, double y) {
    int n = 200;
    double sum = 0;
    for (int i = 0; i < n; i++) {
      sum += Math.exp(x * Math.cos(Math.PI * (i + 0.5) / n) - y);
    }
    return sum / n;
  }

  @DataProvider
  Object[][] moments() {
    return new Object[][] {
      {8.0, 4.0}, {8.0, 8.0}, {8.0, 12.0}, {15.0, 10.0}, {15.0, 15.0}, {15.0, 20.0}
    };
  }

  @Test(dataProvider = "moments")
  public void outletFollowsSchumann(double transferUnits, double eta) {
    Medium still =
        new Medium(
            "stones",
            "stones",
            Medium.Kind.SOLID,
            0,
            Range.exactly(1600),
            Range.exactly(840),
            Medium.HeatLaw.LINEAR,
            Range.exactly(0.01),
            500,
            "made up");
    HeatStore bed = bed().withMedium(still);
    double rate = 250;
    double conductance = transferUnits * rate;
    double capacity = bed.mass() * 840;
    AirBed model = new AirBed(bed, StoreState.uniform(new StoreGrid(bed.geometry(), 1, 1, 60), 0));
    double seconds = eta * capacity / conductance;
    int steps = 400;
    double given = 0;
    for (int i = 0; i < steps; i++) {
      given = Led.stepped(model, seconds / steps, rate, conductance, 1);
    }
    double outlet = 1 + given / rate;
    assertThat(outlet).isCloseTo(schumann(transferUnits, eta), within(0.02));
  }

  @Test
  public void chargedFromAboveAndDrawnFromBelowTheHotEndStaysHot() {
    AirBed model = new AirBed(bed(), StoreState.uniform(StoreGrid.standard(bed()), 10));
    double ua = CARRIER.passage().conductance(bed(), AIR, 20);
    double rate = AIR.capacityRate();
    for (int i = 0; i < 120; i++) {
      Led.stepped(model, 60, rate, ua, 45);
    }
    assertThat(model.at(0, 0.95)).isGreaterThan(40);
    assertThat(model.at(0, 0.05)).isLessThan(20);
    double first = 10 + Led.stepped(model, 60, rate, ua, 10) / rate;
    assertThat(first).isGreaterThan(40);
  }

  @Test
  public void everyJouleIsBooked() {
    HeatStore leaky = bed().withFace(FaceName.SIDE, Face.bare());
    AirBed model = new AirBed(leaky, StoreState.uniform(StoreGrid.coarse(leaky), 12));
    double before = model.heatContent();
    double out = 0;
    for (int i = 0; i < 300; i++) {
      out += Led.through(model, 120, 250, 3000, i < 150 ? 50 : 5) * 120;
      model.step(120, Surroundings.of(8, 8), 40);
      out -= 40 * 120;
      for (FaceName face : FaceName.values()) {
        out += model.faceWatts(face) * 120;
      }
    }
    assertThat(before - out - model.heatContent()).isCloseTo(0, within(1e-9 * before));
  }

  @Test
  public void smallerStonesAndMoreAirHandOverMore() {
    double usual = CARRIER.passage().conductance(bed(), FluidStream.air(0.25), 20);
    assertThat(new HeatExchanger.Bed(0.02).conductance(bed(), FluidStream.air(0.25), 20))
        .isGreaterThan(usual);
    assertThat(CARRIER.passage().conductance(bed(), FluidStream.air(0.5), 20) / usual)
        .isCloseTo(Math.pow(2, 0.7), within(1e-9));
  }
}
