package nightbank.core.source;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Every source against what it must give in all. */
public class SourcesTest {
  private static final Fuel PARAFFIN = Fuel.of("paraffin").orElseThrow();

  private static Circumstances running() {
    Circumstances c = new Circumstances();
    c.on = true;
    c.amount = Double.NaN;
    return c;
  }

  private static double joules(HeatSource source, double seconds, double step) {
    HeatSource.Running r = source.begin();
    Circumstances c = running();
    double sum = 0;
    for (double t = 0; t < seconds; t += step) {
      r.step(t, step, c);
      sum += r.watts() * step;
    }
    return sum;
  }

  private static WoodFire fire(double rate, FireLoad... loads) {
    return new WoodFire(Share.allTo("s"), rate, 600, true, List.of(loads));
  }

  @Test
  public void dryWoodHoldsFifteenMegajoulesAndWetWoodLess() {
    assertThat(FireLoad.heatingValue(0.18)).isCloseTo(15.14e6, withinPercentage(0.1));
    assertThat(FireLoad.heatingValue(0.45)).isLessThan(0.65 * FireLoad.heatingValue(0.15));
  }

  @DataProvider
  Object[][] steps() {
    return new Object[][] {{60.0}, {300.0}, {900.0}};
  }

  @Test(dataProvider = "steps")
  public void aFireGivesAllItsWoodWhateverTheStep(double step) {
    WoodFire fire = fire(5, new FireLoad(0, 6, 0.18), new FireLoad(2 * 3600, 4, 0.2));
    assertThat(joules(fire, 24 * 3600, step)).isCloseTo(fire.joules(), withinPercentage(0.01));
  }

  @Test
  public void aBigLoadBurnsLongerAndNotHotter() {
    HeatSource.Running r = fire(4, new FireLoad(0, 40, 0.18)).begin();
    Circumstances c = running();
    double most = 0;
    double lasts = 0;
    for (double t = 0; t < 24 * 3600; t += 60) {
      r.step(t, 60, c);
      most = Math.max(most, r.watts());
      lasts = r.watts() > 1000 ? t : lasts;
    }
    assertThat(most).isLessThanOrEqualTo(4.0 / 3600 * FireLoad.heatingValue(0.18) * 1.0001);
    assertThat(lasts).isGreaterThan(10 * 3600);
  }

  @Test
  public void aFireThatIsSmotheredKeepsTheRestAsCharcoal() {
    WoodFire.Burning r = fire(5, new FireLoad(0, 6, 0.18)).begin();
    Circumstances c = running();
    for (double t = 0; t < 3600; t += 60) {
      r.step(t, 60, c);
    }
    double left = r.leftJoules();
    c.quenched = true;
    r.step(3600, 60, c);
    assertThat(r.watts()).isZero();
    assertThat(r.charcoalJoules()).isCloseTo(left, within(1.0)).isGreaterThan(20e6);
    assertThat(r.leftJoules()).isEqualTo(r.charcoalJoules());
  }

  @Test
  public void aFireDrawsTheRoomsAirWhileItBurnsAndUntilItsDamperIsShut() {
    HeatSource.Running r = fire(5, new FireLoad(0, 4, 0.18)).begin();
    Circumstances c = running();
    r.step(0, 60, c);
    r.step(60, 60, c);
    double lit = r.drawnAir();
    for (double t = 120; t < 6 * 3600; t += 60) {
      r.step(t, 60, c);
    }
    double after = r.drawnAir();
    c.damperShut = true;
    r.step(6 * 3600, 60, c);
    assertThat(lit).isPositive();
    assertThat(after).as("a warm flue goes on drawing").isPositive();
    assertThat(r.drawnAir()).as("what the last embers need").isLessThan(after / 20);
    assertThat(new WoodFire(Share.allTo("s"), 5, 600, false, List.of()).begin().drawnAir())
        .isZero();
  }

