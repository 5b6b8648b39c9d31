package nightbank.server.log.internal;

import static nightbank.db.Tables.HEAT_STORE;
import static nightbank.db.Tables.PROBE;
import static nightbank.db.Tables.READING;
import static nightbank.db.Tables.READING_ASIDE;
import static org.jooq.Records.mapping;
import static org.jooq.impl.DSL.deleteFrom;
import static org.jooq.impl.DSL.lateral;
import static org.jooq.impl.DSL.max;
import static org.jooq.impl.DSL.name;
import static org.jooq.impl.DSL.select;
import static org.jooq.impl.DSL.val;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import nightbank.core.evidence.ReadingSeries;
import nightbank.db.Routines;
import nightbank.server.log.Readings;
import nightbank.server.shared.LongWork;
import nightbank.server.store.ProbeView;
import org.jooq.DSLContext;
import org.jooq.Record3;
import org.jooq.Result;
import org.jooq.ResultQuery;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Readings, one a probe and moment. */
@Repository
public class ReadingRepository {
  private static final String COUNTED =
      """
      SELECT p.id, (SELECT count(*) FROM (SELECT FROM reading
                     WHERE probe_id = p.id AND holding_id = ? AND at BETWEEN ?::timestamptz AND ?::timestamptz LIMIT ?) r) AS n
        FROM unnest(?::uuid[]) AS p(id)
      """;

  private static final String ALL =
      """
      SELECT probe_id, at, celsius FROM reading
       WHERE probe_id = ANY(?::uuid[]) AND holding_id = ? AND at BETWEEN ?::timestamptz AND ?::timestamptz ORDER BY probe_id, at
      """;

  /** A reading from each stretch, found by the key: a winter of minutes is never walked through. */
  private static final String FIRST_OF_EACH =
      """
      SELECT p.id AS probe_id, r.at, r.celsius
        FROM (SELECT ?::timestamptz AS begin, (?::timestamptz - ?::timestamptz) / ? AS width) s,
             unnest(?::uuid[]) AS p(id), generate_series(0, ? - 1) k,
             LATERAL (SELECT at, celsius FROM reading
                       WHERE probe_id = p.id AND holding_id = ?
                         AND at >= s.begin + k * s.width AND at < s.begin + (k + 1) * s.width
                       ORDER BY at LIMIT 1) r
       ORDER BY p.id, r.at
      """;

  private static final String INSERT =
      """
      INSERT INTO reading (holding_id, import_id, probe_id, at, celsius)
      SELECT ?, ?, * FROM unnest(?::uuid[], ?::timestamptz[], ?::float8[]) ON CONFLICT DO NOTHING
      """;

  private static final String AT =
      """
      SELECT r.probe_id, r.at, r.celsius FROM unnest(?::uuid[], ?::timestamptz[]) AS k(probe_id, at)
        JOIN reading r ON r.probe_id = k.probe_id AND r.at = k.at AND r.holding_id = ?
      """;

  private final DSLContext db;

  ReadingRepository(DSLContext db) {
    this.db = db;
  }

  /** One reading. */
  public record Row(UUID probeId, Instant at, double celsius) {}

  public Set<UUID> probesOf(UUID holding) {
    return db.select(PROBE.ID)
        .from(PROBE)
        .where(PROBE.HOLDING_ID.eq(holding))
        .and(PROBE.REMOVED_AT.isNull())
        .fetchSet(PROBE.ID);
  }

  /**
   * Puts in what is not there yet; how many were new. Whose they are is taken as said.
   *
   * @param importId the file that brought them, null for none
   */
  public long insert(UUID holding, @Nullable UUID importId, List<Row> rows) {
    int n = rows.size();
    UUID[] probes = new UUID[n];
    Instant[] at = new Instant[n];
    Double[] celsius = new Double[n];
    for (int i = 0; i < n; i++) {
      probes[i] = rows.get(i).probeId();
      at[i] = rows.get(i).at();
      celsius[i] = rows.get(i).celsius();
    }
    return db.execute(INSERT, holding, importId, probes, at, celsius);
  }

  /** What stands at some moments. */
  public Map<Readings.Key, Double> at(UUID holding, Collection<Readings.Key> keys) {
    Map<Readings.Key, Double> found = new HashMap<>();
    db.resultQuery(
            AT,
            keys.stream().map(Readings.Key::probe).toArray(UUID[]::new),
            keys.stream().map(Readings.Key::at).toArray(Instant[]::new),
            holding)
        .coerce(READING.PROBE_ID, READING.AT, READING.CELSIUS)
        .forEach(r -> found.put(new Readings.Key(r.value1(), r.value2()), r.value3()));
    return found;
  }

