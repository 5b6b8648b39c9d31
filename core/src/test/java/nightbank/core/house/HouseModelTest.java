package nightbank.core.house;

import static nightbank.core.Reference.number;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
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
        List.of(new SkinPart("all", loss / 5, 5, 0)), 1, 0, air, new InnerMass(mass, tie), 2);
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
