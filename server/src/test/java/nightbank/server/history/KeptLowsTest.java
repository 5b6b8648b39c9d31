package nightbank.server.history;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import nightbank.server.history.internal.NightLowRepository.Kept;
import org.testng.annotations.Test;

public class KeptLowsTest {
  private static final ZoneId ZONE = ZoneId.of("Europe/London");
  private static final LocalDate TWELFTH = LocalDate.of(2026, 1, 12);

  /** Readings as "day hour celsius", each set anew when it was read. */
  private static KeptLows read(String... readings) {
    List<Kept> all = new ArrayList<>();
    Instant before = null;
    for (String r : readings) {
      String[] part = r.split(" ");
      Instant at = Instant.parse("2026-01-%sT%s:00Z".formatted(part[0], part[1]));
      all.add(new Kept(at, Double.parseDouble(part[2]), before == null ? at : before));
      before = at;
    }
    return KeptLows.of(all, ZONE);
  }

  @Test
  public void readInTheMorningItIsThatNightsLow() {
    KeptLows lows = read("12 08:00 5", "13 08:10 1.2", "14 14:00 3");
    assertThat(lows.alone(TWELFTH)).isEqualTo(1.2);
    assertThat(lows.alone(TWELFTH.plusDays(1))).isEqualTo(3);
  }

  @Test
  public void readInTheMiddleOfANightItIsTheLowerOfBoth() {
    KeptLows lows = read("12 08:00 5", "13 01:00 2.5", "13 08:00 3.1");
    assertThat(lows.alone(TWELFTH)).isEqualTo(2.5);
  }

  @Test
  public void readInTheEveningItDoesNotTellTheNightThatBegins() {
    KeptLows lows = read("12 08:00 5", "12 22:00 0.4");
    assertThat(lows.alone(TWELFTH)).isNaN();
    assertThat(lows.alone(TWELFTH.minusDays(1))).isEqualTo(5);
  }

  @Test
  public void readTwiceInAMorningTheSecondSaysNothing() {
    KeptLows lows = read("12 08:00 5", "13 07:00 1.5", "13 11:00 0.2");
    assertThat(lows.alone(TWELFTH)).isEqualTo(1.5);
  }

  @Test
  public void leftForThreeNightsItTellsThatNoneWasUnderIt() {
    KeptLows lows = read("12 08:00 5", "15 08:00 2.2");
    for (int night = 0; night < 3; night++) {
      assertThat(lows.alone(TWELFTH.plusDays(night))).isNaN();
      assertThat(lows.notBelow(TWELFTH.plusDays(night), -1.5)).isEqualTo(2.2);
    }
    assertThat(lows.notBelow(TWELFTH.plusDays(3), Double.NaN)).isNaN();
  }

  @Test
  public void aFirstReadingTellsTheNightBeforeAndOneAfterAMonthNoMore() {
    assertThat(read("13 08:00 1").alone(TWELFTH)).isEqualTo(1);
    KeptLows lows = read("01 08:00 4", "31 08:00 -3");
    assertThat(lows.alone(LocalDate.of(2026, 1, 30))).isEqualTo(-3);
    assertThat(lows.notBelow(TWELFTH, Double.NaN)).isNaN();
  }
}
