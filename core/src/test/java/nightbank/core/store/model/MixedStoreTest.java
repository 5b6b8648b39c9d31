package nightbank.core.store.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.Map;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Place;
import org.testng.annotations.Test;

/** Water as one layer against its closed forms. */
public class MixedStoreTest {
  private static final double U = 6;

  private static HeatStore tank() {
    return HeatStore.of(
            new Geometry.Cylinder(0.3, 1.2),
            MediumCatalogue.medium("water").orElseThrow(),
            Map.of(
                FaceName.SIDE, Face.measured(U),
                FaceName.TOP, Face.measured(U),
                FaceName.FOOT, Face.measured(U)))
        .withPlace(Place.inHouse());
  }

  private static double loss() {
    return U * (Math.PI * 0.6 * 1.2 + 2 * Math.PI * 0.09);
  }

  @Test
  public void itCoolsByOneExponential() {
    StoreModel model = StoreModel.of(tank(), StoreState.uniform(StoreGrid.coarse(tank()), 60));
    double tau = tank().mass() * 4184 / loss();
    for (int i = 0; i < 600; i++) {
      model.step(60, Surroundings.of(10, 10), 0);
    }
    assertThat(model.meanCelsius()).isCloseTo(10 + 50 * Math.exp(-36_000 / tau), within(0.05));
  }

  @Test
  public void heatedItComesToRestWhereLossIsPower() {
    StoreModel model = StoreModel.of(tank(), StoreState.uniform(StoreGrid.coarse(tank()), 10));
    for (int i = 0; i < 4000; i++) {
      model.step(600, Surroundings.of(10, 10), 300);
    }
    assertThat(model.meanCelsius()).isCloseTo(10 + 300 / loss(), within(0.01));
  }

  @Test
  public void everyJouleIsBookedAlsoThroughFreezing() {
    StoreModel model = StoreModel.of(tank(), StoreState.uniform(StoreGrid.coarse(tank()), 3));
    double start = model.heatContent();
    double out = 0;
    for (int i = 0; i < 5000; i++) {
      model.step(300, Surroundings.of(-15, -15), 20);
      for (FaceName face : FaceName.values()) {
        out += model.faceWatts(face) * 300;
      }
    }
    double in = 20.0 * 5000 * 300;
    assertThat(in - out - (model.heatContent() - start)).isCloseTo(0, within(1e-6 * out));
    assertThat(model.meanCelsius()).isLessThan(-1);
  }

  @Test
  public void freezingGivesWhatIceHolds() {
    double liquid = MediumCatalogue.medium("water").orElseThrow().enthalpy().joulesPerKg(0);
    double ice = MediumCatalogue.medium("water").orElseThrow().enthalpy().joulesPerKg(-0.2);
    assertThat(liquid - ice).isCloseTo(3.34e5, withinPercentage(0.2));
  }

  @Test
  public void severalColumnsHoldSeveralTimesAsMuch() {
    HeatStore one = tank();
    HeatStore ten = tank().withCount(10);
    assertThat(ten.usableEnergyAt(30)).isCloseTo(10 * one.usableEnergyAt(30), within(1.0));
    StoreModel a = StoreModel.of(one, StoreState.uniform(StoreGrid.coarse(one), 40));
    StoreModel b = StoreModel.of(ten, StoreState.uniform(StoreGrid.coarse(ten), 40));
    for (int i = 0; i < 100; i++) {
      a.step(300, Surroundings.of(5, 5), 0);
      b.step(300, Surroundings.of(5, 5), 0);
    }
    assertThat(b.meanCelsius()).isCloseTo(a.meanCelsius(), within(1e-9));
    assertThat(b.faceWatts(FaceName.SIDE)).isCloseTo(10 * a.faceWatts(FaceName.SIDE), within(1e-6));
  }
}
