package nightbank.server.export;

import java.io.OutputStream;
import java.time.Instant;
import java.util.UUID;
import nightbank.server.shared.Problem;
import nightbank.server.store.ProbeView;
import nightbank.server.store.Stores;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.StreamWriteFeature;
import tools.jackson.databind.json.JsonMapper;

/** A store's readings as SenML JSON (RFC 8428): one base name a probe, °C, seconds since 1970. */
@Service
public class SenMlOut {
  private static final int FETCH = 5000;
  private static final double DAYS = 400;

  private final DSLContext db;
  private final JsonMapper mapper;
  private final Stores stores;

  SenMlOut(DSLContext db, JsonMapper mapper, Stores stores) {
    this.db = db;
    this.mapper = mapper;
    this.stores = stores;
  }

  public void check(UUID holding, UUID store, Instant from, Instant to) {
    stores.get(holding, store);
    double seconds = to.getEpochSecond() - from.getEpochSecond();
    if (!(seconds > 0 && seconds <= DAYS * 86_400)) {
      throw Problem.invalid(
          "to", "The time must be forward and up to 400 days.", "Check both ends.");
    }
  }

  @Transactional(readOnly = true)
  public void write(UUID holding, UUID store, Instant from, Instant to, OutputStream out) {
    try (JsonGenerator json =
        mapper.createGenerator(out).configure(StreamWriteFeature.AUTO_CLOSE_TARGET, false)) {
      json.writeStartArray();
      for (ProbeView p : stores.probes(holding, store)) {
        probe(holding, p, from, to, json);
      }
      json.writeEndArray();
    }
  }

  private void probe(UUID holding, ProbeView p, Instant from, Instant to, JsonGenerator json) {
    boolean[] begun = {false};
    try (var rows =
        db.resultQuery(
                """
                SELECT extract(epoch FROM at)::float8, celsius FROM reading
                 WHERE probe_id = ? AND holding_id = ? AND at >= ?::timestamptz AND at < ?::timestamptz ORDER BY at
                """,
                p.id(),
                holding,
                from,
                to)
            .fetchSize(FETCH)
            .fetchStream()) {
      rows.forEach(
          r -> {
            json.writeStartObject();
            if (!begun[0]) {
              json.writeStringProperty("bn", "urn:uuid:" + p.id());
              json.writeStringProperty("bu", "Cel");
              json.writeNumberProperty("bver", 10);
              begun[0] = true;
            }
            json.writeNumberProperty("t", r.get(0, Double.class));
            json.writeNumberProperty("v", r.get(1, Double.class));
            json.writeEndObject();
          });
    }
  }
}
