package nightbank.core.medium;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class MediumCatalogueTest {
  @DataProvider
  public Object[] media() {
    return MediumCatalogue.media().toArray();
  }

  @DataProvider
  public Object[] insulation() {
    return MediumCatalogue.insulation().toArray();
  }

  @DataProvider
  public Object[] skins() {
    return MediumCatalogue.skins().toArray();
  }

  private static void spans(String of, List<Range> ranges) {
    assertThat(ranges).as(of).allMatch(r -> r.low() < r.high());
  }

  @Test(dataProvider = "media")
  public void everyNumberOfAMediumHasARangeAndASource(Medium m) {
    spans(
        m.id(),
        List.of(
            m.density(),
            m.specificHeat(),
            m.conductivity(),
            m.dryConductivity(),
            m.highestCelsius()));
    assertThat(m.dries() == (m.moisture().low() < m.moisture().high())).as(m.id()).isTrue();
    assertThat(m.source()).isNotBlank().contains("highest:");
  }

  @Test(dataProvider = "media")
  public void aFillThatHoldsWaterIsNeverSafeAboveBoiling(Medium m) {
    if (m.moisture().value() > 0 || m.kind() == Medium.Kind.WATER) {
      assertThat(m.highestCelsius().high()).isLessThanOrEqualTo(100);
    }
  }

  @Test(dataProvider = "media")
  public void aDriedFillConductsNoBetterThanADampOne(Medium m) {
    assertThat(m.dryConductivity().low()).isLessThanOrEqualTo(m.conductivity().low());
    assertThat(m.dryConductivity().high()).isLessThanOrEqualTo(m.conductivity().high());
  }

  @Test(dataProvider = "insulation")
  public void everyNumberOfAnInsulationHasARangeAndASource(InsulationMaterial i) {
    spans(i.id(), List.of(i.conductivityRange(), i.slopePerKelvin(), i.highestCelsius()));
    boolean drinks = !i.id().equals("steel");
    assertThat(i.wetFactor().low() < i.wetFactor().high()).as(i.id()).isEqualTo(drinks);
    assertThat(i.wetFactor().low()).isGreaterThanOrEqualTo(1);
    assertThat(i.source()).isNotBlank().contains("highest:");
  }

  @Test(dataProvider = "skins")
  public void everyNumberOfASkinHasARangeAndASource(SkinMaterial s) {
    spans(s.id(), List.of(s.uValue()));
    boolean glazed = s.solarShare().value() > 0;
    assertThat(s.solarShare().low() < s.solarShare().high()).as(s.id()).isEqualTo(glazed);
    assertThat(s.longWaveShare().low() < s.longWaveShare().high()).as(s.id()).isEqualTo(glazed);
    assertThat(s.source()).isNotBlank();
  }

  @Test
  public void aBoundMovesTheWholeSpreadDownOrLeavesIt() {
    Range r = new Range(0.8, 1, 1.5);
    assertThat(r.atMost(2)).isEqualTo(r);
    assertThat(r.atMost(0.5)).isEqualTo(new Range(0.4, 0.5, 0.75));
  }
}
