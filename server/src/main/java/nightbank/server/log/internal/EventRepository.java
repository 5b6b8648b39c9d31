package nightbank.server.log.internal;

import static nightbank.db.Tables.EVENT;
import static nightbank.db.Tables.HEAT_STORE;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import nightbank.db.tables.records.EventRecord;
import nightbank.server.log.EventView;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Things done and seen. */
@Repository
public class EventRepository {
  private final DSLContext db;

  EventRepository(DSLContext db) {
    this.db = db;
  }

  public List<EventView> between(UUID holding, Instant from, Instant to) {
    return db.selectFrom(EVENT)
        .where(EVENT.HOLDING_ID.eq(holding))
        .and(EVENT.AT.between(from, to))
        .orderBy(EVENT.AT)
        .limit(2000)
        .fetch(EventRepository::view);
  }

  /** The latest of one kind that say which way, of a store or of all, in their order. */
  public List<EventView> switched(UUID holding, UUID store, EventView.Kind kind, Instant to) {
    return db.selectFrom(EVENT)
        .where(EVENT.HOLDING_ID.eq(holding))
        .and(EVENT.KIND.eq(kind.name()))
        .and(EVENT.WAY.isNotNull())
        .and(EVENT.STORE_ID.eq(store).or(EVENT.STORE_ID.isNull()))
        .and(EVENT.AT.le(to))
        .orderBy(EVENT.AT.desc())
        .limit(2000)
        .fetch()
        .sortAsc(EVENT.AT)
        .map(EventRepository::view);
  }

  private static EventView view(EventRecord r) {
    return new EventView(
        r.getId(),
        r.getStoreId(),
        EventView.Kind.valueOf(r.getKind()),
        r.getWay() == null ? null : EventView.Way.valueOf(r.getWay()),
        r.getAt(),
        r.getNote(),
        r.getAmount(),
        r.getMoisture());
  }

  public boolean storeBelongs(UUID holding, UUID store) {
    return db.fetchExists(
        HEAT_STORE, HEAT_STORE.HOLDING_ID.eq(holding).and(HEAT_STORE.ID.eq(store)));
  }

  public void insert(UUID holding, EventView e) {
    db.insertInto(EVENT)
        .set(EVENT.ID, e.id())
        .set(EVENT.HOLDING_ID, holding)
        .set(EVENT.STORE_ID, e.storeId())
        .set(EVENT.KIND, e.kind().name())
        .set(EVENT.WAY, way(e))
        .set(EVENT.AT, e.at())
        .set(EVENT.NOTE, e.note())
        .set(EVENT.AMOUNT, e.amount())
        .set(EVENT.MOISTURE, e.moisture())
        .onConflictDoNothing()
        .execute();
  }

  public boolean update(UUID holding, EventView e) {
    return db.update(EVENT)
            .set(EVENT.STORE_ID, e.storeId())
            .set(EVENT.KIND, e.kind().name())
            .set(EVENT.WAY, way(e))
            .set(EVENT.AT, e.at())
            .set(EVENT.NOTE, e.note())
            .set(EVENT.AMOUNT, e.amount())
            .set(EVENT.MOISTURE, e.moisture())
            .where(EVENT.HOLDING_ID.eq(holding))
            .and(EVENT.ID.eq(e.id()))
            .execute()
        == 1;
  }

  private static String way(EventView e) {
    return e.way() == null ? null : e.way().name();
  }

  public void delete(UUID holding, UUID id) {
    db.deleteFrom(EVENT).where(EVENT.HOLDING_ID.eq(holding)).and(EVENT.ID.eq(id)).execute();
  }
}
