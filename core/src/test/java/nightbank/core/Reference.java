package nightbank.core;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Rows of the reference tables, by column name. */
public final class Reference {
  private Reference() {}

  public static Object[][] rows(String name) {
    List<String> lines = text(name).lines().toList();
    String[] head = lines.get(0).split(",");
    List<Object[]> rows = new ArrayList<>();
    for (String line : lines.subList(1, lines.size())) {
      String[] cells = line.split(",", -1);
      Map<String, String> row = new LinkedHashMap<>();
      for (int i = 0; i < head.length; i++) {
        row.put(head[i], cells[i]);
      }
      rows.add(new Object[] {row});
    }
    return rows.toArray(Object[][]::new);
  }

  public static String text(String name) {
    try (InputStream in = Reference.class.getResourceAsStream("/reference/" + name)) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  public static double number(Map<String, String> row, String column) {
    return Double.parseDouble(row.get(column));
  }

  /** The column's number, or another where the cell is empty. */
  public static double number(Map<String, String> row, String column, double otherwise) {
    return row.get(column).isEmpty() ? otherwise : number(row, column);
  }
}