  /** Puts a figure there, whatever stood there; its month is there. */
  public void set(UUID holding, UUID probe, Instant at, double celsius) {
    db.insertInto(READING)
        .set(READING.PROBE_ID, probe)
        .set(READING.AT, at)
        .set(READING.HOLDING_ID, holding)
        .set(READING.CELSIUS, celsius)
        .onConflict(READING.PROBE_ID, READING.AT)
        .doUpdate()
        .set(READING.CELSIUS, celsius)
        .setNull(READING.IMPORT_ID) // from now on it is whoever put it right who says so
        .where(READING.HOLDING_ID.eq(holding))
        .execute();
  }

  /** Lays what a file brought aside; how many. */
  public int layAside(UUID holding, UUID importId, Set<UUID> probes, Instant from, Instant to) {
    LongWork.in(db);
    var gone =
        name("gone")
            .as(
                deleteFrom(READING)
                    .where(READING.PROBE_ID.in(probes))
                    .and(READING.AT.between(from, to))
                    .and(READING.HOLDING_ID.eq(holding))
                    .and(READING.IMPORT_ID.eq(importId))
                    .returningResult(READING.PROBE_ID, READING.AT, READING.CELSIUS));
    return db.with(gone)
        .insertInto(
            READING_ASIDE,
            READING_ASIDE.IMPORT_ID,
            READING_ASIDE.PROBE_ID,
            READING_ASIDE.AT,
            READING_ASIDE.HOLDING_ID,
            READING_ASIDE.CELSIUS)
        .select(
            select(
                    val(importId),
                    gone.field(READING.PROBE_ID),
                    gone.field(READING.AT),
                    val(holding),
                    gone.field(READING.CELSIUS))
                .from(gone))
        .execute();
  }

  /** Brings what was laid aside back; what was typed in its place meanwhile stays. */
  public int bringBack(UUID holding, UUID importId) {
    LongWork.in(db);
    var back =
        name("back")
            .as(
                deleteFrom(READING_ASIDE)
                    .where(READING_ASIDE.IMPORT_ID.eq(importId))
                    .and(READING_ASIDE.HOLDING_ID.eq(holding))
                    .returningResult(
                        READING_ASIDE.PROBE_ID, READING_ASIDE.AT, READING_ASIDE.CELSIUS));
    return db.with(back)
        .insertInto(
            READING,
            READING.PROBE_ID,
            READING.AT,
            READING.HOLDING_ID,
            READING.CELSIUS,
            READING.IMPORT_ID)
        .select(
            select(
                    back.field(READING_ASIDE.PROBE_ID),
                    back.field(READING_ASIDE.AT),
                    val(holding),
                    back.field(READING_ASIDE.CELSIUS),
                    val(importId))
                .from(back))
        .onConflictDoNothing()
        .execute();
  }

  public void delete(UUID holding, UUID probe, Instant at) {
    db.deleteFrom(READING)
        .where(READING.PROBE_ID.eq(probe))
        .and(READING.AT.eq(at))
        .and(READING.HOLDING_ID.eq(holding))
        .execute();
  }

  /** The newest of a store's probes before a moment. */
  public List<Readings.ReadingView> newest(
      UUID holding, @Nullable UUID store, Instant before, int most) {
    return db.select(READING.PROBE_ID, READING.AT, READING.CELSIUS)
        .from(PROBE)
        .crossJoin(
            lateral(
                    select(READING.PROBE_ID, READING.AT, READING.CELSIUS)
                        .from(READING)
                        .where(READING.PROBE_ID.eq(PROBE.ID))
                        .and(READING.AT.lt(before))
                        .orderBy(READING.AT.desc())
                        .limit(most))
                .as(READING))
        .where(PROBE.HOLDING_ID.eq(holding))
        .and(store == null ? PROBE.HEAT_STORE_ID.isNull() : PROBE.HEAT_STORE_ID.eq(store))
        .and(PROBE.REMOVED_AT.isNull())
        .orderBy(READING.AT.desc(), PROBE.RANK)
        .limit(most)
        .fetch(mapping(Readings.ReadingView::new));
  }

