package nightbank.core.charge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.List;
import java.util.Map;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.store.Carrier;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.Layer;
import nightbank.core.store.Passage;
import nightbank.core.store.Place;
import nightbank.core.store.StoreGrid;
import nightbank.core.store.StoreState;
import nightbank.core.store.Stream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class ChargeSimulationTest {
  private static HeatStore drum(String medium) {
    return HeatStore.of(
            new Geometry.Cylinder(0.3, 0.7), MediumCatalogue.medium(medium).orElseThrow(), Map.of())
        .withPlace(Place.inHouse())
        .withFloorCelsius(8);
  }

  private static ChargeSimulation charging(HeatStore store, Source source) {
    return ChargeSimulation.of(store, StoreState.uniform(StoreGrid.standard(store), 10), source)
        .in(10, 8);
  }

  @DataProvider
  Object[][] everySource() {
    HeatStore sand = drum("dry-sand");
    HeatStore coil =
        sand.withZone(new HeatedZone(0.7, 0.1, 0.9))
            .withCarrier(
                new Carrier(new Passage.Coil(10, 0.02, 0.002, 0.4, 0.1), Stream.water(0.05)));
    HeatStore stones =
        drum("gravel")
            .withCarrier(
                new Carrier(new Passage.Bed(0.04), new Stream(Stream.Fluid.AIR, 0.05, 30, 0)));
    return new Object[][] {
      {sand, Element.steady(700, 4 * 3600)},
      {drum("damp-sand"), Element.steady(1500, 6 * 3600)},
      {drum("water"), new Element(700, 40, 0, 6 * 3600, true)},
      {sand.withZone(HeatedZone.behind(FaceName.FOOT)), Fire.lit(WoodFire.inMasonry(5))},
      {sand, new SmallFlames(6, 5, 0.5, 5 * 3600)},
      {coil, new StreamCharge(coil, 70, 6 * 3600)},
      {stones, new StreamCharge(stones, 45, 5 * 3600)},
      {
        drum("granite").withZone(HeatedZone.behind(FaceName.SIDE)),
        new SunOnFace(0.8, 1, new double[] {0, 9000, 18_000}, new double[] {0, 600, 0})
      },
    };
  }

  @Test(dataProvider = "everySource")
  public void energyClosesForEverySource(HeatStore store, Source source) {
    Charge charge = charging(store, source).thenLeft(6 * 3600).run();
    assertThat(charge.gainJoules()).isPositive();
    assertThat(charge.residualJoules()).isCloseTo(0, within(1e-8 * charge.gainJoules()));
    assertThat(charge.gainJoules() - charge.outJoules() + charge.roomJoules())
        .isLessThanOrEqualTo(charge.inputJoules() * (1 + 1e-9));
  }

  @Test
  public void aRodMakesAGlowingCoreInALukewarmDrum() {
    Charge charge = charging(drum("dry-sand"), Element.steady(700, 4 * 3600)).run();
    int last = charge.mean().length - 1;
    assertThat(charge.hottest().celsius()).isGreaterThan(charge.mean()[last] + 150);
    assertThat(charge.hottest().radiusFraction()).isLessThan(0.2);
    assertThat(charge.hottest().second()).isCloseTo(4 * 3600, within(600.0));
  }

  @Test
  public void afterChargingTheCoreEvensOut() {
    Charge charge =
        charging(drum("dry-sand"), Element.steady(700, 4 * 3600)).thenLeft(12 * 3600).run();
    int last = charge.mean().length - 1;
    assertThat(charge.hottestCelsius()[last]).isLessThan(charge.hottest().celsius() / 3);
    assertThat(charge.frames()).hasSizeGreaterThan(15);
    assertThat(charge.frames().get(charge.frames().size() - 1).second())
        .isCloseTo(16 * 3600, within(1.0));
  }

  @Test
  public void theMomentOfTheAimIsTheClosedForm() {
    Face tight = Face.measured(1e-9);
    HeatStore bucket =
        drum("water")
            .withFaces(Map.of(FaceName.SIDE, tight, FaceName.TOP, tight, FaceName.FOOT, tight));
    Charge charge = charging(bucket, Element.steady(1000, 8 * 3600)).aimingAt(30).run();
    double exact = bucket.mass() * 4184 * 20 / 1000;
    assertThat(charge.reachedSeconds().orElseThrow()).isCloseTo(exact, within(130.0));
    assertThat(charge.efficiency()).isCloseTo(1, within(1e-9));
  }

  @Test
  public void aLoopNeverReachesMoreThanItsInlet() {
    HeatStore tank =
        drum("water")
            .withCarrier(
                new Carrier(new Passage.Coil(12, 0.02, 0.001, 380, 0.06), Stream.water(0.1)));
    Charge charge = charging(tank, new StreamCharge(tank, 40, 48 * 3600)).aimingAt(45).run();
    assertThat(charge.reachedSeconds()).isEmpty();
    assertThat(charge.hottest().celsius()).isLessThan(40);
    assertThat(charge.mean()[charge.mean().length - 1]).isGreaterThan(33);
  }

  @Test
  public void everyPartThatIsTooHotIsNamed() {
    HeatStore drum =
        drum("dry-sand")
            .withFace(
                FaceName.TOP,
                Face.of(
                    new Layer.Bulk(
                        MediumCatalogue.insulation("stone-wool").orElseThrow(), 0.05, false),
                    new Layer.Bulk(MediumCatalogue.insulation("eps").orElseThrow(), 0.05, false)))
            .withZone(HeatedZone.everywhere());
    Charge charge =
        charging(drum, Element.steady(4000, 6 * 3600))
            .with(List.of(new ChargeSimulation.Part("Plastic pipe", 80)))
            .run();
    assertThat(charge.overheated())
        .extracting(Charge.Overheated::what)
        .contains("Plastic pipe", "Expanded polystyrene board")
        .doesNotContain("Stone wool batt");
  }

  @Test
  public void aLayerFarFromTheHeatIsSpared() {
    Face face =
        Face.of(
            new Layer.Bulk(MediumCatalogue.insulation("stone-wool").orElseThrow(), 0.1, false),
            new Layer.Bulk(MediumCatalogue.insulation("timber").orElseThrow(), 0.02, false));
    double[] felt = face.innerTemperatures(180, 10, FaceName.SIDE, 0.6);
    assertThat(felt[0]).isEqualTo(180);
    assertThat(felt[1]).isBetween(15.0, 50.0);
  }

  @Test
  public void halvingTheStepHardlyMovesTheEnd() {
    HeatStore drum = drum("dry-sand");
    Charge coarse = charging(drum, Element.steady(700, 4 * 3600)).stepping(240).run();
    Charge fine = charging(drum, Element.steady(700, 4 * 3600)).stepping(30).run();
    double a = coarse.mean()[coarse.mean().length - 1];
    double b = fine.mean()[fine.mean().length - 1];
    assertThat(a).isCloseTo(b, within(0.2));
    assertThat(coarse.hottest().celsius()).isCloseTo(fine.hottest().celsius(), withinPercentage(1));
  }

  @Test
  public void heatBehindTheFootStaysLow() {
    HeatStore wall = drum("brick").withZone(HeatedZone.behind(FaceName.FOOT));
    Charge charge = charging(wall, Fire.lit(WoodFire.inMasonry(6))).run();
    var end = charge.frames().get(4).state();
    assertThat(end.at(0.3, 0.05)).isGreaterThan(end.at(0.3, 0.95) + 10);
  }
}
