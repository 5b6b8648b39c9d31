package nightbank.core.charge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.Map;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.store.Carrier;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Passage;
import nightbank.core.store.Place;
import nightbank.core.store.StoreGrid;
import nightbank.core.store.StoreModel;
import nightbank.core.store.StoreState;
import nightbank.core.store.Stream;
import nightbank.core.store.Surroundings;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Every source against what it must give in all. */
public class SourcesTest {
  private static HeatStore bucket(double radius) {
    Face tight = Face.measured(1e-9);
    return HeatStore.of(
            new Geometry.Cylinder(radius, 0.8),
            MediumCatalogue.medium("water").orElseThrow(),
            Map.of(FaceName.SIDE, tight, FaceName.TOP, tight, FaceName.FOOT, tight))
        .withPlace(Place.inHouse());
  }

  private static StoreModel at(HeatStore store, double celsius) {
    return StoreModel.of(store, StoreState.uniform(StoreGrid.standard(store), celsius));
  }

  private static double joules(Source source, double step) {
    StoreModel model = at(bucket(0.3), 10);
    double sum = 0;
    for (double t = 0; t < source.endsAt(); t += step) {
      sum += source.give(t, step, model).sourceWatts() * step;
    }
    return sum;
  }

  @DataProvider
  Object[][] steps() {
    return new Object[][] {{60.0}, {450.0}, {1234.0}};
  }

  @Test(dataProvider = "steps")
  public void surplusSunGivesTwoOverPiOfItsPeakWhateverTheStep(double step) {
    Element sunny = new Element(900, 500, 1800, 1800 + 4 * 3600, true);
    assertThat(joules(sunny, step)).isCloseTo(900 * 4 * 3600 * 2 / Math.PI, withinPercentage(0.01));
  }

  @Test(dataProvider = "steps")
  public void aFireGivesTheStoresShareOfItsWood(double step) {
    WoodFire wood = WoodFire.in(Hearth.bench(), 6, 0.18);
    assertThat(joules(Fire.lit(wood), step))
        .isCloseTo(0.44 * wood.joules(), withinPercentage(0.05));
  }

  @Test
  public void theLeverSendsTheRestPast() {
    WoodFire wood = WoodFire.in(Hearth.bench(), 6, 0.18);
    double half = joules(new Fire(wood, 0, 3600), 60);
    assertThat(half).isLessThan(0.44 * wood.joules() * 0.5).isPositive();
    Source.Given late = new Fire(wood, 0, 3600).give(4000, 60, at(bucket(0.3), 10));
    assertThat(late.sourceWatts()).isZero();
    assertThat(late.roomWatts()).isPositive();
  }

  @Test
  public void theThermostatCutsTheElement() {
    Element cut = new Element(900, 60, 0, 3600, false);
    assertThat(cut.give(0, 60, at(bucket(0.3), 59)).sourceWatts()).isEqualTo(900);
    assertThat(cut.give(0, 60, at(bucket(0.3), 60.5)).sourceWatts()).isZero();
  }

  @Test
  public void aFlameOfFourGramsAnHourIsFiftyWatts() {
    SmallFlames one = new SmallFlames(1, 4, 0.5, 3600);
    assertThat(one.watts()).isCloseTo(47.8, within(0.1));
    Source.Given given = one.give(0, 60, at(bucket(0.1), 10));
    assertThat(given.sourceWatts() + given.roomWatts()).isCloseTo(given.inputWatts(), within(1e-9));
  }

  @Test
  public void warmAirFromAFanBringsTheFansPowerToo() {
    HeatStore bed =
        HeatStore.of(
                new Geometry.Box(1, 1, 1), MediumCatalogue.medium("gravel").orElseThrow(), Map.of())
            .withCarrier(
                new Carrier(new Passage.Bed(0.04), new Stream(Stream.Fluid.AIR, 0.1, 80, 0)));
    Source.Given given = new StreamCharge(bed, 20, 3600).give(0, 60, at(bed, 20));
    assertThat(given.streamWatts()).isCloseTo(80, within(1.0));
    assertThat(given.roomWatts()).isZero();
  }

