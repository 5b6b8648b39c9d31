package nightbank.server.house.internal;

import static nightbank.db.Tables.GREENHOUSE;
import static nightbank.db.Tables.PROBE;
import static nightbank.db.Tables.READING;
import static org.jooq.impl.DSL.select;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import nightbank.db.tables.records.GreenhouseRecord;
import nightbank.server.house.HouseDesign;
import nightbank.server.house.Houses;
import nightbank.server.shared.Json;
import org.jooq.DSLContext;
import org.jooq.Records;
import org.springframework.stereotype.Repository;

/** Houses of a holding. */
@Repository
public class HouseRepository {
  private final DSLContext db;
  private final Json json;

  HouseRepository(DSLContext db, Json json) {
    this.db = db;
    this.json = json;
  }

  /** A house as stored. */
  public record StoredHouse(UUID id, String name, int version, HouseDesign design) {}

  public List<StoredHouse> all(UUID holding) {
    return db.selectFrom(GREENHOUSE)
        .where(GREENHOUSE.HOLDING_ID.eq(holding))
        .and(GREENHOUSE.REMOVED_AT.isNull())
        .orderBy(GREENHOUSE.NAME)
        .fetch(this::map);
  }

  public List<Houses.Where> newest(int most) {
    return db.select(GREENHOUSE.HOLDING_ID, GREENHOUSE.ID)
        .from(GREENHOUSE)
        .where(GREENHOUSE.REMOVED_AT.isNull())
        .orderBy(GREENHOUSE.UPDATED_AT.desc())
        .limit(most)
        .fetch(Records.mapping(Houses.Where::new));
  }

  public Optional<StoredHouse> find(UUID holding, UUID id) {
    return db.selectFrom(GREENHOUSE)
        .where(GREENHOUSE.HOLDING_ID.eq(holding))
        .and(GREENHOUSE.ID.eq(id))
        .and(GREENHOUSE.REMOVED_AT.isNull())
        .fetchOptional(this::map);
  }

  public void insert(UUID holding, UUID id, String name, HouseDesign design, Instant now) {
    db.insertInto(GREENHOUSE)
        .set(GREENHOUSE.ID, id)
        .set(GREENHOUSE.HOLDING_ID, holding)
        .set(GREENHOUSE.NAME, name)
        .set(GREENHOUSE.DESIGN, json.write(design))
        .set(GREENHOUSE.UPDATED_AT, now)
        .onConflictDoNothing()
        .execute();
  }

  public boolean update(
      UUID holding, UUID id, String name, HouseDesign design, int version, Instant now) {
    return db.update(GREENHOUSE)
            .set(GREENHOUSE.NAME, name)
            .set(GREENHOUSE.DESIGN, json.write(design))
            .set(GREENHOUSE.VERSION, GREENHOUSE.VERSION.plus(1))
            .set(GREENHOUSE.UPDATED_AT, now)
            .where(GREENHOUSE.HOLDING_ID.eq(holding))
            .and(GREENHOUSE.ID.eq(id))
            .and(GREENHOUSE.VERSION.eq(version))
            .and(GREENHOUSE.REMOVED_AT.isNull())
            .execute()
        == 1;
  }

  public void remove(UUID holding, UUID id, Instant now) {
    db.update(GREENHOUSE)
        .set(GREENHOUSE.REMOVED_AT, now)
        .where(GREENHOUSE.HOLDING_ID.eq(holding))
        .and(GREENHOUSE.ID.eq(id))
        .execute();
  }

  /** Those of all holdings that were taken away before a moment. */
  /** With its own thermometers and what they read; a store's probes only hang in it no more. */
  public void forget(Instant before) {
    var gone = select(GREENHOUSE.ID).from(GREENHOUSE).where(GREENHOUSE.REMOVED_AT.lt(before));
    db.update(PROBE)
        .setNull(PROBE.GREENHOUSE_ID)
        .where(PROBE.GREENHOUSE_ID.in(gone))
        .and(PROBE.HEAT_STORE_ID.isNotNull())
        .execute();
    db.deleteFrom(READING)
        .where(
            READING.PROBE_ID.in(select(PROBE.ID).from(PROBE).where(PROBE.GREENHOUSE_ID.in(gone))))
        .execute();
    db.deleteFrom(GREENHOUSE).where(GREENHOUSE.REMOVED_AT.lt(before)).execute();
  }

  /** As it was once, whatever it is now. */
  public void restore(UUID holding, UUID id, String name, HouseDesign design, Instant now) {
    db.update(GREENHOUSE)
        .set(GREENHOUSE.NAME, name)
        .set(GREENHOUSE.DESIGN, json.write(design))
        .set(GREENHOUSE.VERSION, GREENHOUSE.VERSION.plus(1))
        .set(GREENHOUSE.UPDATED_AT, now)
        .setNull(GREENHOUSE.REMOVED_AT)
        .where(GREENHOUSE.HOLDING_ID.eq(holding))
        .and(GREENHOUSE.ID.eq(id))
        .execute();
  }

  private StoredHouse map(GreenhouseRecord r) {
    return new StoredHouse(
        r.getId(), r.getName(), r.getVersion(), json.read(r.getDesign(), HouseDesign.class));
  }
}
