package nightbank.core.weather;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import org.testng.annotations.Test;

public class WeatherTest {
  @Test
  public void aTypedNightMeetsEveningAndLow() {
    Weather w = Weather.typed(4, -7, 12 * 3600, 2, 0.5, 16 * 3600);
    assertThat(w.outdoorAt(0)).isCloseTo(4, within(1e-9));
    assertThat(w.outdoorAt(12 * 3600)).isCloseTo(-7, within(1e-9));
    assertThat(w.outdoorAt(6 * 3600)).isCloseTo(-1.5, within(0.05));
    assertThat(w.outdoorAt(15 * 3600)).isGreaterThan(-7);
  }

  @Test
  public void aClearSkyIsFarColderThanTheAir() {
    assertThat(Sky.celsius(0, Double.NaN, 0)).isCloseTo(-23.9, within(0.3)); // Swinbank at 273.15 K
    assertThat(Sky.celsius(0, Double.NaN, 1)).isCloseTo(0, within(1e-9));
  }

  @Test
  public void inTheAfternoonTheComingNightIsMeantAndAfterMidnightTheOneItIs() {
    for (String now : new String[] {"2026-01-24T10:00:00Z", "2026-01-25T01:00:00Z"}) {
      SunTimes sun = SunTimes.of(Instant.parse(now), 57.3, -3.4);
      assertThat(sun.sunset().orElseThrow())
          .isBetween(Instant.parse("2026-01-24T16:00:00Z"), Instant.parse("2026-01-24T16:45:00Z"));
      assertThat(sun.sunrise().orElseThrow())
          .isBetween(Instant.parse("2026-01-25T08:15:00Z"), Instant.parse("2026-01-25T09:00:00Z"));
    }
  }

  @Test
  public void polarNightAndMidnightSunHaveNoSunset() {
    assertThat(SunTimes.of(Instant.parse("2026-12-21T12:00:00Z"), 75, 20).sunset()).isEmpty();
    assertThat(SunTimes.of(Instant.parse("2026-06-21T12:00:00Z"), 75, 20).sunset()).isEmpty();
  }

  @Test
  public void southernWinterNightsAreLongInJuly() {
    SunTimes sun = SunTimes.of(Instant.parse("2026-07-01T02:00:00Z"), -45, 170);
    long hours =
        (sun.sunrise().orElseThrow().getEpochSecond() - sun.sunset().orElseThrow().getEpochSecond())
            / 3600;
    assertThat(hours).isBetween(14L, 16L);
  }
}
