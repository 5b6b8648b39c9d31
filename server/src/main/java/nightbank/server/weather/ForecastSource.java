package nightbank.server.weather;

import java.io.IOException;
import java.time.Instant;
import java.util.List;

/** A weather service that tells the coming hours of a place. */
public interface ForecastSource {
  /** Whether there is one to ask. */
  boolean available();

  /**
   * The coming hours, in order; what the service does not know is left out.
   *
   * @throws IOException when it does not answer in time, or not with weather
   */
  List<HourlyWeather> hourly(double latitude, double longitude, Instant from, int hours)
      throws IOException;
}
