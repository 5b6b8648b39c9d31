package nightbank.server.loggerfile;

import java.io.IOException;
import java.io.InputStream;
import java.time.Instant;
import java.util.List;
import nightbank.server.loggerfile.internal.WeatherRows;
import nightbank.server.weather.HourlyWeather;
import org.springframework.stereotype.Service;

/** Weather files in any dialect that a logger's file may have. */
@Service
public class WeatherFiles {
  /**
   * What a file held.
   *
   * @param columns which column was taken for what, as {@code outdoors: temp (°C)}
   * @param leftOut rows that could not be read
   */
  public record Read(
      List<HourlyWeather> hours, List<String> columns, int leftOut, Instant from, Instant to) {}

  public Read read(InputStream content, String zone) throws IOException {
    return WeatherRows.read(content, zone);
  }
}
