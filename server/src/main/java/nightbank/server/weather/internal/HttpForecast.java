package nightbank.server.weather.internal;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import nightbank.server.loggerfile.WeatherFiles;
import nightbank.server.shared.Problem;
import nightbank.server.shared.Settings;
import nightbank.server.weather.ForecastSource;
import nightbank.server.weather.HourlyWeather;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * Asks a service over HTTP, with short patience and a bound on what it may say: a point series in
 * CoverageJSON, or hours in CSV as a weather file has them.
 */
@Component
class HttpForecast implements ForecastSource {
  private static final Duration PATIENCE = Duration.ofSeconds(3);
  private static final int MOST_BYTES = 256 * 1024;
  private static final String TAKEN = "application/prs.coverage+json, application/json, text/csv";

  private final String address;
  private final JsonMapper mapper;
  private final WeatherFiles files;
  private final HttpClient client = HttpClient.newBuilder().connectTimeout(PATIENCE).build();

  HttpForecast(Settings settings, JsonMapper mapper, WeatherFiles files) {
    this.files = files;
    this.address = settings.forecast();
    this.mapper = mapper;
  }

  @Override
  public boolean available() {
    return address != null && !address.isBlank();
  }

  @Override
  public List<HourlyWeather> hourly(double latitude, double longitude, Instant from, int hours)
      throws IOException {
    URI uri = uri(latitude, longitude, from, hours);
    HttpRequest request =
        HttpRequest.newBuilder(uri).timeout(PATIENCE).header("Accept", TAKEN).GET().build();
    try {
      HttpResponse<InputStream> answer =
          client.send(request, HttpResponse.BodyHandlers.ofInputStream());
      try (InputStream body = answer.body()) {
        if (answer.statusCode() != 200) {
          throw new IOException("the service answered " + answer.statusCode());
        }
        byte[] bytes = body.readNBytes(MOST_BYTES + 1);
        if (bytes.length > MOST_BYTES) {
          throw new IOException("the service said too much");
        }
        String type = answer.headers().firstValue("Content-Type").orElse("");
        return possible(type.startsWith("text/csv") ? csv(bytes) : json(bytes));
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IOException(e);
    }
  }

  /** The address with what is asked for in its places. */
  private URI uri(double latitude, double longitude, Instant from, int hours) throws IOException {
    try {
      return URI.create(
          address
              .replace("{latitude}", String.format(Locale.ROOT, "%.4f", latitude))
              .replace("{longitude}", String.format(Locale.ROOT, "%.4f", longitude))
              .replace("{from}", from.truncatedTo(ChronoUnit.SECONDS).toString())
              .replace(
                  "{to}",
                  from.truncatedTo(ChronoUnit.SECONDS).plus(Duration.ofHours(hours)).toString())
              .replace("{hours}", String.valueOf(hours)));
    } catch (IllegalArgumentException e) {
      throw new IOException("the service's address is none: " + e.getMessage(), e);
    }
  }

  private List<HourlyWeather> json(byte[] bytes) throws IOException {
    try {
      return CoverageJson.read(mapper.readTree(bytes));
    } catch (JacksonException e) {
      throw new IOException("the service did not answer with weather", e);
    }
  }

  /** Hours without an offset are of Greenwich. */
  private List<HourlyWeather> csv(byte[] bytes) throws IOException {
    try {
      return files.read(new ByteArrayInputStream(bytes), "UTC").hours();
    } catch (Problem e) {
      throw new IOException(e.getMessage(), e);
    }
  }

  private static List<HourlyWeather> possible(List<HourlyWeather> told) throws IOException {
    List<HourlyWeather> hours =
        told.stream()
            .filter(HourlyWeather::isPossible)
            .sorted(Comparator.comparing(HourlyWeather::at))
            .toList();
    if (hours.isEmpty()) {
      throw new IOException("the service told no weather");
    }
    return hours;
  }
}
