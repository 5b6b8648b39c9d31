package nightbank.core.judgement;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import nightbank.core.judgement.HardestWeek.Night;
import org.testng.annotations.Test;

/** The hardest week of a season, and what was otherwise in it. */
public class HardestWeekTest {
  private static final double KWH = 3.6e6;

  /** Twenty-eight nights at 4 °C, -2 °C outdoors, 5 kWh paid; a week from day 10 as given. */
  private static List<Night> season(double low, double outdoor, double kilowattHours) {
    List<Night> all = new ArrayList<>();
    for (int d = 0; d < 28; d++) {
      boolean hard = d >= 10 && d < 17;
      all.add(
          new Night(
              d,
              hard ? low : 4,
              OptionalDouble.of(hard ? outdoor : -2),
              (hard ? kilowattHours : 5) * KWH));
    }
    return all;
  }

  @Test
  public void itIsFoundWhereItLiesWithItsFiguresAgainstTheOtherNights() {
    HardestWeek w = HardestWeek.of(season(1, -9, 6)).orElseThrow();
    assertThat(w)
        .isEqualTo(
            new HardestWeek(
                10, 7, 1, 4, OptionalDouble.of(-9), OptionalDouble.of(-2), 6 * KWH, 5 * KWH));
    assertThat(w.colder()).isTrue();
    assertThat(w.storesGaveLess()).isFalse();
  }

  @Test
  public void storesThatGaveLittleAreToldApartFromCold() {
    HardestWeek w = HardestWeek.of(season(1, -2.5, 2)).orElseThrow();
    assertThat(w.colder()).isFalse();
    assertThat(w.storesGaveLess()).isTrue();
    assertThat(HardestWeek.of(season(1, -2.5, 5)).orElseThrow().storesGaveLess()).isFalse();
  }

  @Test
  public void ofTooFewNightsNothingIsTold() {
    assertThat(HardestWeek.of(season(1, -9, 6).subList(0, 13))).isEmpty();
    List<Night> scattered = season(1, -9, 6).stream().filter(n -> n.day() % 2 == 0).toList();
    assertThat(HardestWeek.of(scattered)).as("four of a week").isEmpty();
  }

  @Test
  public void whatNobodyReadOutdoorsIsNotCalledCold() {
    List<Night> unread =
        season(1, -9, 6).stream()
            .map(n -> new Night(n.day(), n.lowest(), OptionalDouble.empty(), n.paid()))
            .toList();
    assertThat(HardestWeek.of(unread).orElseThrow().colder()).isFalse();
  }
}
