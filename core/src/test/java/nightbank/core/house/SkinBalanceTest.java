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

/** One square metre of skin over a parallel floor, against the reference's T⁴ balance. */
public class SkinBalanceTest {
  @DataProvider
  Object[][] balances() {
    return Reference.rows("plant/skin-balance.csv");
  }

  @DataProvider
  Object[][] totals() {
    return Reference.rows("plant/equivalent-total.csv");
  }

  private static Greenhouse over(Map<String, String> row) {
    Optics o = new Optics(number(row, "tau"), number(row, "eps_in"), number(row, "eps_out"));
    SkinPart part =
        SkinPart.sheet("skin", 1, o, 1)
            .facing(number(row, "tilt_deg"), 180)
            .seeing(number(row, "sky_share"))
            .shining(o, o)
            .resisting(number(row, "R_solid"));
    return Greenhouse.of(List.of(part), 1, 0, 2).withFloor(new Floor(1, 0, 0)).withWetShare(0);
  }

  private static HouseLosses.Loss program(Map<String, String> row, double floor, double sky) {
    HouseLosses.Conditions c =
        new HouseLosses.Conditions(
            number(row, "Ti_C"),
            floor,
            number(row, "To_C"),
            sky,
            number(row, "v_ms"),
            Double.NEGATIVE_INFINITY,
            0,
            false);
    return HouseLosses.at(over(row), c).losses().get(0);
  }

  /** The balance with the row's own inner film where it has one. */
  private static double[] withRowsFilm(Map<String, String> row) {
    Enclosure e = new Enclosure(over(row), true);
    double air = number(row, "Ti_C");
    double floor = number(row, "Tf_C");
    e.start(air, number(row, "To_C"), 0);
    for (int k = 0; k < 60; k++) {
      e.behind(number(row, "To_C"), number(row, "v_ms"), number(row, "Tsky_C"), 0, false);
      e.films(air, floor);
      if (!row.get("h_in_fixed").isEmpty()) {
        e.film[0] = number(row, "h_in_fixed");
      }
      e.linear(floor, 0, 0);
      e.settle(air, floor, floor, 0);
    }
    double total = e.k[0] * e.inner[0] - e.s[0] + e.straight(0);
    return new double[] {e.inner[0], e.outer[0], total, e.straight(0), e.taken(0)};
  }

  @Test(dataProvider = "balances")
  public void withTheRowsCoefficientsSkinAndFluxesAreMet(Map<String, String> row) {
    double[] found = withRowsFilm(row);
    assertThat(found[0]).isCloseTo(number(row, "out_T_skin_in"), within(0.05));
    assertThat(found[1]).isCloseTo(number(row, "out_T_skin_out"), within(0.05));
    double total = number(row, "out_total");
    assertThat(found[2]).isCloseTo(total, within(Math.max(0.5, 0.005 * total)));
    assertThat(found[3]).isCloseTo(number(row, "out_lw_through"), within(0.01 * total));
    assertThat(found[4]).isCloseTo(number(row, "out_lw_floor_skin"), within(0.01 * total));
  }

  @Test(dataProvider = "balances")
  public void withTheProgramsOwnFilmsTheTotalIsMet(Map<String, String> row) {
    if (!row.get("h_in_fixed").isEmpty()) {
      return; // the row asks for another film
    }
    HouseLosses.Loss loss = program(row, number(row, "Tf_C"), number(row, "Tsky_C"));
    double total = number(row, "out_total");
    assertThat(loss.watts()).isCloseTo(total, within(Math.max(3, 0.06 * total)));
    assertThat(loss.convectionWatts() + loss.longWaveWatts() + loss.throughWatts())
        .as("parts of the whole")
        .isCloseTo(loss.watts(), within(1e-6));
  }

  @Test(dataProvider = "totals")
  public void theSkysPartIsMet(Map<String, String> row) {
    double floor = number(row, "Tf_C");
    double all = program(row, floor, number(row, "Tsky_C")).watts();
    double noSky = program(row, floor, number(row, "To_C")).watts();
    double extra = number(row, "out_sky_extra");
    assertThat(all - noSky).isCloseTo(extra, within(Math.max(3, 0.1 * extra)));
  }

  @Test(dataProvider = "balances")
  public void saturatedAirAddsWhatCondensesOnWetFilm(Map<String, String> row) {
    if (!row.get("kind").equals("film_wet")) {
      return;
    }
    double air = number(row, "Ti_C");
    Greenhouse house = over(row);
    Enclosure e = new Enclosure(house, true);
    double density = nightbank.core.weather.MoistAir.saturationDensity(air);
    double dry = withRowsFilm(row)[2];
    e.start(air, number(row, "To_C"), 0);
    for (int k = 0; k < 60; k++) {
      e.behind(number(row, "To_C"), number(row, "v_ms"), number(row, "Tsky_C"), 0, false);
      e.films(air, number(row, "Tf_C"));
      e.vapour(density, number(row, "Tf_C"), 0, 60);
      e.linear(number(row, "Tf_C"), 0, density);
      e.settle(air, number(row, "Tf_C"), number(row, "Tf_C"), density);
    }
    double wet = e.k[0] * e.inner[0] - e.s[0] + e.straight(0);
    assertThat(wet / dry - 1).as("latent heat over the dry total").isBetween(0.05, 0.26);
  }

  @DataProvider
  Object[][] sheets() {
    return new Object[][] {
      {"single-glass", 5.8},
      {"twin-wall-10", 3.0},
      {"double-glass", 2.8},
      {"stone-wall", 2.2},
      {"twin-film", 4.0},
      {"panel-100", 0.35}
    };
  }

  @Test(dataProvider = "sheets")
  public void aTabledUIsMetUnderTheConditionsThatItIsTabledFor(String id, double u) {
    var m = nightbank.core.medium.MediumCatalogue.skin(id).orElseThrow();
    double e = m.emissivity().value();
    Optics o = new Optics(m.longWaveShare().value(), e, e);
    assertThat(SkinPart.sheet(id, 1, o, u).transmittance()).isCloseTo(u, within(0.01));
    assertThat(SkinPart.sheet(id, 1, o, u).slab()).isEqualTo(Optional.empty());
  }

  @Test
  public void singleFilmHasNoResistanceAndAUNearItsTabledOne() {
    SkinPart film = SkinPart.sheet("film", 1, Optics.FILM, 6.8);
    assertThat(film.resistance()).isZero();
    assertThat(film.transmittance()).isCloseTo(6.8, within(0.6));
  }

  @Test
  public void aUBeyondAnySheetIsSoMuchMoreLoss() {
    SkinPart holes = SkinPart.sheet("torn", 1, Optics.FILM, 12);
    assertThat(holes.heatFactor()).isGreaterThan(1.5);
    assertThat(holes.transmittance()).isCloseTo(12, within(0.01));
  }
}
