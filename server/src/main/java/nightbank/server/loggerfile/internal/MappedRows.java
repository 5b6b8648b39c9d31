package nightbank.server.loggerfile.internal;

import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.Charset;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import nightbank.core.unit.TypedTemperature;
import nightbank.server.loggerfile.FileMapping;
import nightbank.server.loggerfile.FileMapping.Use;
import org.jspecify.annotations.Nullable;

/** Reads a file by its mapping and hands over each reading, or why there is none. */
final class MappedRows {
  private static final Instant EARLIEST = Instant.parse("2000-01-01T00:00:00Z");

  private final FileMapping mapping;
  private final Instant latest;
  private final Sink sink;
  private final TimeReader times;
  private final StringBuilder timeText = new StringBuilder();

  /** Takes what a file holds. */
  interface Sink {
    /** Before the cells of a row; the time is null when it could not be read. */
    default void row(long line, List<String> cells, @Nullable Instant at, String why) {}

    void reading(long line, int column, @Nullable String channel, Instant at, double celsius)
        throws IOException;

    /** A row (column -1) or a cell left out. */
    void leftOut(long line, int column, String reason, String cell) throws IOException;

    boolean goOn();
  }

  MappedRows(FileMapping mapping, Instant now, Sink sink) {
    this.mapping = mapping;
    this.latest = now.plus(Duration.ofDays(1));
    this.sink = sink;
    this.times = new TimeReader(mapping.timeForm(), ZoneId.of(mapping.zone()));
  }

  void read(InputStream in) throws IOException {
    RowReader.read(
        in,
        Charset.forName(mapping.charset()),
        mapping.delimiter().charAt(0),
        (line, cells) -> {
          if (line > mapping.headingLine()) {
            row(line, cells);
          }
          return sink.goOn();
        });
  }

  private void row(long line, CsvRecord cells) throws IOException {
    timeText.setLength(0);
    for (int i : mapping.timeColumns()) {
      timeText.append(i < cells.getFieldCount() ? cells.getField(i) : "").append(' ');
    }
    String text = timeText.toString().strip();
    Instant at = times.read(text);
    String why = why(text, at);
    sink.row(line, cells.getFields(), at, why);
    if (at == null || !why.isEmpty()) {
      sink.leftOut(line, -1, why, text);
      return;
    }
    for (FileMapping.Column column : mapping.columns()) {
      if (column.use() != Use.SKIP) {
        cell(line, cells, column, at);
      }
    }
  }

  private String why(String text, @Nullable Instant at) {
    if (at == null) {
      return text.isEmpty() ? "The row has no time." : "This is not a time of the form chosen.";
    }
    if (at.isAfter(latest)) {
      return "The time lies in the future.";
    }
    return at.isBefore(EARLIEST) ? "The time lies before the year 2000." : "";
  }

  private void cell(long line, CsvRecord cells, FileMapping.Column column, Instant at)
      throws IOException {
    if (column.index() >= cells.getFieldCount()) {
      sink.leftOut(line, column.index(), "The row ends before this column.", "");
      return;
    }
    String text = cells.getField(column.index());
    double value = NumberReader.read(text, mapping.decimalComma());
    if (Double.isNaN(value)) {
      boolean empty = text.isBlank() || text.strip().matches("-+|n/?a|null|nan|\\?+");
      sink.leftOut(line, column.index(), empty ? "No reading." : "This is not a number.", text);
      return;
    }
    boolean fahrenheit = column.fahrenheit();
    String channel = null;
    if (mapping.channelColumn() >= 0) {
      channel =
          mapping.channelColumn() < cells.getFieldCount()
              ? cells.getField(mapping.channelColumn()).strip()
              : "";
      FileMapping.Channel known = mapping.channels().get(channel);
      if (known == null) {
        sink.leftOut(line, column.index(), "This channel is tied to no probe.", channel);
        return;
      }
      if (known.use() == Use.SKIP) {
        return;
      }
      fahrenheit |= known.fahrenheit();
    }
    double celsius = fahrenheit ? TypedTemperature.fromFahrenheit(value) : value;
    if (!TypedTemperature.isPossible(celsius)) {
      sink.leftOut(line, column.index(), "No temperature can be so low or so high.", text);
      return;
    }
    sink.reading(line, column.index(), channel, at, celsius);
  }
}
