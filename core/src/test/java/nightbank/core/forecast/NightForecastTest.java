package nightbank.core.forecast;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Random;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.InnerMass;
import nightbank.core.house.Skins;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Place;
import nightbank.core.system.Places;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemSimulation;
import nightbank.core.weather.Weather;
import org.testng.annotations.Test;

/** One night with its certainty. */
public class NightForecastTest {
  private static final Greenhouse HOUSE =
      Greenhouse.of(
              List.of(Skins.part("roof", 18, 5.8, 0.9), Skins.part("wall", 12, 2.2, 0.3)), 32, 1, 2)
          .withMasses(List.of(new InnerMass(8e6, 90)));

  private static SystemPlan plan(double storeCelsius, double low, double step) {
    HeatStore water =
        HeatStore.of(
                new Geometry.Cylinder(0.2, 1.4),
                MediumCatalogue.medium("water").orElseThrow(),
                Map.of())
            .withPlace(Place.onHouseFloor())
            .withCount(8);
    HeatStore sand =
        HeatStore.of(
                new Geometry.Box(1.4, 0.8, 0.7),
                MediumCatalogue.medium("dry-sand").orElseThrow(),
                Map.of())
            .withPlace(Place.onHouseFloor());
    double length = 15 * 3600.0;
    return SystemPlan.of(
        PlantSystem.of(
            HOUSE,
            List.of(
                Places.store("water", water, storeCelsius),
                Places.store("sand", sand, storeCelsius + 30))),
        Weather.typed(3, low, 12 * 3600, 2, 0.3, length),
        9,
        9,
        6,
        length,
        step);
  }

  @Test
  public void theHouseWithoutStoresIsColder() {
    NightForecast f = NightForecast.of(plan(25, -7, 120), NightForecast.Doubt.ofTypedNight(), 48);
    assertThat(f.without().lowestCelsius()).isLessThan(f.middle().lowestCelsius() - 1);
    assertThat(f.lowestTenth()).isLessThan(f.lowestMedian());
    assertThat(f.lowestMedian()).isLessThan(f.lowestNinetieth());
  }

  @Test
  public void theSameQuestionHasTheSameAnswer() {
    NightForecast a = NightForecast.of(plan(25, -7, 120), NightForecast.Doubt.ofTypedNight(), 32);
    NightForecast b = NightForecast.of(plan(25, -7, 120), NightForecast.Doubt.ofTypedNight(), 32);
    assertThat(a.lowestTenth()).isEqualTo(b.lowestTenth());
    assertThat(a.chanceOfHolding()).isEqualTo(b.chanceOfHolding());
  }

  @Test
  public void verdictsFollowTheEnsemble() {
    assertThat(NightForecast.judge(2.1, 3, 2)).isEqualTo(Verdict.HELD);
    assertThat(NightForecast.judge(1.5, 3, 2)).isEqualTo(Verdict.CLOSE);
    assertThat(NightForecast.judge(-1, 1.9, 2)).isEqualTo(Verdict.LOST);
  }

  @Test
  public void aMildNightIsHeldAndABitterOneIsLost() {
    NightForecast.Doubt doubt = NightForecast.Doubt.ofTypedNight();
    assertThat(NightForecast.of(plan(35, 2, 120), doubt, 32).verdict()).isEqualTo(Verdict.HELD);
    assertThat(NightForecast.of(plan(8, -18, 120), doubt, 32).verdict()).isEqualTo(Verdict.LOST);
  }

  @Test
  public void aNinetyPerCentBandHoldsNineTruthsInTenDrawnFromTheStatedDoubts() {
    NightForecast.Doubt doubt = NightForecast.Doubt.ofTypedNight();
    SystemPlan asked = plan(25, -7, 120);
    NightForecast f = NightForecast.of(asked, doubt, 256);
    double low = f.lowestBelow(0.05);
    double high = f.lowestBelow(0.95);
    Random dice = new Random(11);
    int within = 0;
    int truths = 1500;
    for (int i = 0; i < truths; i++) {
      double[] u = dice.doubles(NightForecast.DIMENSIONS).toArray();
      double lowest = SystemSimulation.run(NightForecast.vary(asked, doubt, u)).lowestCelsius();
      within += lowest >= low && lowest <= high ? 1 : 0;
    }
    assertThat((double) within / truths).isBetween(0.87, 0.93);
  }

  @Test
  public void aLearnedHouseIsSurerAndAFartherForecastLessSure() {
    SystemPlan asked = plan(25, -7, 120);
    NightForecast.Doubt tonight = NightForecast.Doubt.ofForecast(12);
    double described = width(NightForecast.of(asked, tonight, 64));
    double learned = width(NightForecast.of(asked, tonight.withLearned(0.08, 0.2, 0.2), 64));
    double later = width(NightForecast.of(asked, NightForecast.Doubt.ofForecast(84), 64));
    assertThat(learned).isLessThan(0.9 * described);
    assertThat(later).isGreaterThan(1.1 * described);
  }

  private static double width(NightForecast f) {
    return f.lowestNinetieth() - f.lowestTenth();
  }
}
