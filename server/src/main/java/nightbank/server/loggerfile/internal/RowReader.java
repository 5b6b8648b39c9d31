package nightbank.server.loggerfile.internal;

import de.siegmar.fastcsv.reader.CommentStrategy;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.IOException;
import java.io.InputStream;
import java.io.Reader;
import java.nio.charset.Charset;
import nightbank.server.shared.Problem;

/** Rows of delimited text, one at a time, in bounded memory. */
final class RowReader {
  private static final int LONGEST_ROW = 1 << 20; // letters
  static final int MOST_COLUMNS = 2000;

  private RowReader() {}

  /** Takes a row; true to go on. */
  interface Row {
    boolean take(long line, CsvRecord cells) throws IOException;
  }

  static void read(InputStream in, Charset charset, char delimiter, Row row) throws IOException {
    try (Reader text = TextFile.reader(in, charset);
        CsvReader<CsvRecord> rows =
            CsvReader.builder()
                .fieldSeparator(delimiter)
                .commentStrategy(CommentStrategy.NONE)
                .skipEmptyLines(true)
                .allowMissingFields(true)
                .allowExtraFields(true)
                .maxBufferSize(LONGEST_ROW)
                .ofCsvRecord(text)) {
      for (CsvRecord cells : rows) {
        if (cells.getFieldCount() > MOST_COLUMNS) {
          throw Problem.invalid(
              "file",
              "Line " + cells.getStartingLineNumber() + " has more than 2000 columns.",
              "Check the separator, or export fewer channels.");
        }
        if (!row.take(cells.getStartingLineNumber(), cells)) {
          return;
        }
      }
    } catch (de.siegmar.fastcsv.reader.CsvParseException e) {
      throw Problem.invalid(
          "file",
          "A line is too long or its quotes never close.",
          "Check the separator, or open the file in an editor and look for a stray quote.");
    }
  }
}
