package nightbank.core.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.Map;
import nightbank.core.medium.InsulationMaterial;
import nightbank.core.medium.MediumCatalogue;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Layers, films and the ground, against the formulas' own sources. */
public class FaceTest {
  private static InsulationMaterial material(String id) {
    return MediumCatalogue.insulation(id).orElseThrow();
  }

  private static Layer.Bulk bulk(String id, double metres) {
    return new Layer.Bulk(material(id), metres, false);
  }

  @Test
  public void aBoardIsItsThicknessOverItsConductivity() {
    assertThat(bulk("xps", 0.1).resistance(20, 20, true, false))
        .isCloseTo(0.1 / 0.034, withinPercentage(1));
  }

  @Test
  public void fibreBlanketsDoubleTheirConductivityByThreeHundredDegrees() {
    double cold = bulk("stone-wool", 0.1).resistance(20, 20, true, false);
    double hot = bulk("stone-wool", 0.1).resistance(300, 300, true, false);
    assertThat(cold / hot).isBetween(1.9, 2.2);
  }

  @Test
  public void aWetLayerHasLostMostOfItsWorth() {
    double dry = bulk("straw", 0.1).resistance(20, 10, true, false);
    double wet = new Layer.Bulk(material("straw"), 0.1, true).resistance(20, 10, true, false);
    assertThat(wet).isLessThan(0.35 * dry);
  }

  @Test
  public void foilMakesAGapWorthSeveralDullOnes() {
    double foil = new Layer.ReflectiveGap(0.02, 0.05, 0.9).resistance(20, 10, true, false);
    double dull = new Layer.ReflectiveGap(0.02, 0.9, 0.9).resistance(20, 10, true, false);
    // ISO 6946: 20 mm upright unventilated, 0.18 dull; about 0.6 with one foil
    assertThat(dull).isCloseTo(0.17, within(0.03));
    assertThat(foil).isBetween(0.5, 0.8);
  }

  @Test
  public void heatGoingDownPassesAWideGapLess() {
    Layer gap = new Layer.ReflectiveGap(0.1, 0.05, 0.9);
    assertThat(gap.resistance(40, 10, false, true))
        .isGreaterThan(2 * gap.resistance(40, 10, false, false));
  }

  @Test
  public void aBareUprightFaceLosesByConvectionAndRadiation() {
    // 60 over 20 °C: 1.31 · 40^⅓ = 4.48; 0.9 σ (T² + T₀²)(T + T₀) = 6.4
    assertThat(Face.bare().transmittance(60, 20, FaceName.SIDE, 1))
        .isCloseTo(4.48 + 0.9 * 7.03, withinPercentage(3));
  }

  @Test
  public void theHotterTheFaceTheMoreItLosesPerKelvin() {
    double before = 0;
    for (double t = 20; t < 500; t += 60) {
      double u = Face.bare().transmittance(t, 5, FaceName.TOP, 1);
      assertThat(u).isGreaterThan(before);
      before = u;
    }
  }

  @Test
  public void eachLayerMoreLetsLessThrough() {
    Face one = Face.of(bulk("stone-wool", 0.05));
    Face two = Face.of(bulk("stone-wool", 0.05), bulk("stone-wool", 0.05));
    double bare = Face.bare().transmittance(80, 5, FaceName.SIDE, 1);
    double thin = one.transmittance(80, 5, FaceName.SIDE, 1);
    assertThat(thin).isLessThan(bare);
    assertThat(two.transmittance(80, 5, FaceName.SIDE, 1)).isLessThan(0.6 * thin);
  }

  @Test
  public void aMeasuredFaceIsTakenAtItsWord() {
    assertThat(Face.measured(2.5).transmittance(300, 5, FaceName.TOP, 1)).isEqualTo(2.5);
    assertThat(Face.measured(2.5).times(1.2).transmittance(300, 5, FaceName.TOP, 1))
        .isCloseTo(3, within(1e-12));
  }

  @Test
  public void aFootOnOpenGroundIsBetweenADiscOnHalfSpaceAndItsRim() {
    HeatStore store =
        HeatStore.of(
                new Geometry.Cylinder(0.5, 1),
                MediumCatalogue.medium("dry-sand").orElseThrow(),
                Map.of())
            .withPlace(Place.outdoors());
    double area = Math.PI * 0.25;
    // shape factor 2 D = 2 m, k 1.5 with ground that lets nothing out beside it: 3 W/K
    assertThat(store.transmittance(FaceName.FOOT, 60, 8) * area).isBetween(3.0, 7.0);
  }

  @DataProvider
  Object[][] impossible() {
    return new Object[][] {
      {(Runnable) () -> bulk("xps", 0)},
      {(Runnable) () -> bulk("xps", -0.1)},
      {(Runnable) () -> bulk("xps", 5)},
      {(Runnable) () -> bulk("xps", Double.NaN)},
      {(Runnable) () -> new Layer.ReflectiveGap(0.5, 0.05, 0.9)},
      {(Runnable) () -> new Layer.ReflectiveGap(0.02, 0, 0.9)},
      {(Runnable) () -> Face.measured(-1)},
      {(Runnable) () -> Face.measured(Double.NaN)},
      {(Runnable) () -> new Geometry.Cylinder(0, 1)},
      {(Runnable) () -> new Geometry.Box(1, 1, Double.POSITIVE_INFINITY)},
      {(Runnable) () -> new Probe("p", 1.5, 0.5)},
      {(Runnable) () -> new HeatedZone(0.5, 0.8, 0.2)},
    };
  }

  @Test(dataProvider = "impossible")
  public void impossibleThingsAreRefusedInWords(Runnable make) {
    assertThatThrownBy(make::run)
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageMatching("(?s).{12,}");
  }

  @Test
  public void aBareFaceIsAsWarmAsTheMassAndAWrappedOneCooler() {
    double bare = Face.bare().outerCelsius(60, 10, FaceName.TOP, 1);
    double wrapped = Face.of(bulk("stone-wool", 0.05)).outerCelsius(60, 10, FaceName.TOP, 1);
    assertThat(bare).isCloseTo(60, org.assertj.core.api.Assertions.within(0.01));
    assertThat(wrapped).isBetween(12.0, 18.0);
  }

  @Test
  public void whatComesThroughAFaceIsWhatItsFilmCarriesOff() {
    Layer.Bulk board = bulk("xps", 0.02);
    Face face = Face.of(board);
    double outside = face.outerCelsius(50, 10, FaceName.SIDE, 1);
    double through = (50 - outside) / board.resistance(50, outside, true, false);
    double flux = face.transmittance(50, 10, FaceName.SIDE, 1) * 40;
    assertThat(through).isCloseTo(flux, withinPercentage(2));
  }

  @Test
  public void aFaceInAirOfItsOwnWarmthIsThatWarm() {
    assertThat(Face.bare().outerCelsius(12, 12, FaceName.FOOT, 1)).isEqualTo(12);
  }
}
