package nightbank.core.store.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.Map;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Place;
import org.testng.annotations.Test;

/** What a design comes to before anything is measured. */
public class StoreAppraisalTest {
  private static HeatStore of(String medium, Geometry geometry, double u) {
    return HeatStore.of(
            geometry,
            MediumCatalogue.medium(medium).orElseThrow(),
            Map.of(
                FaceName.SIDE, Face.measured(u),
                FaceName.TOP, Face.measured(u),
                FaceName.FOOT, Face.measured(u)))
        .withPlace(Place.inHouse())
        .withFloorCelsius(10);
  }

  @Test
  public void aStoreThatFollowsAtOnceHasTheHalfLifeOfCapacityOverLoss() {
    HeatStore water = of("water", new Geometry.Cylinder(0.3, 1), 2);
    StoreAppraisal a = StoreAppraisal.of(water, 50, 0);
    assertThat(a.halfLifeSeconds())
        .isCloseTo(Math.log(2) * water.heatCapacity(30) / a.lossCoefficient(), withinPercentage(1));
  }

  @Test
  public void aSlowInsideMakesTheHalfLifeLonger() {
    HeatStore sand = of("dry-sand", new Geometry.Cylinder(0.6, 1.2), 9);
    StoreAppraisal a = StoreAppraisal.of(sand, 80, 0);
    assertThat(a.biot()).isGreaterThan(1);
    assertThat(a.halfLifeSeconds())
        .isGreaterThan(1.5 * Math.log(2) * sand.heatCapacity(45) / a.lossCoefficient());
  }

  @Test
  public void chargingFollowsTheExponentialOfWhatFollowsAtOnce() {
    HeatStore water = of("water", new Geometry.Cylinder(0.3, 1), 2);
    StoreAppraisal a = StoreAppraisal.of(water, 50, 1000);
    double tau = water.heatCapacity(30) / a.lossCoefficient();
    double exact = -tau * Math.log(1 - a.lossCoefficient() * 40 / 1000);
    assertThat(a.chargeSeconds()).isCloseTo(exact, withinPercentage(1));
    assertThat(StoreAppraisal.of(water, 50, 20).chargeSeconds()).isInfinite();
    assertThat(StoreAppraisal.of(water, 50, 0).chargeSeconds()).isNaN();
  }

  @Test
  public void aSourceThatGivesLessTheWarmerItIsTakesLonger() {
    HeatStore water = of("water", new Geometry.Cylinder(0.3, 1), 2);
    double steady = StoreAppraisal.of(water, 50, 1000).chargeSeconds();
    double falling = StoreAppraisal.of(water, 50, t -> 1000 - 10 * (t - 10)).chargeSeconds();
    assertThat(falling).isGreaterThan(1.15 * steady);
  }

  @Test
  public void theFirstHalfOfAnEvenlyWarmBodyGoesFasterThanTheSettledHalf() {
    HeatStore sand = of("dry-sand", new Geometry.Cylinder(0.6, 1.2), 9);
    StoreAppraisal a = StoreAppraisal.of(sand, 80, 0);
    assertThat(a.losesHalfSeconds()).isBetween(0.3 * a.halfLifeSeconds(), a.halfLifeSeconds());
    HeatStore water = of("water", new Geometry.Cylinder(0.3, 1), 2);
    StoreAppraisal mixed = StoreAppraisal.of(water, 50, 0);
    assertThat(mixed.losesHalfSeconds()).isCloseTo(mixed.halfLifeSeconds(), withinPercentage(2));
  }

  @Test
  public void usableHeatIsCountedFromTheFloorAndNeverBelowNothing() {
    HeatStore water = of("water", new Geometry.Cylinder(0.3, 1), 2);
    assertThat(StoreAppraisal.of(water, 9, 0).usableJoules()).isZero();
    assertThat(StoreAppraisal.of(water, 9, 0).halfLifeSeconds()).isZero();
    assertThat(StoreAppraisal.of(water, 50, 0).usableJoules())
        .isCloseTo(water.mass() * 4184 * 40, withinPercentage(0.01));
  }

  @Test
  public void quartzHoldsFarMoreThanItsColdHeatSaysByFiveHundredAndFifty() {
    HeatStore sand = of("dry-sand", new Geometry.Cylinder(0.3, 1), 2).withFloorCelsius(20);
    double simple = sand.mass() * 745 * 530;
    assertThat(StoreAppraisal.of(sand, 550, 0).usableJoules() / simple).isBetween(1.35, 1.42);
  }

  @Test
  public void powerAtDawnOfAMixedTankIsItsExponential() {
    Face face = Face.measured(3);
    HeatStore water =
        of("water", new Geometry.Cylinder(0.25, 0.8), 3)
            .withFaces(Map.of(FaceName.SIDE, face, FaceName.TOP, face, FaceName.FOOT, face));
    double ua = 3 * (Math.PI * 0.5 * 0.8 + 2 * Math.PI * 0.0625);
    double left = Math.exp(-ua * 14 * 3600 / (water.mass() * 4184));
    double shown = StoreAppraisal.of(water, water.floorCelsius() + 40, 0).dawnWatts();
    double foot = water.place().onGround() ? Math.PI * 0.0625 * 3 : 0;
    assertThat(shown).isCloseTo((ua - foot) * 40 * left, withinPercentage(2));
  }
}
