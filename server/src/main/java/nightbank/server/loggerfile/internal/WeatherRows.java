package nightbank.server.loggerfile.internal;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.SequenceInputStream;
import java.nio.charset.Charset;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Pattern;
import nightbank.core.unit.TypedTemperature;
import nightbank.server.loggerfile.FileMapping;
import nightbank.server.loggerfile.WeatherFiles.Read;
import nightbank.server.shared.Problem;
import nightbank.server.weather.HourlyWeather;
import org.jspecify.annotations.Nullable;

/** Reads weather by what its columns are called. */
public final class WeatherRows {
  private static final int MOST_ROWS = 20_000; // two years of hours
  private static final Pattern DEW = Pattern.compile("dew", Pattern.CASE_INSENSITIVE);
  private static final Pattern WIND = Pattern.compile("wind|gust", Pattern.CASE_INSENSITIVE);
  private static final Pattern CLOUD = Pattern.compile("cloud|cover|sky", Pattern.CASE_INSENSITIVE);
  private static final Pattern TEMPERATURE =
      Pattern.compile("temp|celsius|outdoor|outside|air|°", Pattern.CASE_INSENSITIVE);
  private static final double KMH = 1 / 3.6;
  private static final double MPH = 0.44704;

  private final FileMapping mapping;
  private final TimeReader times;
  private int temperature = -1;
  private int wind = -1;
  private int cloud = -1;
  private int dew = -1;
  private final List<String> columns = new ArrayList<>();
  private final Map<Instant, HourlyWeather> hours = new TreeMap<>();
  private boolean percent;
  private int leftOut;

  private WeatherRows(FileMapping mapping) {
    this.mapping = mapping;
    times = new TimeReader(mapping.timeForm(), ZoneId.of(mapping.zone()));
  }

  public static Read read(InputStream content, String zone) throws IOException {
    byte[] head = content.readNBytes(DialectGuess.LOOK_BYTES);
    WeatherRows rows = new WeatherRows(DialectGuess.of(head, List.of(), zone).mapping());
    rows.name();
    RowReader.read(
        new SequenceInputStream(new ByteArrayInputStream(head), content),
        Charset.forName(rows.mapping.charset()),
        rows.mapping.delimiter().charAt(0),
        (line, cells) -> {
          if (line > rows.mapping.headingLine()) {
            rows.row(cells.getFields());
          }
          return rows.hours.size() < MOST_ROWS;
        });
    return rows.result();
  }

  private void name() {
    for (FileMapping.Column c : mapping.columns()) {
      String h = c.heading();
      if (DEW.matcher(h).find()) {
        dew = taken(dew, c, "dew point");
      } else if (WIND.matcher(h).find()) {
        wind = taken(wind, c, "wind");
      } else if (CLOUD.matcher(h).find()) {
        cloud = taken(cloud, c, "cloud");
        percent |= h.contains("%");
      } else if (TEMPERATURE.matcher(h).find()) {
        temperature = taken(temperature, c, "outdoors");
      }
    }
    if (temperature < 0) {
      throw Problem.invalid(
          "file",
          "No column is called temperature, outdoors or the like.",
          "Name the columns: time, temperature, wind, cloud, dew point.");
    }
  }

  private int taken(int already, FileMapping.Column c, String as) {
    if (already >= 0) {
      return already;
    }
    columns.add(as + ": " + c.heading());
    return c.index();
  }

  private void row(List<String> cells) {
    StringBuilder text = new StringBuilder();
    for (int i : mapping.timeColumns()) {
      text.append(i < cells.size() ? cells.get(i) : "").append(' ');
    }
    Instant at = times.read(text.toString().strip());
    Double celsius = temperature(cells, temperature);
    if (at == null || celsius == null) {
      leftOut++;
      return;
    }
    HourlyWeather h =
        new HourlyWeather(at, celsius, speed(cells), cover(cells), temperature(cells, dew));
    if (h.isPossible()) {
      hours.put(at, h);
    } else {
      leftOut++;
    }
  }

  private @Nullable Double number(List<String> cells, int column) {
    if (column < 0 || column >= cells.size()) {
      return null;
    }
    double v = NumberReader.read(cells.get(column), mapping.decimalComma());
    return Double.isNaN(v) ? null : v;
  }

  private FileMapping.Column column(int index) {
    return mapping.columns().stream().filter(c -> c.index() == index).findFirst().orElseThrow();
  }

  private @Nullable Double temperature(List<String> cells, int index) {
    Double v = number(cells, index);
    return v != null && column(index).fahrenheit()
        ? (Double) TypedTemperature.fromFahrenheit(v)
        : v;
  }

  private @Nullable Double speed(List<String> cells) {
    Double v = number(cells, wind);
    if (v == null) {
      return null;
    }
    String unit = column(wind).heading().toLowerCase(java.util.Locale.ROOT);
    double factor =
        unit.contains("km/h") || unit.contains("kmh") ? KMH : unit.contains("mph") ? MPH : 1;
    return v * factor;
  }

  private @Nullable Double cover(List<String> cells) {
    Double v = number(cells, cloud);
    if (v == null) {
      return null;
    }
    percent |= v > 1;
    return percent ? v / 100 : v;
  }

  private Read result() {
    if (hours.size() < 2) {
      throw Problem.invalid(
          "file",
          "Fewer than two rows of weather were understood.",
          "Each row needs a time and a temperature.");
    }
    List<HourlyWeather> all = List.copyOf(hours.values());
    return new Read(all, columns, leftOut, all.get(0).at(), all.get(all.size() - 1).at());
  }
}
