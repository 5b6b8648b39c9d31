package nightbank.core.internal;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Function;

/** Shipped tables: tab-separated, lines beginning with # are headings. */
public final class Tables {
  private Tables() {}

  /**
   * Reads a table beside a class.
   *
   * @param beside the class whose package holds the table
   */
  public static <T> Map<String, T> read(
      Class<?> beside, String table, Function<String[], T> row, Function<T, String> key) {
    var stream = beside.getResourceAsStream(table);
    if (stream == null) {
      throw new IllegalStateException("table " + table + " is not on the class path");
    }
    try (var lines = new BufferedReader(new InputStreamReader(stream, StandardCharsets.UTF_8))) {
      Map<String, T> rows = new LinkedHashMap<>();
      lines
          .lines()
          .filter(line -> !line.isBlank() && !line.startsWith("#"))
          .map(line -> row.apply(line.split("\t", -1)))
          .forEach(item -> rows.put(key.apply(item), item));
      return rows;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  public static double number(String text) {
    return Double.parseDouble(text);
  }
}
