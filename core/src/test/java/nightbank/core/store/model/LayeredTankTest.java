package nightbank.core.store.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.Place;
import org.hipparchus.special.Erf;
import org.testng.annotations.Test;

/** Layered water against plug flow, conduction into a half space, and the mixed tank. */
public class LayeredTankTest {
  private static final Face TIGHT = Face.measured(1e-9);

  private static HeatStore tank(Face face) {
    return HeatStore.of(
            new Geometry.Cylinder(0.5, 1.5),
            MediumCatalogue.medium("water").orElseThrow(),
            Map.of(FaceName.SIDE, face, FaceName.TOP, face, FaceName.FOOT, face))
        .withPlace(Place.inHouse())
        .withFloorCelsius(20);
  }

  private static LayeredTank layered(HeatStore tank, double celsius) {
    return new LayeredTank(tank, StoreState.uniform(StoreGrid.standard(tank), celsius));
  }

  @Test
  public void tanksOfHalfACubicMetreAreLayeredAndBucketsAreNot() {
    assertThat(StoreModel.of(tank(TIGHT), StoreState.uniform(StoreGrid.standard(tank(TIGHT)), 20)))
        .isInstanceOf(LayeredTank.class);
    HeatStore bucket =
        HeatStore.of(
            new Geometry.Cylinder(0.15, 0.3),
            MediumCatalogue.medium("water").orElseThrow(),
            Map.of());
    assertThat(StoreModel.of(bucket, StoreState.uniform(StoreGrid.standard(bucket), 20)))
        .isInstanceOf(MixedStore.class);
  }

  @Test
  public void drawnFromTheTopItGivesHotWaterUntilTheTankIsEmpty() {
    HeatStore tank = tank(TIGHT);
    LayeredTank model = layered(tank, 60);
    double half = tank.mass() / 2;
    assertThat(model.draw(600, half / 600, 10, 0, 1)).isCloseTo(60, within(1e-6));
    assertThat(model.draw(600, half / 600, 10, 0, 1)).isCloseTo(60, within(2.5));
    assertThat(model.meanCelsius()).isCloseTo(11, within(1.0));
  }

  @Test
  public void drawnFromTheFootItIsWorthNoMoreThanAMixedTank() {
    HeatStore tank = tank(TIGHT);
    LayeredTank top = layered(tank, 60);
    LayeredTank foot = layered(tank, 60);
    double rate = tank.mass() / 3600;
    double fromTop = 0;
    double fromFoot = 0;
    for (int i = 0; i < 60; i++) {
      fromTop += top.draw(60, rate, 10, 0, 1) - 10;
      fromFoot += foot.draw(60, rate, 10, 1, 0) - 10;
    }
    assertThat(fromTop / 60).isGreaterThan(46);
    assertThat(fromFoot / 60).isCloseTo(50 * (1 - Math.exp(-1)), within(1.0));
  }

  @Test
  public void drawnWaterTakesWhatTheTankLoses() {
    HeatStore tank = tank(TIGHT);
    LayeredTank model = layered(tank, 55);
    double before = model.heatContent();
    double got = 0;
    for (int i = 0; i < 25; i++) {
      got += 0.3 * 60 * 4184 * (model.draw(60, 0.3, 8, 0, 1) - 8);
    }
    assertThat(before - model.heatContent()).isCloseTo(got, within(1e-6 * got));
  }

  @Test
  public void aWarmLayerBelowMixesUpAndEnergyStays() {
    HeatStore tank = tank(TIGHT);
    double[] t = new double[StoreGrid.standard(tank).layers()];
    java.util.Arrays.fill(t, 20);
    t[0] = 60;
    LayeredTank model = new LayeredTank(tank, new StoreState(StoreGrid.standard(tank), t));
    double before = model.heatContent();
    model.step(1, Surroundings.of(20, 20), 0);
    assertThat(model.highestCelsius() - model.state().lowestCelsius()).isLessThan(1e-9);
    assertThat(model.heatContent()).isCloseTo(before, within(1e-6 * before));
  }

