package nightbank.standins.forecast;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import org.testng.annotations.Test;

public class InventedWeatherTest {
  private static final Instant WINTER = Instant.parse("2026-01-15T00:00:00Z");

  private static double mean(InventedWeather w, Instant from, int days) {
    double sum = 0;
    for (int h = 0; h < days * 24; h++) {
      sum += w.truth(from.plus(h, ChronoUnit.HOURS)).celsius();
    }
    return sum / days / 24;
  }

  @Test
  public void wintersAreColdInTheNorthAndSummersInTheSouth() {
    InventedWeather north = new InventedWeather(1, 57, -3);
    InventedWeather south = new InventedWeather(1, -45, 170);
    Instant summer = Instant.parse("2026-07-15T00:00:00Z");
    assertThat(mean(north, WINTER, 30)).isBetween(-12.0, 5.0);
    assertThat(mean(north, summer, 30)).isGreaterThan(mean(north, WINTER, 30) + 8);
    assertThat(mean(south, WINTER, 30)).isGreaterThan(mean(south, summer, 30) + 5);
  }

  @Test
  public void everyHourIsPossible() {
    InventedWeather w = new InventedWeather(9, 57, -3);
    for (int h = 0; h < 24 * 365; h++) {
      var hour = w.truth(WINTER.plus(h, ChronoUnit.HOURS));
      assertThat(hour.cloud()).isBetween(0.0, 1.0);
      assertThat(hour.windMetresPerSecond()).isBetween(0.0, 30.0);
      assertThat(hour.dewPoint()).isLessThanOrEqualTo(hour.celsius());
      assertThat(hour.celsius()).isBetween(-35.0, 40.0);
    }
  }

  @Test
  public void clearNightsSwingMoreThanCloudedOnes() {
    InventedWeather w = new InventedWeather(4, 57, -3);
    double clear = 0;
    double grey = 0;
    int clearDays = 0;
    int greyDays = 0;
    for (int d = 0; d < 200; d++) {
      Instant day = WINTER.plus(d, ChronoUnit.DAYS);
      double cloud = w.truth(day.plus(2, ChronoUnit.HOURS)).cloud();
      double swing =
          w.truth(day.plus(14, ChronoUnit.HOURS)).celsius()
              - w.truth(day.plus(2, ChronoUnit.HOURS)).celsius();
      if (cloud < 0.3) {
        clear += swing;
        clearDays++;
      } else if (cloud > 0.8) {
        grey += swing;
        greyDays++;
      }
    }
    assertThat(clear / clearDays).isGreaterThan(grey / greyDays + 1);
  }

  @Test
  public void aForecastErrsMoreTheFurtherAheadItLooks() {
    InventedWeather w = new InventedWeather(4, 57, -3);
    double near = 0;
    double far = 0;
    for (int h = 0; h < 500; h++) {
      Instant at = WINTER.plus(h * 7L, ChronoUnit.HOURS);
      double truth = w.truth(at).celsius();
      near += Math.pow(w.forecast(at, 3).celsius() - truth, 2);
      far += Math.pow(w.forecast(at, 72).celsius() - truth, 2);
    }
    assertThat(far).isGreaterThan(4 * near);
  }

  @Test
  public void theSameHourIsToldTheSameTwice() {
    Instant at = Instant.parse("2026-01-30T16:00:00Z");
    assertThat(new InventedWeather(7, 57, -3).forecast(at, 5))
        .isEqualTo(new InventedWeather(7, 57, -3).forecast(at, 5));
  }
}
