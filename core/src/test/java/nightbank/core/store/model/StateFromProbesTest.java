package nightbank.core.store.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.Place;
import nightbank.core.store.Probe;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A field guessed from a few probes, against fields that are known. */
public class StateFromProbesTest {
  private static final double AIR = 5;
  private static final List<Probe> HALF_HEIGHT =
      List.of(new Probe("in", 0.08, 0.5), new Probe("half", 0.5, 0.5), new Probe("out", 0.9, 0.5));

  private static HeatStore bin() {
    return HeatStore.of(
            new Geometry.Box(0.9, 0.7, 0.6),
            MediumCatalogue.medium("dry-sand").orElseThrow(),
            Map.of(FaceName.SIDE, Face.measured(3.5), FaceName.TOP, Face.measured(0.5)))
        .withPlace(Place.inHouse())
        .withZone(new HeatedZone(0.45, 0.25, 0.6))
        .withProbes(HALF_HEIGHT);
  }

  private static double[] read(StoreState state, List<Probe> probes) {
    return probes.stream()
        .mapToDouble(p -> state.at(p.radiusFraction(), p.heightFraction()))
        .toArray();
  }

  @Test
  public void anEvenStoreIsGivenBackEven() {
    HeatStore store = bin();
    StoreGrid grid = StoreGrid.coarse(store);
    StoreState guess = new StateFromProbes(store, grid).of(new double[] {40, 40, 40}, AIR, AIR);
    assertThat(guess.meanCelsius()).isCloseTo(40, within(2.0));
    assertThat(guess.at(0.5, 0.5)).isCloseTo(40, within(0.5));
  }

  @DataProvider
  Object[][] hoursAfterTheLastOfThreeDailyCharges() {
    return new Object[][] {{0.5}, {2.0}, {6.0}, {12.0}, {18.0}, {30.0}, {48.0}};
  }

  @Test(dataProvider = "hoursAfterTheLastOfThreeDailyCharges")
  public void threeProbesAtHalfHeightTellTheMeanOfABinChargedDaily(double hours) {
    HeatStore store = bin();
    StoreModel truth = StoreModel.of(store, StoreState.uniform(StoreGrid.standard(store), 12));
    for (int day = 0; day < 3; day++) {
      double span = day < 2 ? 24 : 5 + hours;
      for (double t = 0; t < span; t += 1 / 12.0) {
        truth.step(300, Surroundings.of(AIR, AIR), t < 5 ? 900 : 0);
      }
    }
    var guess =
        new StateFromProbes(store, StoreGrid.coarse(store))
            .estimate(read(truth.state(), HALF_HEIGHT), AIR, AIR);
    double excess = truth.meanCelsius() - AIR;
    assertThat(guess.state().meanCelsius())
        .as("mean, %.0f K over the air, doubt %.1f K", excess, guess.meanDoubt())
        .isCloseTo(truth.meanCelsius(), within(0.12 * excess));
    assertThat(Math.abs(guess.state().meanCelsius() - truth.meanCelsius()))
        .as("what it doubts of itself")
        .isLessThan(3 * guess.meanDoubt() + 0.02 * excess);
  }

  @Test
  public void aProbeIsMetWhereItStands() {
    HeatStore store = bin();
    double[] readings = {150, 90, 30};
    StoreState guess = new StateFromProbes(store, StoreGrid.coarse(store)).of(readings, AIR, AIR);
    assertThat(guess.at(0.5, 0.5)).isCloseTo(90, within(8.0));
    assertThat(guess.at(0.9, 0.5)).isCloseTo(30, within(8.0));
  }

  @Test
  public void aMissingProbeIsDoneWithout() {
    HeatStore store = bin();
    StateFromProbes field = new StateFromProbes(store, StoreGrid.coarse(store));
    assertThat(field.of(new double[] {Double.NaN, 60, Double.NaN}, AIR, AIR).meanCelsius())
        .isBetween(25.0, 60.0);
    assertThat(field.estimate(new double[] {Double.NaN, 60, Double.NaN}, AIR, AIR).meanDoubt())
        .as("one probe leaves much to doubt")
        .isGreaterThan(3);
  }

  @Test(expectedExceptions = IllegalArgumentException.class)
  public void withoutAnyReadingThereIsNoField() {
    HeatStore store = bin();
    new StateFromProbes(store, StoreGrid.coarse(store))
        .of(new double[] {Double.NaN, Double.NaN, Double.NaN}, AIR, AIR);
  }

  @Test
  public void waterTakesItsOneProbesWord() {
    HeatStore water =
        HeatStore.of(
                new Geometry.Cylinder(0.15, 1.5),
                MediumCatalogue.medium("water").orElseThrow(),
                Map.of())
            .withProbes(List.of(new Probe("w", 0, 0.5)));
    var guess =
        new StateFromProbes(water, StoreGrid.coarse(water)).estimate(new double[] {17}, AIR, AIR);
    assertThat(guess.state().meanCelsius()).isCloseTo(17, within(1e-9));
    assertThat(guess.meanDoubt()).isZero();
  }
}
