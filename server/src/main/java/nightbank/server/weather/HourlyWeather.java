package nightbank.server.weather;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * Weather at one moment, whoever told it.
 *
 * @param wind m/s, absent when unknown
 * @param cloud share of sky covered, absent when unknown
 * @param dewPoint °C, absent when unknown
 */
public record HourlyWeather(
    Instant at,
    double celsius,
    @Nullable Double wind,
    @Nullable Double cloud,
    @Nullable Double dewPoint) {
  /** Whether such weather can be. */
  public boolean isPossible() {
    return celsius >= -70
        && celsius <= 55
        && (wind == null || wind >= 0 && wind <= 80)
        && (cloud == null || cloud >= 0 && cloud <= 1)
        && (dewPoint == null || dewPoint >= -90 && dewPoint <= celsius + 0.5);
  }
}
