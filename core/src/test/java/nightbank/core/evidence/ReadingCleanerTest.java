package nightbank.core.evidence;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import nightbank.core.evidence.Exclusion.Reason;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class ReadingCleanerTest {
  private static double[] drifting(int n) {
    Random random = new Random(7);
    double[] v = new double[n];
    for (int i = 0; i < n; i++) {
      v[i] = Math.round((20 + 0.02 * i + 0.2 * random.nextGaussian()) * 100) / 100.0;
    }
    return v;
  }

  private static CleanedSeries clean(double[] v) {
    long[] at = new long[v.length];
    for (int i = 0; i < at.length; i++) {
      at[i] = 300L * i;
    }
    return ReadingCleaner.clean(new ReadingSeries("core", at, v), -60, 1100);
  }

  @Test
  public void soundReadingsAreAllKept() {
    assertThat(clean(drifting(400)).excluded()).isEmpty();
  }

  @Test
  public void faultValuesAreSetAsideWithTheirReason() {
    double[] v = drifting(100);
    v[20] = -127;
    v[50] = 85;
    v[70] = Double.NaN;
    v[80] = 2000;
    CleanedSeries c = clean(v);
    assertThat(c.excluded())
        .extracting(Exclusion::reason)
        .containsExactly(
            Reason.FAULT_VALUE, Reason.FAULT_VALUE, Reason.NOT_A_NUMBER, Reason.OUT_OF_RANGE);
    assertThat(c.kept().size()).isEqualTo(96);
  }

  @Test
  public void passingThroughEightyFiveIsNoFault() {
    double[] v = new double[60];
    for (int i = 0; i < v.length; i++) {
      v[i] = 25 + 12.0 * i;
    }
    assertThat(v[5]).isEqualTo(85);
    assertThat(clean(v).excluded()).isEmpty();
  }

  @Test
  public void aLoneSpikeIsNoHeat() {
    double[] v = drifting(100);
    v[40] += 25;
    assertThat(clean(v).excluded())
        .singleElement()
        .extracting(Exclusion::reason)
        .isEqualTo(Reason.IMPOSSIBLE_STEP);
  }

  @DataProvider
  Object[][] lastRises() {
    return new Object[][] {{30.0}, {15.0}, {10.0}};
  }

  @Test(dataProvider = "lastRises")
  public void theSharpPeakWhereASourceGoesOffIsHeat(double lastRise) {
    double[] v = charged(lastRise);
    assertThat(clean(v).excluded()).isEmpty();
  }

  @Test
  public void aSpikeOnARiseIsNoHeatAllTheSame() {
    double[] v = charged(30);
    v[10] += 60;
    assertThat(clean(v).excluded())
        .singleElement()
        .extracting(Exclusion::epochSecond)
        .isEqualTo(3000L);
  }

  /** Up by 30 K a reading, by less in the last, then down by 50 K and ever less. */
  private static double[] charged(double lastRise) {
    double[] v = new double[60];
    for (int i = 1; i < v.length; i++) {
      v[i] = v[i - 1] + (i < 20 ? 30 : i == 20 ? lastRise : -50 * Math.pow(0.85, i - 21));
    }
    return v;
  }

  @Test
  public void aStuckStretchIsLeftOutButForItsFirst() {
    double[] v = drifting(300);
    for (int i = 120; i < 180; i++) {
      v[i] = v[120];
    }
    CleanedSeries c = clean(v);
    assertThat(c.excluded()).hasSize(59).allMatch(e -> e.reason() == Reason.STUCK);
  }

  @Test
  public void aCoarseSensorThatRepeatsItselfIsNotStuck() {
    double[] v = new double[400];
    for (int i = 0; i < v.length; i++) {
      v[i] = Math.round((20 - 0.01 * i) * 2) / 2.0;
    }
    assertThat(clean(v).excluded()).isEmpty();
  }

  @Test
  public void aTimeTwiceCountsOnce() {
    ReadingSeries s =
        new ReadingSeries("core", new long[] {0, 300, 300, 600}, new double[] {20, 21, 29, 22});
    CleanedSeries c = ReadingCleaner.clean(s, -60, 1100);
    assertThat(c.excluded())
        .singleElement()
        .extracting(Exclusion::reason)
        .isEqualTo(Reason.DUPLICATE_TIME);
  }
}
