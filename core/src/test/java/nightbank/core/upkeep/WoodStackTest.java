package nightbank.core.upkeep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import nightbank.core.source.FireLoad;
import nightbank.core.upkeep.WoodStack.Cover;
import nightbank.core.weather.MoistAir;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class WoodStackTest {
  private static final Instant SPRING = Instant.parse("2025-03-15T12:00:00Z");
  private static final OpenAir UPLAND = OpenAir.of(57, 280);

  private static WoodStack green(double thickness, Cover cover) {
    return new WoodStack(1000, thickness, cover, 0.45, SPRING);
  }

  private static double after(WoodStack s, int days, OpenAir air) {
    return s.at(SPRING.plus(Duration.ofDays(days)), air).moisture();
  }

  /** Wood Handbook, table 4-2: °C, relative humidity, moisture of the dry mass. */
  @DataProvider
  public Object[][] equilibria() {
    return new Object[][] {
      {21.1, 0.30, 0.062}, {21.1, 0.50, 0.092}, {21.1, 0.65, 0.120},
      {21.1, 0.80, 0.160}, {21.1, 0.90, 0.205}, {4.4, 0.65, 0.123},
    };
  }

  @Test(dataProvider = "equilibria")
  public void airBringsWoodToWhatTheTableTells(double celsius, double humidity, double dryBasis) {
    assertThat(WoodMoisture.equilibrium(celsius, humidity)).isCloseTo(dryBasis, within(0.005));
  }

  @Test
  public void bothBasesSayTheSame() {
    assertThat(WoodMoisture.wet(1)).isEqualTo(0.5);
    assertThat(WoodMoisture.dry(WoodMoisture.wet(0.37))).isCloseTo(0.37, within(1e-12));
  }

  @Test
  public void inAirThatStaysItDriesByAnExponential() {
    OpenAir air = OpenAir.steady(15, 0.7);
    double deficit = 0.3 * MoistAir.saturationPressure(15);
    double tau = 55 * Math.pow(0.8, 1.5) * 600 / deficit;
    double to = WoodMoisture.equilibrium(15, 0.7);
    double expected = to + (WoodMoisture.dry(0.45) - to) * Math.exp(-90 / tau);
    assertThat(after(green(0.08, Cover.ROOFED), 90, air))
        .isCloseTo(WoodMoisture.wet(expected), within(1e-9));
  }

  @Test
  public void nothingButWaterLeavesAndWhatIsLeftBurnsBetter() {
    WoodStack s = green(0.1, Cover.ROOFED);
    WoodStack.State then = s.at(SPRING.plus(Duration.ofDays(150)), UPLAND);
    assertThat(then.kilograms() * (1 - then.moisture())).isCloseTo(550, within(1e-6));
    assertThat(then.joules())
        .isCloseTo(then.kilograms() * FireLoad.heatingValue(then.moisture()), within(1.0))
        .isGreaterThan(1000 * FireLoad.heatingValue(0.45));
  }

  @Test
  public void oneGoodSummerUnderARoofMakesSplitsReadyAndABareStackStaysWetter() {
    int toAutumn = 190;
    double roofed = after(green(0.08, Cover.ROOFED), toAutumn, UPLAND);
    double bare = after(green(0.08, Cover.BARE), toAutumn, UPLAND);
    assertThat(roofed).isBetween(0.15, 0.25);
    assertThat(bare).isGreaterThan(roofed + 0.02);
  }

  @Test
  public void thickPiecesAreSlowerAndARoomIsDriest() {
    double before = 0;
    for (double thickness : new double[] {0.04, 0.08, 0.15, 0.3}) {
      double m = after(green(thickness, Cover.ROOFED), 120, UPLAND);
      assertThat(m).isGreaterThan(before);
      before = m;
    }
    assertThat(after(green(0.1, Cover.ROOM), 900, UPLAND))
        .isLessThan(after(green(0.1, Cover.ROOFED), 900, UPLAND));
  }

  @Test
  public void winterHardlyDriesAnything() {
    Instant autumn = Instant.parse("2025-11-15T12:00:00Z");
    WoodStack s = new WoodStack(1000, 0.1, Cover.ROOFED, 0.45, autumn);
    double afterWinter = s.at(autumn.plus(Duration.ofDays(90)), UPLAND).moisture();
    double afterSummer = after(green(0.1, Cover.ROOFED), 90, UPLAND);
    assertThat(0.45 - afterWinter).isPositive().isLessThan(0.5 * (0.45 - afterSummer));
  }

  @Test
  public void whatIsUnsureOfThePaceLiesOnBothSides() {
    WoodStack.State s = green(0.1, Cover.ROOFED).at(SPRING.plus(Duration.ofDays(60)), UPLAND);
    assertThat(s.low()).isLessThan(s.moisture());
    assertThat(s.high()).isGreaterThan(s.moisture());
  }

  @Test
  public void itIsReadyOnTheDayOnWhichItsMoistureIsAndNeverWhereItCannotBe() {
    WoodStack s = green(0.08, Cover.ROOFED);
    Instant day = s.ready(SPRING, UPLAND).orElseThrow();
    assertThat(s.at(day, UPLAND).moisture()).isLessThanOrEqualTo(WoodStack.READY);
    assertThat(s.at(day.minus(Duration.ofDays(1)), UPLAND).moisture())
        .isGreaterThan(WoodStack.READY);
    assertThat(green(0.1, Cover.BARE).ready(SPRING, OpenAir.steady(8, 0.95))).isEmpty();
  }

  @Test
  public void aBareStackThatTookUpWaterIsReadyAgainOnlyWhenItHasDriedAgain() {
    Instant dryAgain = SPRING.plus(Duration.ofDays(200));
    OpenAir air =
        new OpenAir() {
          @Override
          public double celsius(Instant at) {
            return 12;
          }

          @Override
          public double humidity(Instant at) {
            return at.isBefore(dryAgain) ? 0.92 : 0.5;
          }
        };
    WoodStack bare = new WoodStack(100, 0.08, Cover.BARE, 0.17, SPRING);
    Instant damp = SPRING.plus(Duration.ofDays(190));
    assertThat(bare.at(damp, air).moisture()).isGreaterThan(WoodStack.READY);
    assertThat(bare.ready(SPRING, air)).contains(SPRING);
    Instant again = bare.ready(damp, air).orElseThrow();
    assertThat(again).isAfter(dryAgain);
    assertThat(bare.at(again, air).moisture()).isLessThanOrEqualTo(WoodStack.READY);
  }

  @Test
  public void beforeItWasWeighedItIsAsItWasThenAndDryWoodTakesUpDamp() {
    WoodStack dry = new WoodStack(100, 0.1, Cover.ROOFED, 0.05, SPRING);
    assertThat(dry.at(SPRING.minus(Duration.ofDays(9)), UPLAND).kilograms())
        .isCloseTo(100, within(1e-9));
    assertThat(after(dry, 400, UPLAND)).isGreaterThan(0.08);
  }

  @Test
  public void whatNoStackCanBeIsRefused() {
    assertThatThrownBy(() -> new WoodStack(-1, 0.1, Cover.BARE, 0.2, SPRING))
        .hasMessageContaining("weigh");
    assertThatThrownBy(() -> new WoodStack(1, 2, Cover.BARE, 0.2, SPRING))
        .hasMessageContaining("thick");
    assertThatThrownBy(() -> new WoodStack(1, 0.1, Cover.BARE, 0.9, SPRING))
        .hasMessageContaining("moisture");
  }
}
