package nightbank.core.alarm;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.testng.annotations.Test;

public class FallingTest {
  private static final double[] HALF_HOUR = {0, 600, 1200, 1800};

  @Test
  public void aSteadyFallReachesTheLimitWhereItsLineDoes() {
    double[] celsius = {6, 5.5, 5, 4.5}; // 3 K/h
    assertThat(Falling.secondsTo(HALF_HOUR, celsius, 2).orElseThrow())
        .isCloseTo(3000, within(1e-6));
  }

  @Test
  public void whatIsUnderTheLimitHasReachedIt() {
    assertThat(Falling.secondsTo(new double[] {0}, new double[] {1.9}, 2)).hasValue(0);
    assertThat(Falling.secondsTo(HALF_HOUR, new double[] {0, 1, 1, 2}, 2)).hasValue(0);
  }

  @Test
  public void neitherARiseNorASingleReadingNorNoiseFalls() {
    assertThat(Falling.secondsTo(HALF_HOUR, new double[] {4, 5, 6, 7}, 2)).isEmpty();
    assertThat(Falling.secondsTo(new double[] {0}, new double[] {4}, 2)).isEmpty();
    assertThat(Falling.secondsTo(HALF_HOUR, new double[] {4.1, 4, 4.1, 4}, 2)).isEmpty();
    assertThat(Falling.secondsTo(new double[0], new double[0], 2)).isEmpty();
  }

  @Test
  public void onlyTheLastHalfHourCounts() {
    double[] at = {-7200, -3600, 0, 900, 1800};
    double[] celsius = {20, 12, 5, 5, 5};
    assertThat(Falling.secondsTo(at, celsius, 2)).isEmpty();
  }

  @Test
  public void readingsThatScatterByATenthMoveItByMinutes() {
    Random random = new Random(7);
    double[] at = new double[31];
    double[] celsius = new double[31];
    for (int i = 0; i < 31; i++) {
      at[i] = 60 * i;
      celsius[i] = 8 - 4 * at[i] / 3600 + 0.1 * random.nextGaussian();
    }
    assertThat(Falling.secondsTo(at, celsius, 2).orElseThrow()).isCloseTo(3600, within(600.0));
  }
}
