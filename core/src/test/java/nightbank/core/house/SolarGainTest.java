package nightbank.core.house;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.Arrays;
import java.util.stream.LongStream;
import nightbank.core.weather.Sun;
import org.testng.annotations.Test;

/** Sun on an upright face through a winter's day at 57 N on the meridian of Greenwich. */
public class SolarGainTest {
  private static final long MIDNIGHT = Instant.parse("2026-01-20T00:00:00Z").getEpochSecond();
  private static final long[] DAY = LongStream.range(0, 144).map(i -> MIDNIGHT + 600 * i).toArray();

  private static double[] watts(double squareMetres, double facing, double cloud) {
    return SolarGain.onUpright(squareMetres, facing, DAY, t -> cloud, 57, 0);
  }

  @Test
  public void isTheSunsOwnTimesTheFace() {
    Sun noon = Sun.at(Instant.ofEpochSecond(DAY[72]), 57, 0, 0.3);
    assertThat(watts(4.5, 180, 0.3)[72]).isCloseTo(4.5 * noon.onPlane(90, 180), within(1e-9));
  }

  @Test
  public void comesByDayOnlyAndLessUnderCloud() {
    double[] clear = watts(1, 180, 0);
    assertThat(clear[0]).isZero();
    assertThat(clear[30]).as("five in the morning").isZero();
    assertThat(clear[72]).isGreaterThan(150).isGreaterThan(2 * watts(1, 180, 1)[72]);
  }

  @Test
  public void comesInTheMorningToTheEastAndAlikeToTheWest() {
    double[] east = watts(1, 90, 0);
    double[] west = watts(1, 270, 0);
    assertThat(east[60]).isGreaterThan(3 * west[60]);
    assertThat(Arrays.stream(east).sum())
        .isCloseTo(Arrays.stream(west).sum(), within(0.05 * Arrays.stream(west).sum()));
  }
}
