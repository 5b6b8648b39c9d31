package nightbank.server.weather.internal;

import java.io.IOException;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.DoubleUnaryOperator;
import java.util.regex.Pattern;
import nightbank.server.weather.HourlyWeather;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/**
 * A point series of weather in CoverageJSON (OGC 21-069r2): times on the axis {@code t}, and of its
 * ranges those whose name, label or identifier tells temperature, wind speed, cloud or dew point,
 * in whatever unit their parameter says.
 */
final class CoverageJson {
  private static final int MOST = 2000; // hours

  private static final Map<String, DoubleUnaryOperator> CELSIUS =
      Map.of(
          "CEL", v -> v,
          "°C", v -> v,
          "C", v -> v,
          "K", v -> v - 273.15,
          "[DEGF]", v -> (v - 32) / 1.8,
          "°F", v -> (v - 32) / 1.8,
          "F", v -> (v - 32) / 1.8);
  private static final Map<String, DoubleUnaryOperator> METRES_PER_SECOND =
      Map.of(
          "M/S", v -> v,
          "M.S-1", v -> v,
          "M S-1", v -> v,
          "KM/H", v -> v / 3.6,
          "[KN_I]", v -> v * 0.514444,
          "KN", v -> v * 0.514444,
          "KT", v -> v * 0.514444,
          "[MI_I]/H", v -> v * 0.44704,
          "MPH", v -> v * 0.44704);
  private static final Map<String, DoubleUnaryOperator> SHARE =
      Map.of("1", v -> v, "%", v -> v / 100, "{OKTA}", v -> v / 8, "OKTA", v -> v / 8);

  private enum Quantity {
    DEW_POINT("dew.?point", CELSIUS),
    CLOUD("cloud", SHARE),
    WIND("wind.?speed|speed.*wind|^wind$", METRES_PER_SECOND),
    TEMPERATURE("temperature|t2m|^temp", CELSIUS);

    private final Pattern name;
    private final Map<String, DoubleUnaryOperator> units;

    Quantity(String name, Map<String, DoubleUnaryOperator> units) {
      this.name = Pattern.compile(name);
      this.units = units;
    }
  }

  private CoverageJson() {}

  /**
   * Its hours as they stand; impossible ones are not left out here.
   *
   * @throws IOException where it is no such thing, has no temperature, or a unit is unknown
   */
  static List<HourlyWeather> read(JsonNode root) throws IOException {
    JsonNode coverage =
        root.path("type").asString("").equals("CoverageCollection")
            ? root.path("coverages").path(0)
            : root;
    JsonNode times = coverage.path("domain").path("axes").path("t").path("values");
    if (!times.isArray() || times.size() > MOST) {
      throw new IOException("the service told no hours");
    }
    JsonNode parameters =
        coverage.has("parameters") ? coverage.path("parameters") : root.path("parameters");
    double @Nullable [][] found = new double[Quantity.values().length][];
    for (Map.Entry<String, JsonNode> range : coverage.path("ranges").properties()) {
      JsonNode parameter = parameters.path(range.getKey());
      Quantity q = quantity(range.getKey(), parameter);
      if (q != null && found[q.ordinal()] == null) {
        found[q.ordinal()] = values(range.getValue(), unit(q, parameter), times.size());
      }
    }
    double[] celsius = found[Quantity.TEMPERATURE.ordinal()];
    if (celsius == null) {
      throw new IOException("the service told no temperature");
    }
    List<HourlyWeather> hours = new ArrayList<>();
    for (int i = 0; i < times.size(); i++) {
      Instant at = moment(times.path(i).asString(""));
      if (at != null && !Double.isNaN(celsius[i])) {
        hours.add(
            new HourlyWeather(
                at,
                celsius[i],
                value(found[Quantity.WIND.ordinal()], i),
                value(found[Quantity.CLOUD.ordinal()], i),
                value(found[Quantity.DEW_POINT.ordinal()], i)));
      }
    }
    return hours;
  }

  private static @Nullable Quantity quantity(String key, JsonNode parameter) {
    JsonNode property = parameter.path("observedProperty");
    String id = property.path("id").asString("");
    List<String> names =
        List.of(key, property.path("label").path("en").asString(""), id.replaceAll(".*[/#]", ""));
    for (Quantity q : Quantity.values()) {
      for (String name : names) {
        if (q.name.matcher(name.toLowerCase(Locale.ROOT)).find()) {
          return q;
        }
      }
    }
    return null;
  }

  private static DoubleUnaryOperator unit(Quantity q, JsonNode parameter) throws IOException {
    JsonNode symbol = parameter.path("unit").path("symbol");
    String unit = (symbol.isObject() ? symbol.path("value") : symbol).asString("").strip();
    DoubleUnaryOperator known = q.units.get(unit.toUpperCase(Locale.ROOT));
    if (known == null) {
      throw new IOException(
          "the service tells " + q.name().toLowerCase(Locale.ROOT) + " in “" + unit + "”");
    }
    return known;
  }

  private static double[] values(JsonNode range, DoubleUnaryOperator unit, int length)
      throws IOException {
    JsonNode told = range.path("values");
    if (told.size() != length) {
      throw new IOException("the service told " + told.size() + " values for " + length + " hours");
    }
    double[] values = new double[length];
    for (int i = 0; i < length; i++) {
      JsonNode v = told.path(i);
      values[i] = v.isNumber() ? unit.applyAsDouble(v.asDouble()) : Double.NaN;
    }
    return values;
  }

  private static @Nullable Instant moment(String text) {
    try {
      return OffsetDateTime.parse(text).toInstant();
    } catch (DateTimeException e) {
      return null;
    }
  }

  private static @Nullable Double value(double @Nullable [] of, int i) {
    return of == null || Double.isNaN(of[i]) ? null : of[i];
  }
}