  @Test
  public void aLoopThatHasTurnedRoundEmptiesTheStore() {
    HeatStore tank =
        bucket(0.25)
            .withCarrier(
                new Carrier(new Passage.Coil(8, 0.02, 0.001, 380, 0.06), Stream.water(0.05)));
    assertThat(new StreamCharge(tank, 60, 60).give(0, 60, at(tank, 40)).streamWatts()).isPositive();
    assertThat(new StreamCharge(tank, 30, 60).give(0, 60, at(tank, 40)).streamWatts()).isNegative();
    assertThatThrownBy(() -> new StreamCharge(bucket(0.2), 40, 60))
        .hasMessageContaining("nothing is led through");
  }

  @Test
  public void sunOnADarkFaceIsAreaTimesAbsorptanceTimesShine() {
    SunOnFace sun = new SunOnFace(0.9, 3, new double[] {0, 3600, 7200}, new double[] {0, 500, 0});
    assertThat(joules(sun, 60)).isCloseTo(0.9 * 3 * 250 * 7200, withinPercentage(0.1));
  }

  @Test
  public void performanceIsCarnotsShare() {
    HeatPump pump = new HeatPump(500, 0.4, 5, 2, 60);
    double hot = 45 + 273.15 + 5;
    double cold = 10 + 273.15 - 5;
    assertThat(pump.performance(10, 45)).isCloseTo(0.4 * hot / (hot - cold), within(1e-9));
    assertThat(pump.performance(10, 55)).isLessThan(pump.performance(10, 45));
    assertThat(pump.performance(30, 20)).isEqualTo(12);
  }

  @Test
  public void aHeatPumpMovesHeatAndMakesNoneButItsOwnPower() {
    HeatStore tank = bucket(0.3);
    StoreModel hot = at(tank, 25);
    StoreModel cold = at(tank, 20);
    HeatPump pump = HeatPump.usual(400);
    double before = hot.heatContent() + cold.heatContent();
    double electric = 0;
    for (int i = 0; i < 600; i++) {
      electric += pump.step(60, hot, cold, Surroundings.of(15, 15)).electricWatts() * 60;
    }
    double losses = 0; // the faces are tight
    assertThat(hot.heatContent() + cold.heatContent() - before - electric + losses)
        .isCloseTo(0, within(1e-6 * electric));
    assertThat(hot.meanCelsius()).isGreaterThan(35);
  }

  @Test
  public void asASourceItTakesFromTheOtherStoreWhatItGivesLessItsPower() {
    StoreModel hot = at(bucket(0.3), 25);
    StoreModel cold = at(bucket(0.3), 20);
    double before = hot.heatContent() + cold.heatContent();
    PumpedFrom source = PumpedFrom.store(HeatPump.usual(400), cold, 15, 3600);
    for (int i = 0; i < 60; i++) {
      hot.step(60, Surroundings.of(15, 15), source.give(i * 60.0, 60, hot).sourceWatts());
    }
    assertThat(hot.heatContent() + cold.heatContent() - before)
        .isCloseTo(400 * 3600, withinPercentage(0.01));
    assertThat(PumpedFrom.outside(HeatPump.usual(400), -8, 3600).give(0, 60, hot))
        .isEqualTo(new Source.Given(0, 0, 0, 0));
  }

  @Test
  public void itsColdTankIsSparedFromFreezing() {
    HeatStore tank = bucket(0.3);
    StoreModel hot = at(tank, 20);
    StoreModel cold = at(tank, 6);
    HeatPump pump = HeatPump.usual(800);
    double worked = 0;
    for (int i = 0; i < 2000; i++) {
      worked = pump.step(60, hot, cold, Surroundings.of(20, 20)).electricWatts();
    }
    assertThat(worked).isZero();
    assertThat(cold.meanCelsius()).isBetween(1.5, 2.2);
  }

  @Test
  public void everyHearthSplitsNoMoreThanTheFire() {
    assertThat(Hearth.all())
        .hasSizeGreaterThanOrEqualTo(5)
        .allMatch(h -> h.toStore().high() + h.toRoom().high() <= 1)
        .allMatch(h -> !h.source().isBlank());
    assertThat(Hearth.bench().withSplit(0.5, 0.2).toStore().value()).isEqualTo(0.5);
  }
}
