package nightbank.core.evidence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.testng.annotations.Test;

public class RunTimelineTest {
  private final RunTimeline fine = charged();

  /** Two hours of charge in seven, read each minute, air that swings. */
  private static RunTimeline charged() {
    int n = 421;
    long[] at = LongStream.range(0, n).map(i -> 60 * i).toArray();
    double[] probe =
        IntStream.range(0, n)
            .mapToDouble(i -> 20 + (i < 120 ? i : 120 - (i - 120) / 4.0))
            .toArray();
    double[] air = IntStream.range(0, n).mapToDouble(i -> 5 * Math.sin(i / 40.0)).toArray();
    return RunTimeline.of(
        List.of(new ReadingSeries("p", at, probe)), new ReadingSeries("air", at, air));
  }

  private static double sum(RunTimeline line, double[] value) {
    return IntStream.range(1, line.at().length)
        .mapToDouble(i -> value[i] * (line.at()[i] - line.at()[i - 1]))
        .sum();
  }

  @Test
  public void longerStepsKeepHowLongTheSourceWasOnAndHowWarmTheAirWas() {
    RunTimeline coarse = fine.inStepsOf(430);
    assertThat(coarse.at().length).isLessThan(fine.at().length / 6);
    assertThat(coarse.chargingSeconds()).isCloseTo(fine.chargingSeconds(), within(1e-6));
    assertThat(sum(coarse, coarse.air())).isCloseTo(sum(fine, fine.air()), within(1e-6));
  }

  @Test
  public void longerStepsBeginAndEndWithTheReadings() {
    RunTimeline coarse = fine.inStepsOf(430);
    int last = coarse.at().length - 1;
    assertThat(coarse.at()[0]).isEqualTo(fine.at()[0]);
    assertThat(coarse.at()[last]).isEqualTo(fine.at()[fine.at().length - 1]);
    assertThat(coarse.probes()[0][last]).isEqualTo(fine.probes()[0][fine.at().length - 1]);
    assertThat(Arrays.stream(coarse.at()).boxed().toList()).isSorted().doesNotHaveDuplicates();
  }

  @Test
  public void stepsThatAreLongEnoughStay() {
    assertThat(fine.inStepsOf(60)).isSameAs(fine);
  }
}
