package nightbank.server.export;

import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.sql.ResultSet;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nightbank.server.export.HoldingTables.Table;
import nightbank.server.shared.LongWork;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.StreamWriteFeature;
import tools.jackson.databind.json.JsonMapper;

/**
 * A whole holding as one JSON file, row by row as the database has them, readings in columns. The
 * same holding always makes the same bytes; memory does not grow with it.
 */
@Service
public class HoldingExport {
  private static final int FETCH = 5000;

  private final DSLContext db;
  private final JsonMapper mapper;

  HoldingExport(DSLContext db, JsonMapper mapper) {
    this.db = db;
    this.mapper = mapper;
  }

  /**
   * Writes it.
   *
   * @param told how many readings are written, and of how many, now and then; whatever it throws
   *     ends the writing
   */
  @Transactional(readOnly = true)
  public void write(UUID holding, OutputStream out, Told told) {
    db.execute("SET LOCAL TimeZone TO 'UTC'");
    try (JsonGenerator json =
        mapper.createGenerator(out).configure(StreamWriteFeature.AUTO_CLOSE_TARGET, false)) {
      LongWork.in(db);
      json.writeStartObject();
      json.writeStringProperty("format", HoldingTables.FORMAT);
      json.writeNumberProperty("version", HoldingTables.VERSION);
      json.writeName("holding");
      json.writeRawValue(
          db.fetchSingle("SELECT to_jsonb(h)::text FROM holding h WHERE id = ?", holding)
              .get(0, String.class));
      for (Table t : HoldingTables.ALL) {
        json.writeName(t.name());
        json.writeStartArray();
        try (Stream<String> rows = rows(holding, t)) {
          rows.forEach(json::writeRawValue);
        }
        json.writeEndArray();
      }
      json.writeName("readings");
      json.writeStartArray();
      readings(holding, json, told);
      json.writeEndArray();
      json.writeEndObject();
    }
  }

  /** Hears how far it is. */
  public interface Told {
    void far(long readings, long of);
  }

  private Stream<String> rows(UUID holding, Table t) {
    String leftOut =
        Stream.concat(Stream.of("holding_id"), t.leftOut().stream())
            .map(c -> " - '" + c + "'")
            .collect(Collectors.joining());
    return db.resultQuery(
            "SELECT (to_jsonb(t)%s)::text FROM %s t WHERE holding_id = ? ORDER BY %s"
                .formatted(leftOut, t.name(), t.order()),
            holding)
        .fetchSize(FETCH)
        .fetchStream()
        .map(r -> r.get(0, String.class));
  }

  /** Blocks of one probe and one import: seconds since 1970 beside °C. */
  private void readings(UUID holding, JsonGenerator json, Told told) {
    long all =
        db.fetchSingle(
                "SELECT count(*) FROM reading WHERE holding_id = ?"
                    + " AND probe_id IN (SELECT id FROM probe WHERE holding_id = ?)",
                holding,
                holding)
            .get(0, Long.class);
    long written = 0;
    var query =
        db.resultQuery(
            """
            SELECT probe_id::text, import_id::text, trim_scale(extract(epoch FROM at))::text, celsius::text
              FROM reading
             WHERE probe_id IN (SELECT id FROM probe WHERE holding_id = ?) AND holding_id = ?
             ORDER BY probe_id, import_id NULLS FIRST, at
            """,
            holding,
            holding);
    String probe = null;
    String file = null;
    StringBuilder at = new StringBuilder();
    StringBuilder celsius = new StringBuilder();
    try (ResultSet rows = query.fetchSize(FETCH).fetchResultSet()) {
      while (rows.next()) {
        if (written++ % FETCH == 0) {
          told.far(written - 1, all);
        }
        String p = rows.getString(1);
        String f = rows.getString(2);
        boolean same = p.equals(probe) && java.util.Objects.equals(f, file);
        if (!same || at.length() > 1 << 20) {
          block(json, probe, file, at, celsius);
          probe = p;
          file = f;
        }
        at.append(at.isEmpty() ? "" : ",").append(rows.getString(3));
        celsius.append(celsius.isEmpty() ? "" : ",").append(rows.getString(4));
      }
      block(json, probe, file, at, celsius);
    } catch (java.sql.SQLException e) {
      throw new UncheckedIOException(new IOException(e));
    }
  }

  private static void block(
      JsonGenerator json,
      @Nullable String probe,
      @Nullable String file,
      StringBuilder at,
      StringBuilder celsius) {
    if (at.isEmpty()) {
      return;
    }
    json.writeStartObject();
    json.writeStringProperty("probe", probe);
    if (file == null) {
      json.writeNullProperty("import");
    } else {
      json.writeStringProperty("import", file);
    }
    json.writeName("at");
    json.writeRawValue("[" + at + "]");
    json.writeName("celsius");
    json.writeRawValue("[" + celsius + "]");
    json.writeEndObject();
    at.setLength(0);
    celsius.setLength(0);
  }
}
