package nightbank.core.weather;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.time.Instant;
import org.testng.annotations.Test;

public class SunTest {
  private static final Instant EQUINOX_NOON = Instant.parse("2026-03-20T12:07:00Z");

  @Test
  public void clearNoonAtEquinoxOnTheFlatIsThatOfKastenAndCzeplak() {
    // altitude 90 - latitude at Greenwich: 910 sin 40 - 30
    assertThat(Sun.at(EQUINOX_NOON, 50, 0, 0).onPlane(0, 180))
        .isCloseTo(910 * Math.sin(Math.toRadians(40)) - 30, withinPercentage(2));
  }

  @Test
  public void anOvercastSkyLeavesAQuarterFromNoDirection() {
    Sun covered = Sun.at(EQUINOX_NOON, 50, 0, 1);
    double clear = Sun.at(EQUINOX_NOON, 50, 0, 0).onPlane(0, 180);
    assertThat(covered.onPlane(0, 180)).isCloseTo(0.25 * clear, withinPercentage(0.1));
    assertThat(covered.onPlane(90, 0)).isCloseTo(covered.onPlane(90, 180), withinPercentage(0.1));
  }

  @Test
  public void southGetsMoreThanNorthInTheNorthAndTheOtherWayRoundInTheSouth() {
    assertThat(Sun.at(EQUINOX_NOON, 50, 0, 0.2).onPlane(90, 180))
        .isGreaterThan(3 * Sun.at(EQUINOX_NOON, 50, 0, 0.2).onPlane(90, 0));
    assertThat(Sun.at(EQUINOX_NOON, -45, 0, 0.2).onPlane(90, 0))
        .isGreaterThan(3 * Sun.at(EQUINOX_NOON, -45, 0, 0.2).onPlane(90, 180));
  }

  @Test
  public void atNightThereIsNone() {
    assertThat(Sun.at(Instant.parse("2026-01-20T23:00:00Z"), 57, -3, 0).onPlane(40, 180))
        .isCloseTo(0, within(1e-12));
  }

  @Test
  public void aMoistSkyIsWarmerThanADryOne() {
    assertThat(Sky.celsius(5, 4, 0)).isGreaterThan(Sky.celsius(5, -10, 0) + 5);
    // Berdahl and Martin at 0 C dew point: emissivity 0.711
    assertThat(Sky.celsius(5, 0, 0))
        .isCloseTo(278.15 * Math.pow(0.711, 0.25) - 273.15, within(1e-9));
  }
}
