package nightbank.server.weather.internal;

import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import nightbank.server.shared.Settings;
import nightbank.server.weather.ForecastSource;
import nightbank.server.weather.HourlyWeather;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Asks a service over HTTP, with short patience and a bound on what it may say. */
@Component
class HttpForecast implements ForecastSource {
  private static final Duration PATIENCE = Duration.ofSeconds(3);
  private static final int MOST_BYTES = 256 * 1024;

  private final String address;
  private final JsonMapper mapper;
  private final HttpClient client = HttpClient.newBuilder().connectTimeout(PATIENCE).build();

  HttpForecast(Settings settings, JsonMapper mapper) {
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
    URI uri =
        URI.create(
            String.format(
                Locale.ROOT,
                "%s/hourly?latitude=%.4f&longitude=%.4f&from=%s&hours=%d",
                address,
                latitude,
                longitude,
                from,
                hours));
    HttpRequest request = HttpRequest.newBuilder(uri).timeout(PATIENCE).GET().build();
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
        return read(bytes);
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IOException(e);
    }
  }

  private List<HourlyWeather> read(byte[] bytes) throws IOException {
    try {
      List<HourlyWeather> hours = new ArrayList<>();
      for (JsonNode n : mapper.readTree(bytes).path("hours")) {
        HourlyWeather h = hour(n);
        if (h != null && h.isPossible()) {
          hours.add(h);
        }
      }
      if (hours.isEmpty()) {
        throw new IOException("the service told no weather");
      }
      hours.sort(Comparator.comparing(HourlyWeather::at));
      return hours;
    } catch (JacksonException e) {
      throw new IOException("the service did not answer with weather", e);
    }
  }

  private static @Nullable HourlyWeather hour(JsonNode n) {
    try {
      return n.path("celsius").isNumber()
          ? new HourlyWeather(
              Instant.parse(n.path("at").asString()),
              n.path("celsius").asDouble(),
              number(n, "wind"),
              number(n, "cloud"),
              number(n, "dewPoint"))
          : null;
    } catch (DateTimeException e) {
      return null;
    }
  }

  private static @Nullable Double number(JsonNode n, String field) {
    return n.path(field).isNumber() ? n.path(field).asDouble() : null;
  }
}
