package nightbank.server.log.internal;

import static nightbank.db.Tables.PROBE;
import static nightbank.db.Tables.READING;
import static org.jooq.impl.DSL.count;
import static org.jooq.impl.DSL.max;
import static org.jooq.impl.DSL.select;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import nightbank.core.run.ReadingSeries;
import nightbank.db.Routines;
import nightbank.server.store.ProbeView;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Readings, one a probe and moment. */
@Repository
public class ReadingRepository {
  /** A reading from each stretch, found by the key: a winter of minutes is never walked through. */
  private static final String FIRST_OF_EACH =
      """
      SELECT r.at, r.celsius
        FROM (SELECT ?::timestamptz AS begin, (?::timestamptz - ?::timestamptz) / ? AS width) s,
             generate_series(0, ? - 1) k,
             LATERAL (SELECT at, celsius FROM reading
                       WHERE probe_id = ? AND holding_id = ?
                         AND at >= s.begin + k * s.width AND at < s.begin + (k + 1) * s.width
                       ORDER BY at LIMIT 1) r
       ORDER BY r.at
      """;

  private final DSLContext db;

  ReadingRepository(DSLContext db) {
    this.db = db;
  }

  /** One reading. */
  public record Row(UUID probeId, Instant at, double celsius) {}

  public Set<UUID> probesOf(UUID holding) {
    return db.select(PROBE.ID).from(PROBE).where(PROBE.HOLDING_ID.eq(holding)).fetchSet(PROBE.ID);
  }

  public int insert(UUID holding, List<Row> rows) {
    ensureMonths(rows.stream().map(Row::at).toList());
    int added = 0;
    for (Row r : rows) {
      added +=
          db.insertInto(READING)
              .set(READING.PROBE_ID, r.probeId())
              .set(READING.AT, r.at())
              .set(READING.HOLDING_ID, holding)
              .set(READING.CELSIUS, r.celsius())
              .onConflictDoNothing()
              .execute();
    }
    return added;
  }

  private void ensureMonths(List<Instant> times) {
    var months = new TreeSet<java.time.YearMonth>();
    times.forEach(t -> months.add(java.time.YearMonth.from(t.atOffset(ZoneOffset.UTC))));
    months.forEach(
        m ->
            Routines.ensureReadingMonth(
                db.configuration(), m.atDay(1).atStartOfDay().toInstant(ZoneOffset.UTC)));
  }

  /** All of them, or the first of each of so many equal stretches. */
  public ReadingSeries series(UUID holding, UUID probe, Instant from, Instant to, int most) {
    var own =
        READING
            .PROBE_ID
            .eq(probe)
            .and(READING.HOLDING_ID.eq(holding))
            .and(READING.AT.between(from, to));
    var rows =
        db.fetchCount(select(READING.AT).from(READING).where(own).limit(most + 1)) <= most
            ? db.select(READING.AT, READING.CELSIUS)
                .from(READING)
                .where(own)
                .orderBy(READING.AT)
                .fetch()
            : db.resultQuery(
                    FIRST_OF_EACH, from, to.plusMillis(1), from, most, most, probe, holding)
                .fetchInto(READING)
                .into(READING.AT, READING.CELSIUS);
    return new ReadingSeries(
        probe.toString(),
        rows.stream().mapToLong(r -> r.value1().getEpochSecond()).toArray(),
        rows.stream().mapToDouble(r -> r.value2()).toArray());
  }

  public Optional<Instant> newest(UUID holding, Set<UUID> probes) {
    Instant newest = null;
    for (UUID probe : probes) {
      Instant at =
          db.select(READING.AT)
              .from(READING)
              .where(READING.PROBE_ID.eq(probe))
              .and(READING.HOLDING_ID.eq(holding))
              .orderBy(READING.AT.desc())
              .limit(1)
              .fetchOne(READING.AT);
      newest = at != null && (newest == null || at.isAfter(newest)) ? at : newest;
    }
    return Optional.ofNullable(newest);
  }

  public Optional<Instant> newest() {
    return db.select(max(READING.AT)).from(READING).fetchOptional(r -> r.value1());
  }

  /** Read from the key alone: a reading is never changed, and whose probe it is was asked for. */
  public String mark(UUID holding, Set<UUID> probes, Instant from, Instant to) {
    var row =
        db.select(count(), max(READING.AT))
            .from(READING)
            .where(
                READING.PROBE_ID.in(
                    select(PROBE.ID)
                        .from(PROBE)
                        .where(PROBE.ID.in(probes))
                        .and(PROBE.HOLDING_ID.eq(holding))))
            .and(READING.AT.between(from, to))
            .fetchSingle();
    return row.value1() + "/" + row.value2();
  }

  public Map<UUID, UUID> airProbes(UUID holding, UUID house) {
    Map<UUID, UUID> found = new HashMap<>();
    db.select(PROBE.ID, PROBE.HEAT_STORE_ID)
        .from(PROBE)
        .where(PROBE.HOLDING_ID.eq(holding))
        .and(PROBE.GREENHOUSE_ID.eq(house))
        .and(PROBE.KIND.eq(ProbeView.Kind.AIR.name()))
        .forEach(r -> found.put(r.value1(), r.value2()));
    return found;
  }

  public List<UUID> outdoorProbes(UUID holding) {
    return db.select(PROBE.ID)
        .from(PROBE)
        .where(PROBE.HOLDING_ID.eq(holding))
        .and(PROBE.KIND.eq(ProbeView.Kind.OUTDOOR.name()))
        .fetch(PROBE.ID);
  }
}
