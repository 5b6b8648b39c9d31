package nightbank.core.store.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import nightbank.core.medium.DampEnthalpy;
import nightbank.core.medium.Medium;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.medium.QuartzEnthalpy;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.Place;
import org.testng.annotations.Test;

/** Damp fills that are heated past 100 °C. */
public class DryingTest {
  private static final Face TIGHT = Face.measured(1e-9);
  private static final Medium DAMP = MediumCatalogue.medium("damp-sand").orElseThrow();

  private static HeatStore drum(Face face) {
    return HeatStore.of(
            new Geometry.Cylinder(0.25, 0.5),
            DAMP,
            Map.of(FaceName.SIDE, face, FaceName.TOP, face, FaceName.FOOT, face))
        .withZone(HeatedZone.everywhere())
        .withPlace(Place.inHouse());
  }

  private static ConductionStore at(HeatStore store, double celsius) {
    return new ConductionStore(store, StoreState.uniform(StoreGrid.coarse(store), celsius));
  }

  @Test
  public void dryingTakesTheHeatOfBoiling() {
    HeatStore drum = drum(TIGHT);
    ConductionStore model = at(drum, 20);
    double dry = 0.95 * QuartzEnthalpy.withSpecificHeatAt20(745).between(20, 150);
    double water = 0.05 * (DampEnthalpy.WATER_SPECIFIC_HEAT * 80 + DampEnthalpy.LATENT_STEAM);
    double needed = drum.mass() * (dry + water);
    for (int i = 0; i < 1000; i++) {
      model.step(60, Surroundings.of(20, 20), needed / 60_000);
    }
    assertThat(model.meanCelsius()).isCloseTo(150, within(0.5));
    assertThat(model.waterKilograms()).isZero();
  }

  @Test
  public void whileItBoilsItStaysAtAHundred() {
    HeatStore drum = drum(TIGHT);
    ConductionStore model = at(drum, 95);
    for (int i = 0; i < 120; i++) {
      model.step(60, Surroundings.of(95, 95), 2000);
    }
    assertThat(model.meanCelsius()).isCloseTo(100, within(0.01));
    assertThat(model.waterKilograms()).isBetween(0.1, 0.05 * drum.mass() - 0.1);
  }

  @Test
  public void energyClosesWithTheSteam() {
    HeatStore drum = drum(Face.bare()).withZone(HeatedZone.rod());
    ConductionStore model = at(drum, 15);
    double before = model.heatContent();
    double out = 0;
    for (int i = 0; i < 600; i++) {
      model.step(60, Surroundings.of(10, 10), 900);
      for (FaceName face : FaceName.values()) {
        out += model.faceWatts(face) * 60;
      }
    }
    double in = 900.0 * 600 * 60;
    assertThat(model.steamJoules()).isPositive();
    assertThat(in - out - model.steamJoules() - (model.heatContent() - before))
        .isCloseTo(0, within(1e-9 * in));
  }

  @Test
  public void whatHasDriedCoolsAsDrySand() {
    HeatStore drum = drum(TIGHT);
    ConductionStore model = at(drum, 99);
    while (model.waterKilograms() > 0) {
      model.step(60, Surroundings.of(20, 20), 3000);
    }
    double hot = model.meanCelsius();
    double before = model.heatContent();
    for (int i = 0; i < 600; i++) {
      model.step(60, Surroundings.of(20, 20), -400);
    }
    double expected =
        0.95 * QuartzEnthalpy.withSpecificHeatAt20(745).between(model.meanCelsius(), hot);
    assertThat((before - model.heatContent()) / drum.mass()).isCloseTo(expected, within(50.0));
  }

  @Test
  public void belowBoilingItIsTheDampTableAsBefore() {
    HeatStore drum = drum(TIGHT);
    ConductionStore model = at(drum, 20);
    for (int i = 0; i < 100; i++) {
      model.step(60, Surroundings.of(20, 20), 500);
    }
    double expected = drum.mass() * DAMP.enthalpy().between(20, model.meanCelsius());
    assertThat(expected).isCloseTo(500.0 * 6000, within(500.0));
    assertThat(model.usableEnergy()).isCloseTo(model.state().usableEnergy(drum), within(100.0));
  }

  @Test
  public void aCoreThatHasDriedGlowsWhereADampOneWouldNot() {
    HeatStore damp = drum(Face.bare()).withZone(HeatedZone.rod());
    HeatStore lasting =
        damp.withMedium(
            new Medium(
                "x",
                "never dries",
                Medium.Kind.SOLID,
                0,
                DAMP.density(),
                DAMP.specificHeat(),
                Medium.HeatLaw.LINEAR,
                DAMP.conductivity(),
                900,
                "made up"));
    ConductionStore a = at(damp, 15);
    ConductionStore b = at(lasting, 15);
    for (int i = 0; i < 2400; i++) {
      a.step(60, Surroundings.of(10, 10), 900);
      b.step(60, Surroundings.of(10, 10), 900);
    }
    assertThat(a.highestCelsius()).isGreaterThan(b.highestCelsius() + 50);
  }
}
