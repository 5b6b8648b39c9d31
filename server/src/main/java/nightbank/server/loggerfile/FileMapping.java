package nightbank.server.loggerfile;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * How a logger's file is to be read. Guessed first, corrected by the person, remembered for that
 * logger.
 *
 * @param delimiter one character
 * @param headingLine line of the column names, 1 the first; 0 when there is none
 * @param decimalComma whether 3,5 is three and a half
 * @param zone of times that do not say their own
 * @param timeColumns one column, or date and time in two; 0 the first
 * @param channelColumn for one-row-per-reading files: which probe; -1 in wide files
 * @param channels for such files: what is written there, by probe
 */
@RecordBuilder
public record FileMapping(
    String charset,
    String delimiter,
    int headingLine,
    boolean decimalComma,
    TimeForm timeForm,
    String zone,
    List<Integer> timeColumns,
    List<Column> columns,
    int channelColumn,
    Map<String, Channel> channels) {

  /** Whose readings it brings. */
  Set<UUID> probes() {
    return Stream.concat(
            columns.stream().map(Column::probeId), channels.values().stream().map(Channel::probeId))
        .filter(Objects::nonNull)
        .collect(Collectors.toSet());
  }

  /** Order of day, month and year, or seconds since 1970. */
  public enum TimeForm {
    YEAR_FIRST,
    DAY_FIRST,
    MONTH_FIRST,
    EPOCH_SECONDS,
    EPOCH_MILLIS
  }

  /** What becomes of a column of values. */
  public enum Use {
    PROBE,
    NEW_PROBE,
    NEW_AIR,
    SKIP
  }

  /**
   * One column.
   *
   * @param probeId for PROBE
   * @param fahrenheit whether its numbers are °F
   */
  public record Column(
      int index, String heading, Use use, @Nullable UUID probeId, boolean fahrenheit) {}

  /** What becomes of one channel of a long file. */
  public record Channel(Use use, @Nullable UUID probeId, boolean fahrenheit) {}
}
