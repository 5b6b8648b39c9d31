package nightbank.server.export;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.regex.Pattern;
import nightbank.server.shared.Problem;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;

/**
 * A table as it stands on a screen, to be handed out. Text that a spreadsheet would take for a
 * formula is made plain by an apostrophe before it; figures stay figures.
 *
 * @param name of sheet and file
 */
public record HandedTable(String name, List<List<String>> rows) {
  private static final int MOST_ROWS = 20_000;
  private static final int MOST_COLUMNS = 60;
  private static final int LONGEST = 2000;
  private static final Pattern FIGURE =
      Pattern.compile("[+-]?\\d{1,18}(\\.\\d{1,18})?([eE][+-]?\\d{1,3})?");
  private static final Pattern RISKY =
      Pattern.compile("^[\\s\\p{Cntrl}]*[=+\\-@\\uFF1D\\uFF0B\\uFF0D\\uFF20].*", Pattern.DOTALL);

  public HandedTable {
    if (name == null || !name.matches("[a-z0-9-]{1,40}")) {
      throw Problem.invalid(
          "name", "A table's name has small letters and dashes.", "For instance statement.");
    }
    if (rows == null || rows.isEmpty() || rows.size() > MOST_ROWS) {
      throw Problem.invalid(
          "rows", "A table has 1 to " + MOST_ROWS + " rows.", "Choose a shorter time.");
    }
    for (List<String> row : rows) {
      if (row == null || row.size() > MOST_COLUMNS) {
        throw Problem.invalid(
            "rows", "A row has up to " + MOST_COLUMNS + " cells.", "Leave columns out.");
      }
    }
  }

  public byte[] csv() {
    StringWriter out = new StringWriter();
    try (CsvWriter csv = CsvWriter.builder().build(out)) {
      for (List<String> row : rows) {
        csv.writeRecord(row.stream().map(HandedTable::plain).toList());
      }
    } catch (IOException e) {
      throw new java.io.UncheckedIOException(e);
    }
    return out.toString().getBytes(StandardCharsets.UTF_8);
  }

  public byte[] xlsx() {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (Workbook book = new Workbook(out, "Night Bank", "1.0")) {
      Worksheet sheet = book.newWorksheet(name);
      for (int r = 0; r < rows.size(); r++) {
        List<String> row = rows.get(r);
        for (int c = 0; c < row.size(); c++) {
          String cell = row.get(c);
          if (cell != null && FIGURE.matcher(cell).matches()) {
            sheet.value(r, c, Double.parseDouble(cell));
          } else {
            sheet.value(r, c, plain(cell));
          }
        }
      }
      sheet.range(0, 0, 0, Math.max(0, rows.get(0).size() - 1)).style().bold().set();
      sheet.freezePane(1, 1);
    } catch (IOException e) {
      throw new java.io.UncheckedIOException(e);
    }
    return out.toByteArray();
  }

  static String plain(String cell) {
    if (cell == null) {
      return "";
    }
    String kept = cell.length() > LONGEST ? cell.substring(0, LONGEST) : cell;
    boolean figure = FIGURE.matcher(kept).matches();
    return !figure && RISKY.matcher(kept).matches() ? "'" + kept : kept;
  }
}
