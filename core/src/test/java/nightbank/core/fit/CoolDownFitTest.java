package nightbank.core.fit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.Random;
import org.testng.annotations.Test;

public class CoolDownFitTest {
  private static final double TAU = 30 * 3600;

  private static double[][] coolDown(Random random, double noise, int points, double step) {
    double[][] rows = new double[3][points];
    double t = 60;
    for (int i = 0; i < points; i++) {
      double at = i * step;
      rows[0][i] = at;
      rows[1][i] = t + noise * random.nextGaussian();
      rows[2][i] = 5 + 4 * Math.sin(at / 86_400 * 2 * Math.PI);
      for (int k = 0; k < 50; k++) { // fine explicit steps, not the fit's own closed form
        double air = 5 + 4 * Math.sin((at + k * step / 50) / 86_400 * 2 * Math.PI);
        t += -(t - air) / TAU * step / 50;
      }
    }
    return rows;
  }

  @Test
  public void findsTheTimeConstantUnderSwingingAir() {
    double[][] rows = coolDown(new Random(1), 0, 150, 600);
    CoolDownFit fit = CoolDownFit.of(rows[0], rows[1], rows[2]).orElseThrow();
    assertThat(fit.timeConstantSeconds()).isCloseTo(TAU, withinPercentage(0.1));
    assertThat(fit.halfLifeSeconds()).isCloseTo(TAU * Math.log(2), withinPercentage(0.1));
  }

  @Test
  public void theIntervalCoversTheTruthAsOftenAsItSays() {
    Random random = new Random(20260117);
    int runs = 600;
    int covered = 0;
    for (int i = 0; i < runs; i++) {
      double[][] rows = coolDown(random, 0.4, 60, 900);
      CoolDownFit fit = CoolDownFit.of(rows[0], rows[1], rows[2]).orElseThrow();
      covered += fit.low() <= TAU && TAU <= fit.high() ? 1 : 0;
    }
    assertThat(100.0 * covered / runs).isBetween(92.0, 98.0);
  }

  @Test
  public void aFallLostInTheNoiseIsDeclined() {
    double[][] rows = coolDown(new Random(3), 1.5, 10, 60);
    assertThat(CoolDownFit.of(rows[0], rows[1], rows[2])).isEmpty();
  }

  @Test
  public void threePointsAreTooFew() {
    double[] three = {0, 600, 1200};
    assertThat(CoolDownFit.of(three, new double[] {50, 49, 48}, new double[] {5, 5, 5})).isEmpty();
  }

  @Test
  public void theCurveRunsThroughTheReadings() {
    double[][] rows = coolDown(new Random(1), 0, 100, 600);
    CoolDownFit fit = CoolDownFit.of(rows[0], rows[1], rows[2]).orElseThrow();
    double[] curve = fit.curve(rows[0], rows[0], rows[2]);
    for (int i = 0; i < curve.length; i++) {
      assertThat(curve[i]).isCloseTo(rows[1][i], within(0.02));
    }
  }
}
