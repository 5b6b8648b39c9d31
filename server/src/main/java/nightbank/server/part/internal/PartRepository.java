package nightbank.server.part.internal;

import static nightbank.db.Tables.HEAT_STORE;
import static nightbank.db.Tables.PLANT_PART;
import static org.jooq.impl.DSL.condition;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import nightbank.db.tables.records.PlantPartRecord;
import nightbank.server.part.PartDesign;
import nightbank.server.part.PartView;
import nightbank.server.shared.Json;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Sources, circuits and heat pumps as stored. */
@Repository
public class PartRepository {
  private final DSLContext db;
  private final Json json;

  PartRepository(DSLContext db, Json json) {
    this.db = db;
    this.json = json;
  }

  public List<PartView> all(UUID holding) {
    return db.selectFrom(PLANT_PART)
        .where(PLANT_PART.HOLDING_ID.eq(holding))
        .orderBy(PLANT_PART.NAME, PLANT_PART.ID)
        .fetch(this::map);
  }

  public Optional<PartView> find(UUID holding, UUID id) {
    return db.selectFrom(PLANT_PART)
        .where(PLANT_PART.HOLDING_ID.eq(holding))
        .and(PLANT_PART.ID.eq(id))
        .fetchOptional(this::map);
  }

  public void insert(UUID holding, PartView p, Instant now) {
    db.insertInto(PLANT_PART)
        .set(PLANT_PART.ID, p.id())
        .set(PLANT_PART.HOLDING_ID, holding)
        .set(PLANT_PART.GREENHOUSE_ID, p.houseId())
        .set(PLANT_PART.NAME, p.name())
        .set(PLANT_PART.KIND, p.kind())
        .set(PLANT_PART.DESIGN, json.write(p.design()))
        .set(PLANT_PART.UPDATED_AT, now)
        .onConflictDoNothing()
        .execute();
  }

  public boolean update(UUID holding, PartView p, Instant now) {
    return db.update(PLANT_PART)
            .set(PLANT_PART.GREENHOUSE_ID, p.houseId())
            .set(PLANT_PART.NAME, p.name())
            .set(PLANT_PART.KIND, p.kind())
            .set(PLANT_PART.DESIGN, json.write(p.design()))
            .set(PLANT_PART.VERSION, PLANT_PART.VERSION.plus(1))
            .set(PLANT_PART.UPDATED_AT, now)
            .where(PLANT_PART.HOLDING_ID.eq(holding))
            .and(PLANT_PART.ID.eq(p.id()))
            .and(PLANT_PART.VERSION.eq(p.version()))
            .execute()
        == 1;
  }

  public boolean remove(UUID holding, UUID id) {
    return db.deleteFrom(PLANT_PART)
            .where(PLANT_PART.HOLDING_ID.eq(holding))
            .and(PLANT_PART.ID.eq(id))
            .execute()
        == 1;
  }

  /** Of these stores, those that the holding has. */
  public Set<UUID> stores(UUID holding, Collection<UUID> ids) {
    return db.select(HEAT_STORE.ID)
        .from(HEAT_STORE)
        .where(HEAT_STORE.HOLDING_ID.eq(holding))
        .and(HEAT_STORE.REMOVED_AT.isNull())
        .and(HEAT_STORE.ID.in(ids))
        .fetchSet(HEAT_STORE.ID);
  }

  /** Of these stores, those that something is led through. */
  public Set<UUID> led(UUID holding, Collection<UUID> ids) {
    return db.select(HEAT_STORE.ID)
        .from(HEAT_STORE)
        .where(HEAT_STORE.HOLDING_ID.eq(holding))
        .and(HEAT_STORE.REMOVED_AT.isNull())
        .and(HEAT_STORE.ID.in(ids))
        .and(condition("{0}->'led'->>'way' IS NOT NULL", HEAT_STORE.DESIGN))
        .fetchSet(HEAT_STORE.ID);
  }

  private PartView map(PlantPartRecord r) {
    return new PartView(
        r.getId(),
        r.getName(),
        r.getGreenhouseId(),
        json.read(r.getDesign(), PartDesign.class),
        r.getVersion());
  }
}
