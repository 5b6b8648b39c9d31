package nightbank.core.house;

import static nightbank.core.Reference.number;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import nightbank.core.Reference;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class HouseModelTest {
  @DataProvider
  Object[][] cases() {
    return Reference.rows("two-node-night.csv");
  }

  private static Greenhouse house(double air, double mass, double tie, double loss) {
    return new Greenhouse(
        List.of(new SkinPart("all", loss / 5, 5, 0)),
        1,
        0,
        List.of(),
        air,
        List.of(new InnerMass(mass, tie)),
        Optional.empty(),
        Double.NaN,
        2);
  }

  @Test(dataProvider = "cases")
  public void airAndMassFollowTheClosedForm(Map<String, String> row) {
    Greenhouse house =
        house(
            number(row, "air_J_K"),
            number(row, "mass_J_K"),
            number(row, "tie_W_K"),
            number(row, "loss_W_K"));
    HouseModel model = new HouseModel(house, number(row, "air0_C"), number(row, "mass0_C"));
    for (int i = 0; i < number(row, "hours") * 60; i++) {
      model.step(60, number(row, "outdoor_C"), 4, 0, number(row, "gain_W"));
    }
    assertThat(model.airCelsius()).isCloseTo(number(row, "air_C"), within(0.05));
    assertThat(model.massCelsius()).isCloseTo(number(row, "mass_C"), within(0.05));
  }

  @Test
  public void aSteadyHeaterLiftsTheAirByItsPowerOverTheLoss() {
    HouseModel model = new HouseModel(house(2e5, 5e6, 90, 120), 0, 0);
    for (int i = 0; i < 3000; i++) {
      model.step(600, -5, 4, 0, 1800);
    }
    assertThat(model.airCelsius()).isCloseTo(-5 + 1800.0 / 120, within(1e-6));
  }

  @Test
  public void theLedgerOfTheWholeHouseCloses() {
    Greenhouse whole = whole();
    HouseModel model = new HouseModel(whole, 12, 9, 7);
    HouseModel.Step s = new HouseModel.Step();
    double start = model.heatContent();
    double in = 0;
    double out = 0;
    for (int i = 0; i < 24 * 60; i++) {
      s.outdoorCelsius = -4 + 9 * Math.sin(i / 230.0);
      s.windMetresPerSecond = 3;
      s.skyCelsius = -20;
      s.gainWatts = 400;
      s.sunWatts = Math.max(0, 12_000 * Math.sin(i / 230.0));
      s.groundCelsius = 7;
      s.screenDrawn = i > 700;
      model.step(60, s);
      in += 400 * 60 + model.sunJoules();
      out += model.lostJoules() + model.ventedJoules() + model.groundJoules();
    }
    double moved = in + Math.abs(out);
    assertThat(in - out - (model.heatContent() - start)).isCloseTo(0, within(1e-9 * moved));
  }

  @Test
  public void thePartsOfTheLossSumToTheWhole() {
    Greenhouse whole = whole();
    HouseModel model = new HouseModel(whole, 6, 7, 7);
    HouseModel.Step s = new HouseModel.Step();
    s.outdoorCelsius = -4;
    s.windMetresPerSecond = 3;
    s.skyCelsius = -18;
    s.groundCelsius = 7;
    s.gainWatts = 1500;
    for (int i = 0; i < 4000; i++) {
      model.step(600, s);
    }
    double parts =
        HouseLosses.at(whole, model.airCelsius(), model.floorCelsius(), 3, -4, -18, false).stream()
            .mapToDouble(HouseLosses.Loss::watts)
            .sum();
    assertThat(parts).isCloseTo(model.lostJoules() / 600, within(1e-3));
    assertThat(parts + model.groundJoules() / 600).as("at rest").isCloseTo(1500, within(1e-3));
  }

  private static Greenhouse whole() {
    return Greenhouse.of(
            List.of(
                new SkinPart("roof", 18, 5.8, 0.9).glazed(0.7, 0.02).facing(25, 180).screened(0.25),
                new SkinPart("film end", 6, 6.8, 0.45).glazed(0.75, 0.7),
                new SkinPart("house wall", 12, 1.5, 0).against(16)),
            32,
            1,
            new InnerMass(8e6, 90),
            2)
        .withGaps(List.of(new Gap("door", 5, 0.004)))
        .withFloor(new Floor(14, 16, 0.8))
        .withVentAbove(18);
  }

  @Test
  public void atRestEverythingStandsAtOneTemperature() {
    HouseModel model = new HouseModel(whole(), 16, 16, 16);
    HouseModel.Step s = new HouseModel.Step();
    s.outdoorCelsius = 16;
    s.windMetresPerSecond = 4;
    s.skyCelsius = 16;
    s.groundCelsius = 16;
    for (int i = 0; i < 500; i++) {
      model.step(300, s);
    }
    assertThat(model.airCelsius()).isCloseTo(16, within(1e-9));
    assertThat(model.leafCelsius()).isCloseTo(16, within(1e-9));
  }

  @Test
  public void soilLayersFollowTheStrengthOfADailyWave() {
    // half-space under a wave of the surface: amplitude falls by e over sqrt(2 a / w)
    Greenhouse house =
        new Greenhouse(
            List.of(new SkinPart("all", 1, 0.001, 0)),
            100,
            0,
            List.of(),
            1e12,
            List.of(),
            Optional.of(new Floor(100, 0, 0)),
            Double.NaN,
            2);
    HouseModel model = new HouseModel(house, 20, 10, 10);
    double depth = Math.sqrt(2 * 1.2 / 2.56e6 / (2 * Math.PI / 86_400));
    assertThat(depth).isBetween(0.1, 0.13);
    double start = model.heatContent();
    for (int i = 0; i < 6 * 60; i++) {
      model.step(60, 10, 4, 1, 0);
    }
    // a step of 10 K at the surface film for six hours: heat by Carslaw and Jaeger 2.7 (convective)
    double h = 7;
    double k = 1.2;
    double a = k / 2.56e6;
    double root = Math.sqrt(a * 21_600);
    double tau = h * root / k;
    double erfcx = Math.exp(tau * tau) * org.hipparchus.special.Erf.erfc(tau);
    double q = 10 * k * k / (h * a) * (erfcx - 1 + 2 * tau / Math.sqrt(Math.PI));
    double gained = -model.fromMassJoules();
    assertThat(gained).isPositive();
    assertThat((soilHeat(model, house) - soilStart(house)) / 100)
        .isCloseTo(q, org.assertj.core.api.Assertions.withinPercentage(4));
    assertThat(start).isPositive();
  }

  private static double soilHeat(HouseModel model, Greenhouse house) {
    return model.heatContent() - house.airCapacity() * model.airCelsius();
  }

  private static double soilStart(Greenhouse house) {
    HouseModel fresh = new HouseModel(house, 20, 10, 10);
    return soilHeat(fresh, house);
  }

  @Test
  public void underAClearSkyLeavesAreColderThanTheAirAndFilmMakesItWorse() {
    SkinPart glass = new SkinPart("roof", 20, 5.8, 0.9).glazed(0.7, 0.02).facing(20, 180);
    SkinPart film = new SkinPart("roof", 20, 5.8, 0.9).glazed(0.7, 0.7).facing(20, 180);
    double underGlass = leafBelowAir(glass);
    double underFilm = leafBelowAir(film);
    assertThat(underGlass).isBetween(0.3, 3.0);
    assertThat(underFilm).isGreaterThan(underGlass + 0.3);
  }

  private static double leafBelowAir(SkinPart roof) {
    HouseModel model =
        new HouseModel(Greenhouse.of(List.of(roof), 40, 1, new InnerMass(9e6, 200), 2), 3, 3);
    for (int i = 0; i < 30; i++) {
      model.step(60, -3, 1, 0, 1000);
    }
    return model.airCelsius() - model.leafCelsius();
  }

  @Test
  public void aScreenSavesWhatItsResistanceSays() {
    SkinPart roof = new SkinPart("roof", 10, 5.8, 0.9).screened(0.25);
    assertThat(1 / roof.transmittance(4, true) - 1 / roof.transmittance(4, false))
        .isCloseTo(0.25, within(1e-12));
  }

  @Test
  public void aGapLetsInMoreInWindAndInCold() {
    Gap gap = new Gap("door", 5, 0.005);
    // 250 cm² at 4 m/s and 10 K: 250 sqrt(0.00145 + 0.002784) L/s
    assertThat(gap.cubicMetresPerSecond(10, 4)).isCloseTo(0.01627, within(0.0001));
    assertThat(gap.cubicMetresPerSecond(10, 8)).isGreaterThan(gap.cubicMetresPerSecond(10, 4));
    assertThat(gap.cubicMetresPerSecond(20, 4)).isGreaterThan(gap.cubicMetresPerSecond(10, 4));
  }

  @Test
  public void windRaisesTheLossAndFourMetresAreNominal() {
    SkinPart glass = new SkinPart("roof", 10, 5.8, 0.9);
    assertThat(glass.transmittanceInWind(4)).isCloseTo(5.8, within(1e-12));
    assertThat(glass.transmittanceInWind(12)).isGreaterThan(6);
    assertThat(glass.transmittanceInWind(0)).isLessThan(5.2);
  }

  @Test
  public void aClearSkyDrawsMoreThanACloudyOne() {
    Greenhouse house =
        Greenhouse.of(
            List.of(new SkinPart("roof", 20, 5.8, 0.9)), 40, 1, new InnerMass(1e6, 50), 2);
    assertThat(house.skyWatts(2, -3, 0)).isGreaterThan(200);
    assertThat(house.skyWatts(2, -3, 1)).isCloseTo(0, within(1e-9));
  }
}
