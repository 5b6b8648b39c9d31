package nightbank.core.medium;

import static nightbank.core.Reference.number;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.Map;
import nightbank.core.Reference;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class EnthalpyTest {
  @DataProvider
  Object[][] quartz() {
    return Reference.rows("quartz-enthalpy.csv");
  }

  @Test(dataProvider = "quartz")
  public void quartzMeetsTheTable(Map<String, String> row) {
    double joules = new QuartzEnthalpy().between(number(row, "from_C"), number(row, "to_C")) / 1000;
    assertThat(joules).isCloseTo(number(row, "kJ_per_kg"), withinPercentage(0.2));
  }

  @DataProvider
  Object[][] curves() {
    return MediumCatalogue.media().stream()
        .map(m -> new Object[] {m.id(), m.enthalpy()})
        .toArray(Object[][]::new);
  }

  @Test(dataProvider = "curves")
  public void enthalpyRisesAndItsSlopeIsTheSpecificHeat(String id, Enthalpy h) {
    for (double t = -20.05; t < 600; t += 0.7) {
      boolean bend = Math.abs(t) < 0.4 || Math.abs(t - 100) < 0.1 || Math.abs(t - 574.85) < 1.1;
      assertThat(h.between(t, t + 0.01)).as("%s at %s", id, t).isPositive();
      if (!bend) {
        double slope = h.between(t - 0.01, t + 0.01) / 0.02;
        assertThat(slope).as("%s at %s", id, t).isCloseTo(h.specificHeat(t), within(0.5));
      }
    }
  }

  @Test
  public void freezingWaterSetsItsLatentHeatFree() {
    WaterEnthalpy h = new WaterEnthalpy();
    assertThat(h.between(-0.2, 0)).isCloseTo(3.34e5, withinPercentage(0.2));
  }

  @Test
  public void dampSandHoldsTheHeatOfItsWater() {
    DampEnthalpy damp = new DampEnthalpy(new QuartzEnthalpy(), 0.05);
    double extra = damp.between(20, 80) - 0.95 * new QuartzEnthalpy().between(20, 80);
    assertThat(extra).isCloseTo(0.05 * 4184 * 60, within(1e-6));
    assertThat(damp.dryingJoulesPerKg()).isCloseTo(0.05 * 2.257e6, within(1e-6));
  }

  @Test
  public void everyTableRowNamesItsSource() {
    assertThat(MediumCatalogue.media()).hasSize(14).allMatch(m -> !m.source().isBlank());
    assertThat(MediumCatalogue.insulation()).allMatch(m -> !m.source().isBlank());
    assertThat(MediumCatalogue.skins()).allMatch(m -> !m.source().isBlank());
  }

  @Test
  public void theTableIsTheOneOfTheFieldsBooks() {
    Medium sand = MediumCatalogue.medium("dry-sand").orElseThrow();
    assertThat(sand.density()).isEqualTo(new Range(1450, 1550, 1650));
    assertThat(sand.conductivity()).isEqualTo(new Range(0.25, 0.30, 0.35));
    assertThat(MediumCatalogue.medium("soapstone").orElseThrow().specificHeat().value())
        .isEqualTo(980);
    assertThat(MediumCatalogue.medium("basalt").orElseThrow().conductivity().value())
        .isEqualTo(1.7);
    Medium soaked = MediumCatalogue.medium("soaked-sand").orElseThrow();
    assertThat(soaked.enthalpy().specificHeat(20)).isBetween(1300.0, 1480.0);
  }
}
