package nightbank.server.store.internal;

import static nightbank.db.Tables.ARRANGEMENT;
import static nightbank.db.Tables.HEAT_STORE;
import static nightbank.db.Tables.PROBE;
import static nightbank.db.Tables.READING;
import static org.jooq.impl.DSL.exists;
import static org.jooq.impl.DSL.lateral;
import static org.jooq.impl.DSL.select;
import static org.jooq.impl.DSL.selectOne;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import nightbank.db.tables.records.ArrangementRecord;
import nightbank.db.tables.records.HeatStoreRecord;
import nightbank.db.tables.records.ProbeRecord;
import nightbank.server.shared.Json;
import nightbank.server.shared.LongWork;
import nightbank.server.shared.Problem;
import nightbank.server.store.Arrangement;
import nightbank.server.store.ProbeView;
import nightbank.server.store.StoreDesign;
import nightbank.server.store.StoreView;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Stores and their probes. */
@Repository
public class StoreRepository {
  private final DSLContext db;
  private final Json json;

  StoreRepository(DSLContext db, Json json) {
    this.db = db;
    this.json = json;
  }

  /** A store as stored. */
  public record StoredStore(
      UUID id, UUID houseId, String name, boolean planned, int version, StoreDesign design) {}

  public List<StoredStore> all(UUID holding) {
    return db.selectFrom(HEAT_STORE)
        .where(HEAT_STORE.HOLDING_ID.eq(holding))
        .and(HEAT_STORE.REMOVED_AT.isNull())
        .orderBy(HEAT_STORE.NAME)
        .fetch(this::map);
  }

  public Optional<StoredStore> find(UUID holding, UUID id) {
    return db.selectFrom(HEAT_STORE)
        .where(HEAT_STORE.HOLDING_ID.eq(holding))
        .and(HEAT_STORE.ID.eq(id))
        .and(HEAT_STORE.REMOVED_AT.isNull())
        .fetchOptional(this::map);
  }

  public Map<UUID, List<ProbeView>> probes(UUID holding) {
    return db.selectFrom(PROBE)
        .where(PROBE.HOLDING_ID.eq(holding))
        .and(PROBE.HEAT_STORE_ID.isNotNull())
        .and(PROBE.REMOVED_AT.isNull())
        .orderBy(PROBE.RANK, PROBE.NAME)
        .fetchGroups(PROBE.HEAT_STORE_ID, r -> probe(r.into(PROBE)));
  }

  public List<StoreView.Latest> latest(UUID holding) {
    var last =
        lateral(
                select(READING.AT, READING.CELSIUS)
                    .from(READING)
                    .where(READING.PROBE_ID.eq(PROBE.ID))
                    .orderBy(READING.AT.desc())
                    .limit(1))
            .as("last");
    return db.select(PROBE.ID, last.field(READING.AT), last.field(READING.CELSIUS))
        .from(PROBE)
        .crossJoin(last)
        .where(PROBE.HOLDING_ID.eq(holding))
        .and(PROBE.REMOVED_AT.isNull())
        .fetch(r -> new StoreView.Latest(r.value1(), r.value2(), r.value3()));
  }

  public void insert(
      UUID holding,
      UUID id,
      @Nullable UUID house,
      String name,
      boolean planned,
      StoreDesign design,
      Instant now) {
    db.insertInto(HEAT_STORE)
        .set(HEAT_STORE.ID, id)
        .set(HEAT_STORE.HOLDING_ID, holding)
        .set(HEAT_STORE.GREENHOUSE_ID, house)
        .set(HEAT_STORE.NAME, name)
        .set(HEAT_STORE.PLANNED, planned)
        .set(HEAT_STORE.DESIGN, json.write(design))
        .set(HEAT_STORE.UPDATED_AT, now)
        .onConflictDoNothing()
        .execute();
  }

  public boolean update(
      UUID holding,
      UUID id,
      @Nullable UUID house,
      String name,
      boolean planned,
      StoreDesign design,
      int version,
      Instant now) {
    return db.update(HEAT_STORE)
            .set(HEAT_STORE.GREENHOUSE_ID, house)
            .set(HEAT_STORE.NAME, name)
            .set(HEAT_STORE.PLANNED, planned)
            .set(HEAT_STORE.DESIGN, json.write(design))
            .set(HEAT_STORE.VERSION, HEAT_STORE.VERSION.plus(1))
            .set(HEAT_STORE.UPDATED_AT, now)
            .where(HEAT_STORE.HOLDING_ID.eq(holding))
            .and(HEAT_STORE.ID.eq(id))
            .and(HEAT_STORE.VERSION.eq(version))
            .and(HEAT_STORE.REMOVED_AT.isNull())
            .execute()
        == 1;
  }

  public void remove(UUID holding, UUID id, Instant now) {
    db.update(HEAT_STORE)
        .set(HEAT_STORE.REMOVED_AT, now)
        .where(HEAT_STORE.HOLDING_ID.eq(holding))
        .and(HEAT_STORE.ID.eq(id))
        .execute();
    db.update(PROBE)
        .set(PROBE.REMOVED_AT, now)
        .where(PROBE.HOLDING_ID.eq(holding))
        .and(PROBE.HEAT_STORE_ID.eq(id))
        .and(PROBE.REMOVED_AT.isNull())
        .execute();
  }

  /**
   * Stores and probes of all holdings that were taken away before a moment, with what they read.
   */
  public void forget(Instant before) {
    LongWork.in(db);
    Condition gone = PROBE.REMOVED_AT.lt(before).andNot(satOnce());
    db.deleteFrom(READING)
        .where(READING.PROBE_ID.in(select(PROBE.ID).from(PROBE).where(gone)))
        .execute();
    db.deleteFrom(PROBE).where(gone).execute();
    db.deleteFrom(HEAT_STORE).where(HEAT_STORE.REMOVED_AT.lt(before)).execute();
  }

