package nightbank.server.exchange.internal;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.time.YearMonth;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import org.postgresql.PGConnection;
import org.postgresql.copy.CopyIn;

/**
 * Streams readings into PostgreSQL by COPY to a scratch table, then moves in what is new, all in
 * one transaction: stopped or failed, nothing is saved.
 */
final class ReadingCopy implements AutoCloseable {
  private static final int BATCH = 1 << 16;
  private static final int MOST_LEFT_OUT = 1000; // kept one by one; beyond that only counted

  private final Connection connection;
  private final UUID holding;
  private final UUID importId;
  private final CopyIn copy;
  private final StringBuilder buffer = new StringBuilder(BATCH + 256);
  private final Set<YearMonth> months = new TreeSet<>();
  private final List<Object[]> leftOut = new ArrayList<>();
  private YearMonth lastMonth;
  private long lastMonthFrom;
  private long lastMonthTo;
  private long readings;
  private long left;
  private long first = Long.MAX_VALUE;
  private long last = Long.MIN_VALUE;

  ReadingCopy(Connection connection, UUID holding, UUID importId) throws SQLException {
    this.connection = connection;
    this.holding = holding;
    this.importId = importId;
    connection.setAutoCommit(false);
    try (Statement s = connection.createStatement()) {
      s.execute(
          "CREATE TEMP TABLE incoming (probe_id uuid, at timestamptz, celsius float8)"
              + " ON COMMIT DROP");
    }
    copy =
        connection
            .unwrap(PGConnection.class)
            .getCopyAPI()
            .copyIn("COPY incoming FROM STDIN (FORMAT csv)");
  }

  void add(UUID probe, Instant at, double celsius) throws IOException {
    long second = at.getEpochSecond();
    if (second < lastMonthFrom || second >= lastMonthTo || lastMonth == null) {
      lastMonth = YearMonth.from(at.atOffset(ZoneOffset.UTC));
      lastMonthFrom = lastMonth.atDay(1).atStartOfDay().toEpochSecond(ZoneOffset.UTC);
      lastMonthTo = lastMonth.plusMonths(1).atDay(1).atStartOfDay().toEpochSecond(ZoneOffset.UTC);
      months.add(lastMonth);
    }
    first = Math.min(first, second);
    last = Math.max(last, second);
    readings++;
    buffer.append(probe).append(',').append(at).append(',').append(celsius).append('\n');
    if (buffer.length() >= BATCH) {
      flush();
    }
  }

  void leaveOut(long line, int part, String reason, String cell) {
    left++;
    if (leftOut.size() < MOST_LEFT_OUT) {
      String shown = cell.length() > 100 ? cell.substring(0, 100) + "…" : cell;
      leftOut.add(new Object[] {line, part, reason, shown.replace("\u0000", "")});
    }
  }

  private void flush() throws IOException {
    try {
      byte[] bytes = buffer.toString().getBytes(StandardCharsets.US_ASCII);
      copy.writeToCopy(bytes, 0, bytes.length);
      buffer.setLength(0);
    } catch (SQLException e) {
      throw new IOException(e);
    }
  }

  /** Moves in what is new and commits. */
  ImportRepository.Outcome finish(long rows) throws SQLException, IOException {
    flush();
    copy.endCopy();
    for (YearMonth month : months) {
      try (PreparedStatement s =
          connection.prepareStatement("SELECT ensure_reading_month(?::timestamptz)")) {
        s.setString(1, month.atDay(1) + "T00:00:00Z");
        try (ResultSet r = s.executeQuery()) {
          r.next();
        }
      }
    }
    long added;
    try (PreparedStatement s =
        connection.prepareStatement(
            "INSERT INTO reading (probe_id, at, holding_id, celsius, import_id)"
                + " SELECT probe_id, at, ?, celsius, ? FROM incoming"
                + " ON CONFLICT (probe_id, at) DO NOTHING")) {
      s.setObject(1, holding);
      s.setObject(2, importId);
      added = s.executeLargeUpdate();
    }
    saveLeftOut();
    connection.commit();
    return new ImportRepository.Outcome(
        rows,
        readings,
        added,
        left,
        readings == 0 ? null : Instant.ofEpochSecond(first),
        readings == 0 ? null : Instant.ofEpochSecond(last));
  }

  private void saveLeftOut() throws SQLException {
    try (PreparedStatement s =
        connection.prepareStatement(
            "INSERT INTO import_left_out (import_id, holding_id, line, part, reason, cell)"
                + " VALUES (?, ?, ?, ?, ?, ?) ON CONFLICT DO NOTHING")) {
      for (Object[] row : leftOut) {
        s.setObject(1, importId);
        s.setObject(2, holding);
        s.setLong(3, (Long) row[0]);
        s.setInt(4, (Integer) row[1]);
        s.setString(5, (String) row[2]);
        s.setString(6, (String) row[3]);
        s.addBatch();
      }
      s.executeBatch();
    }
  }

  @Override
  public void close() throws SQLException {
    if (copy.isActive()) {
      copy.cancelCopy();
    }
    connection.rollback();
    connection.setAutoCommit(true);
  }
}
