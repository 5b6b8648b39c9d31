package nightbank.core.weather;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.time.ZoneId;
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
    assertThat(Sky.celsius(0, 0)).isCloseTo(-23.9, within(0.3)); // Swinbank at 273.15 K
    assertThat(Sky.celsius(0, 1)).isCloseTo(0, within(1e-9));
  }

  @Test
  public void januaryNightIsLongInTheNorth() {
    SunTimes sun = SunTimes.of(LocalDate.of(2026, 1, 24), 57.3, -3.4, ZoneId.of("Europe/London"));
    long hours =
        (sun.sunrise().orElseThrow().getEpochSecond() - sun.sunset().orElseThrow().getEpochSecond())
            / 3600;
    assertThat(hours).isBetween(15L, 17L);
  }

  @Test
  public void polarNightAndMidnightSunHaveNoSunset() {
    ZoneId zone = ZoneId.of("Europe/Oslo");
    assertThat(SunTimes.of(LocalDate.of(2026, 12, 21), 75, 20, zone).sunset()).isEmpty();
    assertThat(SunTimes.of(LocalDate.of(2026, 6, 21), 75, 20, zone).sunset()).isEmpty();
  }
}
