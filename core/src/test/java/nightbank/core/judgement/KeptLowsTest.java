package nightbank.core.judgement;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import nightbank.core.evidence.TimeInterval;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class KeptLowsTest {
  private static final double NONE = Double.NaN;

  /** From the 10th's evening to the 17th's, each from four to eight. */
  private static final List<TimeInterval> NIGHTS = new ArrayList<>();

  static {
    for (int day = 10; day < 18; day++) {
      NIGHTS.add(new TimeInterval(at(day + " 16:00"), at(day + 1 + " 08:00")));
    }
  }

  private static long at(String dayAndHour) {
    String[] part = dayAndHour.split(" ");
    return Instant.parse("2026-01-%sT%s:00Z".formatted(part[0], part[1])).getEpochSecond();
  }

  /** Readings as "day hour celsius". */
  private static List<KeptLows.Reading> thermometer(String... readings) {
    List<KeptLows.Reading> all = new ArrayList<>();
    for (String r : readings) {
      int end = r.lastIndexOf(' ');
      all.add(
          new KeptLows.Reading(at(r.substring(0, end)), Double.parseDouble(r.substring(end + 1))));
    }
    return all;
  }

  private static KeptLows read(String... readings) {
    return KeptLows.of(NIGHTS, List.of(thermometer(readings)));
  }

  @DataProvider
  Object[][] readings() {
    return new Object[][] {
      {"in the morning", 1.2, new String[] {"12 08:10 5", "13 08:10 1.2"}},
      {"before the sun is up", 1.2, new String[] {"12 07:00 5", "13 06:30 1.2"}},
      {"in the afternoon after", 1.2, new String[] {"12 14:00 5", "13 14:00 1.2"}},
      {"at one and in the morning", 2.5, new String[] {"12 09:00 5", "13 01:00 2.5", "13 08:00 3"}},
      {"in the evening only", NONE, new String[] {"12 09:00 5", "12 22:00 0.4"}},
      {"at one and no more", NONE, new String[] {"12 09:00 5", "13 01:00 0.4"}},
      {"twice in a morning", 1.5, new String[] {"12 09:00 5", "13 08:00 1.5", "13 11:00 0.2"}},
      {"never before", 1.0, new String[] {"13 08:10 1"}},
    };
  }

  @Test(dataProvider = "readings")
  public void theNightOfTheTwelfthIsTold(String when, double low, String[] readings) {
    assertThat((Double) read(readings).alone(2)).as(when).isEqualTo((Double) low);
  }

  @Test
  public void leftForThreeNightsItTellsThatNoneWasUnderIt() {
    KeptLows lows = read("12 08:30 5", "15 08:30 2.2");
    for (int night = 2; night < 5; night++) {
      assertThat(lows.alone(night)).isNaN();
      assertThat(lows.notBelow(night, -1.5)).isEqualTo(2.2);
    }
    assertThat(lows.notBelow(5, NONE)).isNaN();
    assertThat(lows.notBelow(5, -1.5)).isEqualTo(-1.5);
  }

  @Test
  public void aNightOfWhichLittleLiesBetweenTwoReadingsIsNotTold() {
    KeptLows lows = read("12 08:30 5", "14 18:00 4");
    assertThat(lows.notBelow(3, NONE)).as("the 13th's, whole").isEqualTo(4);
    assertThat(lows.notBelow(4, NONE)).as("two hours of the 14th's").isNaN();
  }

  @Test
  public void afterAMonthItTellsNoMoreThanTheLastNight() {
    List<KeptLows.Reading> late = thermometer("17 08:30 -3");
    List<KeptLows.Reading> all =
        List.of(new KeptLows.Reading(at("17 08:30") - 30 * 86_400L, 4), late.get(0));
    KeptLows lows = KeptLows.of(NIGHTS, List.of(all));
    assertThat(lows.alone(6)).isEqualTo(-3);
    assertThat(lows.notBelow(3, NONE)).isNaN();
  }

  @Test
  public void ofTwoThermometersTheColderSpeaks() {
    KeptLows lows =
        KeptLows.of(
            NIGHTS,
            List.of(
                thermometer("12 09:00 5", "13 09:00 2"), thermometer("12 09:00 5", "13 09:00 1")));
    assertThat(lows.alone(2)).isEqualTo(1);
  }
}