  @Test
  public void belowFourDegreesTheColdRises() {
    HeatStore tank = tank(TIGHT);
    double[] t = new double[StoreGrid.standard(tank).layers()];
    java.util.Arrays.fill(t, 4);
    t[t.length - 1] = 1;
    LayeredTank model = new LayeredTank(tank, new StoreState(StoreGrid.standard(tank), t));
    model.step(1, Surroundings.of(4, 4), 0);
    assertThat(model.state().celsius()[t.length - 1]).isLessThan(1.2);
    assertThat(LayeredTank.density(4)).isGreaterThan(LayeredTank.density(1));
    assertThat(LayeredTank.density(20)).isCloseTo(998.2, within(0.1));
    assertThat(LayeredTank.density(80)).isCloseTo(971.8, within(0.3));
  }

  @Test
  public void aThermoclineWidensAsConductionSays() {
    HeatStore tank = tank(TIGHT);
    StoreGrid fine = new StoreGrid(tank.geometry(), 1, 1, 120);
    double[] t = new double[120];
    for (int l = 0; l < 120; l++) {
      t[l] = l < 60 ? 20 : 60;
    }
    LayeredTank model = new LayeredTank(tank, new StoreState(fine, t));
    for (int i = 0; i < 24 * 60; i++) {
      model.step(60, Surroundings.of(20, 20), 0);
    }
    double alpha = 0.6 / (998 * 4184.0);
    double spread = 2 * Math.sqrt(alpha * 86_400);
    for (double z : new double[] {-0.15, -0.05, 0.05, 0.15}) {
      double exact = 40 + 20 * Erf.erf(z / spread);
      assertThat(model.at(0, 0.5 + z / 1.5)).isCloseTo(exact, within(0.4));
    }
  }

  @Test
  public void coolingItHoldsAsMuchAsTheMixedTank() {
    HeatStore tank = tank(Face.measured(4));
    StoreModel layered = layered(tank, 70);
    StoreModel mixed =
        new MixedStore(tank, StoreState.uniform(new StoreGrid(tank.geometry(), 1, 1, 1), 70));
    double out = 0;
    double before = layered.heatContent();
    for (int i = 0; i < 24 * 30; i++) {
      layered.step(120, Surroundings.of(10, 10), 0);
      mixed.step(120, Surroundings.of(10, 10), 0);
      for (FaceName face : FaceName.values()) {
        out += layered.faceWatts(face) * 120;
      }
    }
    assertThat(layered.meanCelsius()).isCloseTo(mixed.meanCelsius(), within(0.8));
    assertThat(before - out - layered.heatContent()).isCloseTo(0, within(1e-9 * before));
    assertThat(layered.at(0, 0.95)).isGreaterThan(layered.at(0, 0.05));
  }

  @Test
  public void freezingClosesAndStopsAtZeroForLong() {
    HeatStore tank = tank(Face.measured(8));
    StoreModel model = layered(tank, 2);
    double before = model.heatContent();
    double out = 0;
    for (int i = 0; i < 24 * 12; i++) {
      model.step(600, Surroundings.of(-10, -10), 0);
      for (FaceName face : FaceName.values()) {
        out += model.faceWatts(face) * 600;
      }
    }
    assertThat(before - out - model.heatContent()).isCloseTo(0, within(1e-6 * out));
    assertThat(model.meanCelsius()).isBetween(-6.0, 0.0);
  }

  @Test
  public void aCoilAtTheFootWarmsTheWholeAndAtTheTopOnlyWhatLiesAbove() {
    HeatStore low = tank(TIGHT).withZone(new HeatedZone(1, 0, 0.25));
    HeatStore high = tank(TIGHT).withZone(new HeatedZone(1, 0.75, 1));
    StoreModel a = layered(low, 20);
    StoreModel b = layered(high, 20);
    double into = 0;
    double before = a.heatContent();
    for (int i = 0; i < 240; i++) {
      into -= Led.through(a, 60, 400, 600, 70) * 60;
      Led.through(b, 60, 400, 600, 70);
      a.step(60, Surroundings.of(20, 20), 0);
      b.step(60, Surroundings.of(20, 20), 0);
    }
    assertThat(a.heatContent() - before).isCloseTo(into, within(1e-6 * into));
    assertThat(a.at(0, 0.9) - a.at(0, 0.1)).isLessThan(1);
    assertThat(b.at(0, 0.95)).isGreaterThan(65);
    assertThat(b.at(0, 0.4)).isLessThan(22);
    assertThat(a.heatContent()).isGreaterThan(b.heatContent());
  }
}
