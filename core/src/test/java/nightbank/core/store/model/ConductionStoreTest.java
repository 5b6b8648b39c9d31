package nightbank.core.store.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.Map;
import nightbank.core.medium.InsulationMaterial;
import nightbank.core.medium.Medium;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.Layer;
import nightbank.core.store.Place;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class ConductionStoreTest {
  private static final Geometry DRUM = new Geometry.Cylinder(0.3, 0.8);
  private static final Geometry BIN = new Geometry.Box(1.2, 0.7, 0.6);

  @DataProvider
  Object[][] shapesAndMedia() {
    return new Object[][] {
      {DRUM, "dry-sand"}, {BIN, "dry-sand"}, {BIN, "damp-sand"}, {DRUM, "granite"}, {DRUM, "water"}
    };
  }

  private static HeatStore store(Geometry geometry, String medium) {
    InsulationMaterial wool = MediumCatalogue.insulation("stone-wool").orElseThrow();
    return HeatStore.of(
            geometry,
            MediumCatalogue.medium(medium).orElseThrow(),
            Map.of(FaceName.SIDE, Face.of(new Layer.Bulk(wool, 0.05, false))))
        .withPlace(Place.onHouseFloor())
        .withCount(3);
  }

  @Test(dataProvider = "shapesAndMedia")
  public void energyClosesToOnePartInABillion(Geometry geometry, String medium) {
    HeatStore store = store(geometry, medium);
    StoreModel model = StoreModel.of(store, StoreState.uniform(StoreGrid.standard(store), 12));
    double start = model.heatContent();
    double in = 0;
    double out = 0;
    for (int i = 0; i < 900; i++) {
      double watts = i < 400 ? 900 : 0;
      model.step(60, Surroundings.of(-3 + 0.01 * i, 6), watts);
      in += watts * 60;
      for (FaceName face : FaceName.values()) {
        out += model.faceWatts(face) * 60;
      }
    }
    assertThat(model.heatContent() - start).isCloseTo(in - out, within(1e-9 * in));
  }

  @Test(dataProvider = "shapesAndMedia")
  public void settlesWhereFacesCarryTheSourceAway(Geometry geometry, String medium) {
    HeatStore store = store(geometry, medium);
    StoreModel model = StoreModel.of(store, StoreState.uniform(StoreGrid.coarse(store), 12));
    for (int i = 0; i < 40_000; i++) {
      model.step(3600, Surroundings.of(4, 8), 120);
    }
    double out = 0;
    for (FaceName face : FaceName.values()) {
      out += model.faceWatts(face);
    }
    assertThat(out).isCloseTo(120, withinPercentage(0.1));
  }

  @Test
  public void twiceAsFineAndHalfTheStepMoveTheMeanLittle() {
    HeatStore store = store(BIN, "dry-sand");
    double usual = afterANight(store, StoreGrid.standard(store), 60);
    double fine = afterANight(store, new StoreGrid(BIN, 16, 16, 28), 30);
    double coarse = afterANight(store, StoreGrid.coarse(store), 120);
    assertThat(usual).isCloseTo(fine, within(0.15));
    assertThat(coarse).isCloseTo(fine, within(0.5));
  }

  private static double afterANight(HeatStore store, StoreGrid grid, double step) {
    StoreModel model = StoreModel.of(store, StoreState.uniform(grid, 70));
    for (double at = 0; at < 14 * 3600; at += step) {
      model.step(step, Surroundings.of(-2, 6), 0);
    }
    return model.meanCelsius();
  }

  @Test
  public void aTurnedBoxCoolsAlike() {
    HeatStore one = HeatStore.of(BIN, MediumCatalogue.medium("granite").orElseThrow(), Map.of());
    HeatStore other =
        HeatStore.of(
            new Geometry.Box(0.7, 1.2, 0.6),
            MediumCatalogue.medium("granite").orElseThrow(),
            Map.of());
    double a = afterANight(one, StoreGrid.standard(one), 120);
    double b = afterANight(other, StoreGrid.standard(other), 120);
    assertThat(a).isCloseTo(b, within(1e-9));
  }

  @Test
  public void aHeatedRodIsFarHotterThanTheMean() {
    HeatStore store =
        HeatStore.of(DRUM, MediumCatalogue.medium("dry-sand").orElseThrow(), Map.of());
    StoreModel model = StoreModel.of(store, StoreState.uniform(StoreGrid.standard(store), 10));
    for (int i = 0; i < 240; i++) {
      model.step(60, Surroundings.of(10, 10), 800);
    }
    assertThat(model.at(0, 0.5)).isGreaterThan(model.meanCelsius() + 200);
    assertThat(model.at(0.95, 0.5)).isLessThan(25);
  }

  @Test
  public void moreInsulationLosesLess() {
    InsulationMaterial wool = MediumCatalogue.insulation("stone-wool").orElseThrow();
    double before = 0;
    for (double thickness : new double[] {0.02, 0.05, 0.1, 0.2}) {
      Face face = Face.of(new Layer.Bulk(wool, thickness, false));
      HeatStore store =
          HeatStore.of(
              DRUM,
              MediumCatalogue.medium("dry-sand").orElseThrow(),
              Map.of(FaceName.SIDE, face, FaceName.TOP, face, FaceName.FOOT, face));
      double mean = afterANight(store, StoreGrid.coarse(store), 120);
      assertThat(mean).isGreaterThan(before);
      before = mean;
    }
  }

  @Test
  public void wetInsulationLosesItsValue() {
    InsulationMaterial wool = MediumCatalogue.insulation("stone-wool").orElseThrow();
    Face dry = Face.of(new Layer.Bulk(wool, 0.1, false));
    Face wet = Face.of(new Layer.Bulk(wool, 0.1, true));
    assertThat(wet.transmittance(50, 5, FaceName.SIDE, 1))
        .isGreaterThan(3 * dry.transmittance(50, 5, FaceName.SIDE, 1));
  }

  @Test
  public void foilAcrossAGapBeatsPlainGap() {
    Layer foil = new Layer.ReflectiveGap(0.025, 0.05, 0.9);
    Layer plain = new Layer.ReflectiveGap(0.025, 0.9, 0.9);
    // ISO 6946 table: 25 mm upright gap, both sides dull, about 0.18 m² K/W
    assertThat(plain.resistance(20, 10, true, false)).isCloseTo(0.16, within(0.03));
    assertThat(foil.resistance(20, 10, true, false)).isGreaterThan(0.5);
  }

  @Test
  public void waterStandsAtZeroWhileItFreezes() {
    HeatStore store = HeatStore.of(DRUM, MediumCatalogue.medium("water").orElseThrow(), Map.of());
    StoreModel model = StoreModel.of(store, StoreState.uniform(StoreGrid.standard(store), 0.5));
    for (int i = 0; i < 6 * 60; i++) {
      model.step(60, Surroundings.of(-8, -8), 0);
    }
    assertThat(model.meanCelsius()).isBetween(-0.2, 0.0);
  }

  @DataProvider
  Object[][] impossible() {
    return new Object[][] {{0.0}, {-1.0}, {Double.NaN}, {1e9}};
  }

  @Test(dataProvider = "impossible")
  public void impossibleSizesAreRefusedWithTheValue(double metres) {
    assertThatThrownBy(() -> new Geometry.Cylinder(metres, 1))
        .hasMessageContaining("radius")
        .hasMessageContaining(String.valueOf(metres));
  }

  @DataProvider
  Object[][] rods() {
    return new Object[][] {
      {new Geometry.Cylinder(0.28, 0.62), 620.0, 0.15},
      {new Geometry.Cylinder(0.3, 0.9), 900.0, 0.1},
      {new Geometry.Cylinder(0.45, 0.8), 1200.0, 0.2},
      {new Geometry.Box(0.9, 0.7, 0.6), 900.0, 0.2},
    };
  }

  @Test(dataProvider = "rods")
  public void aRodsHottestCellIsMetWithinThreeHundredthsOfAGridFourTimesAsFine(
      Geometry g, double watts, double reach) {
    HeatStore store =
        HeatStore.of(g, MediumCatalogue.medium("dry-sand").orElseThrow(), Map.of())
            .withZone(new HeatedZone(reach, 0.15, 0.85));
    boolean round = g instanceof Geometry.Cylinder;
    double usual = hottest(store, StoreGrid.standard(store), watts);
    StoreGrid fine = round ? new StoreGrid(g, 48, 1, 56) : new StoreGrid(g, 24, 24, 30);
    double exact = hottest(store, fine, watts);
    assertThat(usual - 10).isCloseTo(exact - 10, withinPercentage(3));
  }

  private static double hottest(HeatStore store, StoreGrid grid, double watts) {
    StoreModel model = StoreModel.of(store, StoreState.uniform(grid, 10));
    for (int i = 0; i < 10 * 60; i++) {
      model.step(60, Surroundings.of(10, 10), watts);
    }
    return model.highestCelsius();
  }

  @Test
  public void hotSandConductsBetterThanCoolSandAndItsPeakIsLower() {
    HeatStore store =
        HeatStore.of(
                new Geometry.Cylinder(0.3, 0.9),
                MediumCatalogue.medium("dry-sand").orElseThrow(),
                Map.of())
            .withZone(HeatedZone.rod());
    Medium sand = store.medium();
    Medium level =
        new Medium(
            "level",
            "Level",
            Medium.Kind.SOLID,
            0,
            sand.density(),
            sand.specificHeat(),
            sand.law(),
            sand.conductivity(),
            900,
            "made up");
    double hot = hottest(store, StoreGrid.standard(store), 900);
    double without = hottest(store.withMedium(level), StoreGrid.standard(store), 900);
    assertThat(hot).isLessThan(without - 30);
    assertThat(sand.conductivityFactor(600)).isBetween(1.4, 2.0);
  }

  @Test
  public void noCellIsCooledBelowTheStreamThatCoolsIt() {
    HeatStore store =
        HeatStore.of(
                new Geometry.Cylinder(0.4, 1),
                MediumCatalogue.medium("dry-sand").orElseThrow(),
                Map.of())
            .withZone(new HeatedZone(0.6, 0.1, 0.9));
    StoreModel model = StoreModel.of(store, StoreState.uniform(StoreGrid.standard(store), 60));
    for (int i = 0; i < 200; i++) {
      double rate = 0.05 * 4186;
      double watts = Led.through(model, 600, rate, 400, 20);
      assertThat(watts).isNotNegative();
      assertThat(model.state().lowestCelsius()).isGreaterThanOrEqualTo(20 - 1e-9);
      assertThat(20 + watts / rate).as("outlet").isLessThanOrEqualTo(60 + 1e-9);
      model.step(600, Surroundings.of(20, 20), 0);
    }
  }

  @Test
  public void lessIsTakenUpTheNearerItComesToWhatHeatsIt() {
    HeatStore store =
        HeatStore.of(
            new Geometry.Cylinder(0.3, 0.8),
            MediumCatalogue.medium("dry-sand").orElseThrow(),
            Map.of());
    for (double[] c : new double[][] {{20, 1}, {500, 0.5}, {700, 0}}) {
      StoreModel model = StoreModel.of(store, StoreState.uniform(StoreGrid.standard(store), c[0]));
      double taken = model.heat(StoreModel.OWN_ZONE, 100, 600, 200, 60);
      assertThat(taken).isCloseTo(100 * c[1], within(1e-6));
    }
    StoreModel model = StoreModel.of(store, StoreState.uniform(StoreGrid.standard(store), 590));
    for (int i = 0; i < 50; i++) {
      model.heat(StoreModel.OWN_ZONE, 50_000, 600, 1, 600);
      model.step(600, Surroundings.of(590, 590));
    }
    assertThat(model.highestCelsius()).isLessThanOrEqualTo(600 + 1e-6);
  }
}