  /** What people call them: probe and store. */
  public Map<UUID, String> probeNames(UUID holding) {
    return db.select(PROBE.ID, PROBE.NAME, HEAT_STORE.NAME)
        .from(PROBE)
        .leftJoin(HEAT_STORE)
        .on(HEAT_STORE.ID.eq(PROBE.HEAT_STORE_ID))
        .where(PROBE.HOLDING_ID.eq(holding))
        .fetchMap(
            r -> r.value1(), r -> r.value3() == null ? r.value2() : r.value2() + ", " + r.value3());
  }

  public boolean hasStore(UUID holding, UUID store) {
    return db.fetchExists(
        HEAT_STORE, HEAT_STORE.HOLDING_ID.eq(holding).and(HEAT_STORE.ID.eq(store)));
  }

  /** In a transaction of its own: nobody waits for the end of the one that writes into it. */
  @Transactional(propagation = Propagation.REQUIRES_NEW)
  public void ensureYear(int year) {
    Routines.ensureReadingYear(db.configuration(), year);
  }

  /**
   * A transaction that has written into the table already does not hear of years that others have
   * hung into it since until it looks at another table.
   */
  public void look(int year) {
    db.fetch("SELECT FROM reading_" + year + " LIMIT 0");
  }

  /** All of them, or the first of each of so many equal stretches. */
  public ReadingSeries series(UUID holding, UUID probe, Instant from, Instant to, int most) {
    return Objects.requireNonNull(series(holding, List.of(probe), from, to, most).get(probe));
  }

  /** The same of several, one for each that was asked for. */
  public Map<UUID, ReadingSeries> series(
      UUID holding, Collection<UUID> probes, Instant from, Instant to, int most) {
    Map<UUID, ReadingSeries> found = new LinkedHashMap<>();
    probes.forEach(p -> found.put(p, new ReadingSeries(p.toString(), new long[0], new double[0])));
    UUID[] all = found.keySet().toArray(UUID[]::new);
    List<UUID> some = new ArrayList<>();
    List<UUID> many = new ArrayList<>();
    db.resultQuery(COUNTED, holding, from, to, most + 1, all)
        .forEach(
            r -> {
              long n = r.get("n", Long.class);
              (n > most ? many : some).add(r.get("id", UUID.class));
              if (n == 0) {
                some.remove(some.size() - 1);
              }
            });
    if (!some.isEmpty()) {
      put(found, db.resultQuery(ALL, some.toArray(UUID[]::new), holding, from, to));
    }
    if (!many.isEmpty()) {
      put(
          found,
          db.resultQuery(
              FIRST_OF_EACH,
              from,
              to.plusMillis(1),
              from,
              most,
              many.toArray(UUID[]::new),
              most,
              holding));
    }
    return found;
  }

  private static void put(Map<UUID, ReadingSeries> into, ResultQuery<?> rows) {
    Map<UUID, Result<Record3<UUID, Instant, Double>>> byProbe =
        rows.coerce(READING.PROBE_ID, READING.AT, READING.CELSIUS).fetchGroups(READING.PROBE_ID);
    byProbe.forEach(
        (probe, own) ->
            into.put(
                probe,
                new ReadingSeries(
                    probe.toString(),
                    own.stream().mapToLong(r -> r.value2().getEpochSecond()).toArray(),
                    own.stream().mapToDouble(Record3::value3).toArray())));
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

  /** A house's probes of a kind, with the store that each was hung up with. */
  public Map<UUID, UUID> houseProbes(UUID holding, UUID house, ProbeView.Kind kind) {
    Map<UUID, UUID> found = new HashMap<>();
    db.select(PROBE.ID, PROBE.HEAT_STORE_ID)
        .from(PROBE)
        .where(PROBE.HOLDING_ID.eq(holding))
        .and(PROBE.REMOVED_AT.isNull())
        .and(PROBE.GREENHOUSE_ID.eq(house))
        .and(PROBE.KIND.eq(kind.name()))
        .forEach(r -> found.put(r.value1(), r.value2()));
    return found;
  }

  public List<UUID> outdoorProbes(UUID holding) {
    return db.select(PROBE.ID)
        .from(PROBE)
        .where(PROBE.HOLDING_ID.eq(holding))
        .and(PROBE.REMOVED_AT.isNull())
        .and(PROBE.KIND.eq(ProbeView.Kind.OUTDOOR.name()))
        .fetch(PROBE.ID);
  }
}
