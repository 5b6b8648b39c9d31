package nightbank.core.sizing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import nightbank.core.sizing.Means.Kind;
import nightbank.core.system.Places;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.SystemPlan;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What holds a hard night without being stored before it. */
public class MeansTest {
  private static final double MARGIN = 1;

  private static SystemPlan night(double low) {
    return Places.night(PlantSystem.of(Places.house(), List.of()), low).withStep(600);
  }

  @DataProvider
  Object[][] kinds() {
    Object[][] all = new Object[Kind.values().length][];
    for (int i = 0; i < all.length; i++) {
      all[i] = new Object[] {Kind.values()[i]};
    }
    return all;
  }

  @Test(dataProvider = "kinds")
  public void aColderNightNeedsMore(Kind kind) {
    Means mild = Means.of(night(-3), MARGIN, kind);
    Means hard = Means.of(night(-9), MARGIN, kind);
    assertThat(mild.holds()).isTrue();
    assertThat(hard.amount()).isGreaterThan(mild.amount());
    assertThat(mild.lowestCelsius()).isGreaterThanOrEqualTo(2 + MARGIN);
  }

  @Test
  public void candlesGasAndCurrentOfTheSameHeatHoldTheSameNight() {
    Means current = Means.of(night(-6), MARGIN, Kind.ELECTRIC_HEATER);
    Means gas = Means.of(night(-6), MARGIN, Kind.GAS_HEATER);
    Means candles = Means.of(night(-6), MARGIN, Kind.CANDLES);
    double each = 4 / 1000.0 / 3600 * 43.1e6;
    assertThat(gas.amount()).isCloseTo(current.amount(), within(201.0)); // vapour moves it a little
    assertThat(candles.amount() * each).isCloseTo(current.amount(), within(250.0));
    assertThat(current.electricJoules())
        .isCloseTo(current.amount() * Places.NIGHT, within(1e-6 * current.electricJoules()));
    assertThat(candles.fuelKilograms())
        .isCloseTo(candles.amount() * 0.004 * Places.NIGHT / 3600, within(0.01));
  }

  @Test
  public void aHeatPumpTakesAThirdToAHalfOfTheCurrent() {
    double current = Means.of(night(-6), MARGIN, Kind.ELECTRIC_HEATER).amount();
    double pump = Means.of(night(-6), MARGIN, Kind.HEAT_PUMP).amount();
    assertThat(pump).isBetween(0.15 * current, 0.55 * current);
  }

  @Test
  public void whatCannotHoldSaysSo() {
    assertThat(Means.of(night(-30), MARGIN, Kind.EARTH_PIPES).holds()).isFalse();
  }
}
