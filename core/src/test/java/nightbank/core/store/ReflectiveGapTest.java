package nightbank.core.store;

import static nightbank.core.Reference.number;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.Map;
import nightbank.core.Reference;
import nightbank.core.medium.MediumCatalogue;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class ReflectiveGapTest {
  @DataProvider
  Object[][] gaps() {
    return Reference.rows("plant/reflective-gap.csv");
  }

  @Test(dataProvider = "gaps")
  public void theStandardsResistanceIsMet(Map<String, String> row) {
    double half = number(row, "dT_K") / 2;
    double mean = number(row, "Tm_C");
    double r =
        new Layer.ReflectiveGap(number(row, "d_m"), number(row, "eps1"), number(row, "eps2"))
            .resistance(
                mean + half,
                mean - half,
                row.get("flow").equals("horizontal"),
                row.get("flow").equals("down"));
    assertThat(r).isCloseTo(number(row, "out_R"), withinPercentage(0.5));
  }

  @Test
  public void aFoilBehindWoolFeelsItsOwnShareOfTheDifferenceOnly() {
    Layer wool = new Layer.Bulk(MediumCatalogue.insulation("stone-wool").orElseThrow(), 0.1, false);
    Layer gap = new Layer.ReflectiveGap(0.025, 0.05, 0.9);
    Face both = Face.of(wool, gap);
    double[] felt = both.innerTemperatures(60, 5, FaceName.SIDE, 1);
    double flux = both.transmittance(60, 5, FaceName.SIDE, 1) * 55;
    double across = flux * gap.resistance(felt[1], felt[1] - 8, true, false);
    assertThat(across).as("K across the gap").isBetween(5.0, 15.0);
    assertThat(felt[1]).isBetween(5 + across, 60.0);
    double alone = 1 / Face.of(gap).transmittance(60, 5, FaceName.SIDE, 1);
    double woolAlone = 1 / Face.of(wool).transmittance(60, 5, FaceName.SIDE, 1);
    double together = 1 / both.transmittance(60, 5, FaceName.SIDE, 1);
    // a gap that sees less of the difference insulates better
    assertThat(together).isGreaterThan(woolAlone + alone - 0.25);
  }
}