  /** Of a probe that told how a store that is there still was before it was changed. */
  private static Condition satOnce() {
    return exists(
        selectOne()
            .from(ARRANGEMENT)
            .join(HEAT_STORE)
            .on(HEAT_STORE.ID.eq(ARRANGEMENT.HEAT_STORE_ID))
            .where(HEAT_STORE.ID.eq(PROBE.HEAT_STORE_ID))
            .and(HEAT_STORE.REMOVED_AT.isNull())
            .and(
                "{0} @> jsonb_build_array(jsonb_build_object('id', {1}))",
                ARRANGEMENT.PROBES, PROBE.ID));
  }

  /** As it was once, whatever it is now; its probes follow by {@link #saveProbes}. */
  public void restore(
      UUID holding,
      UUID id,
      @Nullable UUID house,
      String name,
      boolean planned,
      StoreDesign design,
      Instant now) {
    db.update(HEAT_STORE)
        .set(HEAT_STORE.GREENHOUSE_ID, house)
        .set(HEAT_STORE.NAME, name)
        .set(HEAT_STORE.PLANNED, planned)
        .set(HEAT_STORE.DESIGN, json.write(design))
        .set(HEAT_STORE.VERSION, HEAT_STORE.VERSION.plus(1))
        .set(HEAT_STORE.UPDATED_AT, now)
        .setNull(HEAT_STORE.REMOVED_AT)
        .where(HEAT_STORE.HOLDING_ID.eq(holding))
        .and(HEAT_STORE.ID.eq(id))
        .execute();
  }

  /** Makes the store's probes those given; a probe left out goes, its readings stay. */
  public void saveProbes(
      UUID holding, UUID store, @Nullable UUID house, List<ProbeView> probes, Instant now) {
    db.update(PROBE)
        .set(PROBE.REMOVED_AT, now)
        .where(PROBE.HOLDING_ID.eq(holding))
        .and(PROBE.HEAT_STORE_ID.eq(store))
        .and(PROBE.ID.notIn(probes.stream().map(ProbeView::id).toList()))
        .and(PROBE.REMOVED_AT.isNull())
        .execute();
    int rank = 0;
    for (ProbeView p : probes) {
      int kept =
          db.insertInto(PROBE)
              .set(PROBE.ID, p.id())
              .set(PROBE.HOLDING_ID, holding)
              .set(PROBE.HEAT_STORE_ID, store)
              .set(PROBE.GREENHOUSE_ID, house)
              .set(PROBE.KIND, p.kind().name())
              .set(PROBE.NAME, p.name())
              .set(PROBE.RADIUS_FRACTION, p.radiusFraction())
              .set(PROBE.HEIGHT_FRACTION, p.heightFraction())
              .set(PROBE.RANK, rank)
              .onConflict(PROBE.ID)
              .doUpdate()
              .setNull(PROBE.REMOVED_AT)
              .set(PROBE.GREENHOUSE_ID, house)
              .set(PROBE.KIND, p.kind().name())
              .set(PROBE.NAME, p.name())
              .set(PROBE.RADIUS_FRACTION, p.radiusFraction())
              .set(PROBE.HEIGHT_FRACTION, p.heightFraction())
              .set(PROBE.RANK, rank)
              .where(PROBE.HOLDING_ID.eq(holding))
              .and(PROBE.HEAT_STORE_ID.eq(store))
              .execute();
      if (kept == 0) {
        throw Problem.knownId("probe");
      }
      rank++;
    }
  }

  /** How stores were before, in the order of time. */
  public Map<UUID, List<Arrangement>> earlier(UUID holding) {
    return db.selectFrom(ARRANGEMENT)
        .where(ARRANGEMENT.HOLDING_ID.eq(holding))
        .orderBy(ARRANGEMENT.UNTIL)
        .fetchGroups(ARRANGEMENT.HEAT_STORE_ID, r -> earlier(r.into(ARRANGEMENT)));
  }

  private Arrangement earlier(ArrangementRecord r) {
    return new Arrangement(
        r.getUntil(),
        r.getGreenhouseId(),
        json.read(r.getDesign(), StoreDesign.class),
        List.of(json.read(r.getProbes(), ProbeView[].class)));
  }

  public void saveEarlier(UUID holding, UUID store, List<Arrangement> earlier) {
    db.deleteFrom(ARRANGEMENT)
        .where(ARRANGEMENT.HOLDING_ID.eq(holding))
        .and(ARRANGEMENT.HEAT_STORE_ID.eq(store))
        .execute();
    for (Arrangement a : earlier) {
      db.insertInto(ARRANGEMENT)
          .set(ARRANGEMENT.HEAT_STORE_ID, store)
          .set(ARRANGEMENT.HOLDING_ID, holding)
          .set(ARRANGEMENT.UNTIL, a.until())
          .set(ARRANGEMENT.GREENHOUSE_ID, a.houseId())
          .set(ARRANGEMENT.DESIGN, json.write(a.design()))
          .set(ARRANGEMENT.PROBES, json.write(a.probes()))
          .execute();
    }
  }

  private StoredStore map(HeatStoreRecord r) {
    return new StoredStore(
        r.getId(),
        r.getGreenhouseId(),
        r.getName(),
        r.getPlanned(),
        r.getVersion(),
        json.read(r.getDesign(), StoreDesign.class));
  }

  private static ProbeView probe(ProbeRecord r) {
    return new ProbeView(
        r.getId(),
        ProbeView.Kind.valueOf(r.getKind()),
        r.getName(),
        r.getRadiusFraction(),
        r.getHeightFraction());
  }
}