  @Test
  public void aFlameOfFourGramsAnHourIsFiftyWattsAndWetsTheHouse() {
    Flames one = new Flames(Share.allToHouse(), 1, 4, Fuel.of("wax").orElseThrow());
    assertThat(one.wattsEach()).isCloseTo(47.8, within(0.1));
    HeatSource.Running r = new Flames(Share.allToHouse(), 10, 4, PARAFFIN).begin();
    r.step(0, 3600, running());
    assertThat(r.fuelWatts()).isEqualTo(r.watts());
    assertThat(r.vapour() * 3600).as("kg of water in an hour").isCloseTo(0.04 * 1.26, within(1e-6));
  }

  @Test
  public void aBoilerBurnsMoreThanItGives() {
    FuelHeater boiler =
        new FuelHeater(
            List.of(new Share(new Receiver.Circuit("loop"), 1)), PARAFFIN, 9000, 0.85, true, 90);
    HeatSource.Running r = boiler.begin();
    r.step(0, 60, running());
    assertThat(r.fuelWatts()).isCloseTo(9000 / 0.85, within(1e-9));
    assertThat(r.vapour()).as("goes up its flue").isZero();
    assertThatThrownBy(() -> new FuelHeater(Share.allToHouse(), PARAFFIN, 3000, 0.8, false, 200))
        .hasMessageContaining("without a flue");
  }

  @Test
  public void surplusSunRunsAnElementInProportionToIt() {
    HeatSource.Running r = new ElectricHeat(Share.allTo("s"), 900, true).begin();
    Circumstances c = running();
    c.irradiance = ElectricHeat.FULL_SUN / 2;
    r.step(0, 60, c);
    assertThat(r.watts()).isCloseTo(450, within(1e-9));
    assertThat(r.electricWatts()).isEqualTo(r.watts());
    c.irradiance = 900;
    r.step(60, 60, c);
    assertThat(r.watts()).isEqualTo(900);
  }

  @Test
  public void sunOnADarkFaceIsAreaTimesAbsorptanceTimesShine() {
    SunOnFace sun =
        new SunOnFace(
            Share.allTo("s"), 0.9, 3, new double[] {0, 3600, 7200}, new double[] {0, 500, 0});
    assertThat(joules(sun, 9000, 60)).isCloseTo(0.9 * 3 * 250 * 7200, withinPercentage(0.1));
  }

  @Test
  public void performanceIsCarnotsShare() {
    HeatPump pump = new HeatPump(500, 0.4, 5, 5, 12, 2, 3, 60);
    double hot = 45 + 273.15 + 5;
    double cold = 10 + 273.15 - 5;
    assertThat(pump.performance(10, 45)).isCloseTo(0.4 * hot / (hot - cold), within(1e-9));
    assertThat(pump.performance(10, 55)).isLessThan(pump.performance(10, 45));
    assertThat(pump.performance(40, 20)).isEqualTo(12);
  }

  @Test
  public void everyHearthSplitsNoMoreThanTheFireAndEveryFuelNamesItsSource() {
    assertThat(Hearth.all())
        .hasSizeGreaterThanOrEqualTo(6)
        .allMatch(h -> h.toStore().high() + h.toRoom().high() <= 1)
        .allMatch(h -> !h.source().isBlank());
    assertThat(Hearth.bench().withSplit(0.5, 0.2).toStore().value()).isEqualTo(0.5);
    assertThat(Fuel.all())
        .extracting(Fuel::id)
        .contains("bottled-gas", "paraffin", "wax", "pellets", "waste-wood", "cobs");
    assertThat(Fuel.all()).allMatch(f -> !f.source().isBlank());
  }

  @Test
  public void moreThanTheWholeHeatCannotBeSharedAndSomethingMustBeHeated() {
    Share most = new Share(new Receiver.StoreZone("a"), 0.8);
    assertThatThrownBy(
            () -> new ElectricHeat(List.of(most, new Share(new Receiver.House(), 0.4)), 500, false))
        .hasMessageContaining("more than the whole heat");
    assertThatThrownBy(() -> new ElectricHeat(List.of(), 500, false))
        .hasMessageContaining("must heat something");
  }
}
