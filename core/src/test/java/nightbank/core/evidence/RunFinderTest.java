package nightbank.core.evidence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.testng.annotations.Test;

/** Runs in a long stretch of readings. */
public class RunFinderTest {
  private static final long STEP = 600;

  /** Charges of three hours at the hours given, cooling otherwise. */
  private static ReadingSeries days(int hours, int... chargesAt) {
    int n = (int) (hours * 3600 / STEP);
    long[] at = new long[n];
    double[] t = new double[n];
    double now = 20;
    for (int i = 0; i < n; i++) {
      at[i] = 1_700_000_000L + i * STEP;
      double hour = i * STEP / 3600.0;
      boolean on = false;
      for (int c : chargesAt) {
        on |= hour >= c && hour < c + 3;
      }
      now += (on ? 8 : 0) * STEP / 3600.0 - (now - 10) * STEP / (30 * 3600.0);
      t[i] = now + 0.05 * Math.sin(i);
    }
    return new ReadingSeries("core", at, t);
  }

  @Test
  public void everyChargeBeginsARunThatLastsToTheNext() {
    List<RunFinder.Found> found = RunFinder.find(List.of(days(72, 6, 30, 54)), List.of());
    List<RunFinder.Found> charged = found.stream().filter(f -> f.chargingSeconds() > 0).toList();
    assertThat(charged).hasSize(3);
    for (int i = 0; i < 3; i++) {
      double hour = (charged.get(i).from() - 1_700_000_000L) / 3600.0;
      assertThat(hour).isCloseTo(6 + 24 * i, within(1.0));
      assertThat(charged.get(i).chargingSeconds() / 3600.0).isCloseTo(3, within(1.0));
    }
    assertThat(charged.get(0).to()).isEqualTo(charged.get(1).from());
  }

  @Test
  public void threeReadingsOnPaperMakeOneRunAndNextWeeksAnother() {
    long day = 86_400;
    long[] at = {0, 8 * 3600, 21 * 3600, 7 * day, 7 * day + 9 * 3600};
    ReadingSeries read = new ReadingSeries("core", at, new double[] {12, 48, 35, 40, 30});
    List<RunFinder.Found> found = RunFinder.find(List.of(read), List.of(-1800L));
    assertThat(found).hasSize(2);
    assertThat(found.get(0).from()).isEqualTo(-1800);
    assertThat(found.get(0).to()).isEqualTo(21 * 3600);
    assertThat(found.get(0).chargingSeconds()).isEqualTo(8 * 3600);
    assertThat(found.get(1).chargingSeconds()).isZero();
  }

  @Test
  public void aMonthOfPaperIsARunForEveryChargeHoweverManyReadings() {
    int days = 30;
    long[] at = new long[3 * days];
    double[] t = new double[at.length];
    for (int d = 0; d < days; d++) {
      at[3 * d] = d * 86_400L + 8 * 3600; // before, at its hottest, at bedtime
      at[3 * d + 1] = d * 86_400L + 17 * 3600;
      at[3 * d + 2] = d * 86_400L + 22 * 3600;
      t[3 * d] = d % 2 == 0 ? 20 : 24;
      t[3 * d + 1] = d % 2 == 0 ? 55 : 23; // charged every other day
      t[3 * d + 2] = d % 2 == 0 ? 44 : 22.5;
    }
    List<RunFinder.Found> found =
        RunFinder.find(List.of(new ReadingSeries("core", at, t)), List.of());
    assertThat(found).hasSize(days / 2);
    assertThat(found).allMatch(f -> f.chargingSeconds() == 9 * 3600);
    assertThat(found.get(3).to()).isEqualTo(found.get(4).from());
  }

  @Test
  public void aWarmNoonIsNoCharge() {
    long[] at = {0, 6 * 3600, 18 * 3600, 24 * 3600, 30 * 3600, 42 * 3600};
    ReadingSeries read = new ReadingSeries("core", at, new double[] {12, 80, 40, 38, 40, 30});
    assertThat(RunFinder.find(List.of(read), List.of())).hasSize(1);
  }

  @Test
  public void aFireSomebodyWroteDownIsTheStart() {
    long lit = 1_700_000_000L + (long) (29.2 * 3600);
    List<RunFinder.Found> found = RunFinder.find(List.of(days(60, 30)), List.of(lit));
    assertThat(found).anyMatch(f -> f.from() == lit);
  }

  @Test
  public void aSilenceOfHalfADayEndsARun() {
    ReadingSeries s = days(40, 4);
    int cut = 20 * 6;
    int on = 36 * 6;
    long[] at = new long[cut + s.size() - on];
    double[] t = new double[at.length];
    for (int i = 0; i < at.length; i++) {
      int k = i < cut ? i : i - cut + on;
      at[i] = s.epochSeconds()[k];
      t[i] = s.celsius()[k];
    }
    List<RunFinder.Found> found =
        RunFinder.find(List.of(new ReadingSeries("core", at, t)), List.of());
    assertThat(found).allMatch(f -> f.to() <= at[cut - 1] || f.from() >= at[cut]);
    assertThat(found).isNotEmpty();
  }

  @Test
  public void nothingReadIsNoRun() {
    assertThat(RunFinder.find(List.of(), List.of())).isEmpty();
    assertThat(
            RunFinder.find(List.of(new ReadingSeries("x", new long[0], new double[0])), List.of()))
        .isEmpty();
  }
}
