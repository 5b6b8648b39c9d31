package nightbank.core.judgement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.InnerMass;
import nightbank.core.judgement.UnreadHours.Range;
import nightbank.core.system.Places;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemResult;
import nightbank.core.system.SystemSimulation;
import nightbank.core.weather.Weather;
import org.testng.annotations.Test;

public class UnreadHoursTest {
  private static final double HOUR = 3600;
  private static final Weather NIGHT =
      new Weather(
          new double[] {0, 6 * HOUR, 15 * HOUR},
          new double[] {4, -1, -6},
          new double[] {2, 2, 2},
          new double[] {0.5, 0.3, 0.3});

  /** Nights of a house with a bench in it, of which nobody read more than the evening. */
  @Test
  public void theLowOfAHouseWithAStoreLiesWithinAlmostAlways() {
    Random dice = new Random(4);
    int inside = 0;
    int all = 60;
    for (int i = 0; i < all; i++) {
      Greenhouse house =
          Places.house()
              .scaled(Math.exp(0.15 * dice.nextGaussian()), Math.exp(0.25 * dice.nextGaussian()));
      double warm = 10 + 40 * dice.nextDouble();
      PlantSystem place =
          PlantSystem.of(house, List.of(Places.store("bench", Places.bench(), warm)));
      SystemResult truth =
          SystemSimulation.run(SystemPlan.of(place, NIGHT, 12, 11, 9, Places.NIGHT, 600));
      int read = 12; // two hours after dusk, and then not before the sun is up
      double air = truth.air()[read];
      Range told =
          UnreadHours.of(
              Places.house(), after(truth.seconds()[read]), air, 11, 9, Places.NIGHT - 2 * HOUR);
      double low = Double.POSITIVE_INFINITY;
      for (int k = read; k < truth.air().length; k++) {
        low = Math.min(low, truth.air()[k]);
      }
      inside += told.low() <= low && low <= told.high() ? 1 : 0;
    }
    assertThat(inside).isGreaterThanOrEqualTo(all * 9 / 10);
  }

  private static Weather after(double second) {
    return new Weather(
        new double[] {0, 6 * HOUR - second, 15 * HOUR - second},
        new double[] {NIGHT.outdoorAt(second), -1, -6},
        new double[] {2, 2, 2},
        new double[] {0.5, 0.3, 0.3});
  }

  @Test
  public void theLongerNobodyLooksTheLowerItMayHaveFallen() {
    double before = Double.POSITIVE_INFINITY;
    for (double hours : new double[] {1, 3, 6, 10, 13}) {
      Range told = UnreadHours.of(Places.house(), NIGHT, 9, 9, 9, hours * HOUR);
      assertThat(told.low()).isLessThanOrEqualTo(before);
      assertThat(told.high()).isGreaterThan(told.low());
      before = told.low();
    }
  }

  @Test
  public void anUnchangingNightThatStoresHoldLeavesTheAirWhereItWas() {
    Weather still =
        new Weather(new double[] {0}, new double[] {-3}, new double[] {2}, new double[] {0.5});
    Greenhouse light = Places.house().withMasses(List.of(new InnerMass(1e4, 120)));
    Range told = UnreadHours.of(light, still, 8, 8, 9, 10 * HOUR);
    assertThat(told.high()).isCloseTo(8 + PastNight.DOUBT, within(0.7));
    assertThat(told.low()).isLessThan(4);
  }
}
