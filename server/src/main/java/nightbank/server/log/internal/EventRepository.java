package nightbank.server.log.internal;

import static nightbank.db.Tables.EVENT;
import static nightbank.db.Tables.HEAT_STORE;
import static org.jooq.impl.DSL.field;
import static org.jooq.impl.DSL.select;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import nightbank.core.evidence.EventKind;
import nightbank.db.tables.records.EventRecord;
import nightbank.server.log.EventView;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Things done and seen. */
@Repository
public class EventRepository {
  private static final int MOST = 20_000;

  private final DSLContext db;

  EventRepository(DSLContext db) {
    this.db = db;
  }

  /** Those of a span in their order; of more than so many the newest. */
  public List<EventView> between(UUID holding, Instant from, Instant to) {
    return newest(EVENT.HOLDING_ID.eq(holding).and(EVENT.AT.between(from, to)));
  }

  public List<EventView> counted(
      UUID holding, UUID store, Collection<EventKind> kinds, Instant from, Instant to) {
    Condition own =
        EVENT
            .HOLDING_ID
            .eq(holding)
            .and(EVENT.STORE_ID.eq(store).or(EVENT.STORE_ID.isNull()))
            .and(EVENT.KIND.in(kinds.stream().map(EventKind::name).toList()));
    var before =
        db.select()
            .distinctOn(EVENT.KIND)
            .from(EVENT)
            .where(own)
            .and(EVENT.AT.lt(from))
            .and(EVENT.WAY.isNotNull())
            .orderBy(EVENT.KIND, EVENT.AT.desc(), EVENT.SEQ.desc());
    return db.selectFrom(EVENT)
        .where(own)
        .and(
            EVENT
                .AT
                .between(from, to)
                .or(EVENT.ID.in(select(field("id", UUID.class)).from(before))))
        .orderBy(EVENT.AT, EVENT.SEQ)
        .fetch(EventRepository::view);
  }

  /** Those of some kinds in their order; of more than so many the newest. */
  public List<EventView> ofKinds(
      UUID holding, Collection<EventKind> kinds, Instant from, Instant to) {
    return newest(
        EVENT
            .HOLDING_ID
            .eq(holding)
            .and(EVENT.KIND.in(kinds.stream().map(EventKind::name).toList()))
            .and(EVENT.AT.between(from, to)));
  }

  private List<EventView> newest(Condition which) {
    return db.selectFrom(EVENT)
        .where(which)
        .orderBy(EVENT.AT.desc(), EVENT.SEQ.desc())
        .limit(MOST)
        .fetch()
        .sortAsc(EVENT.SEQ)
        .sortAsc(EVENT.AT)
        .map(EventRepository::view);
  }

  public Optional<EventView> find(UUID holding, UUID id) {
    return db.selectFrom(EVENT)
        .where(EVENT.HOLDING_ID.eq(holding))
        .and(EVENT.ID.eq(id))
        .fetchOptional(EventRepository::view);
  }

  private static EventView view(EventRecord r) {
    return new EventView(
        r.getId(),
        r.getStoreId(),
        EventKind.valueOf(r.getKind()),
        r.getWay() == null ? null : EventKind.Way.valueOf(r.getWay()),
        r.getAt(),
        r.getNote(),
        r.getAmount(),
        r.getMoisture());
  }

  public boolean storeBelongs(UUID holding, UUID store) {
    return db.fetchExists(
        HEAT_STORE,
        HEAT_STORE
            .HOLDING_ID
            .eq(holding)
            .and(HEAT_STORE.ID.eq(store))
            .and(HEAT_STORE.REMOVED_AT.isNull()));
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

  private static @Nullable String way(EventView e) {
    return e.way() == null ? null : e.way().name();
  }

  public void delete(UUID holding, UUID id) {
    db.deleteFrom(EVENT).where(EVENT.HOLDING_ID.eq(holding)).and(EVENT.ID.eq(id)).execute();
  }
}
