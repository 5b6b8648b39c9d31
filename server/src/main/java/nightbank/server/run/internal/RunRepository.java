package nightbank.server.run.internal;

import static nightbank.db.Tables.RUN;
import static org.jooq.Records.mapping;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import nightbank.server.run.RunView;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Runs of stores. */
@Repository
public class RunRepository {
  private final DSLContext db;

  RunRepository(DSLContext db) {
    this.db = db;
  }

  public List<RunView> all(UUID holding, UUID store) {
    return db.select(RUN.ID, RUN.STORE_ID, RUN.NAME, RUN.FROM_AT, RUN.TO_AT, RUN.IMPORT_ID)
        .from(RUN)
        .where(RUN.HOLDING_ID.eq(holding))
        .and(RUN.STORE_ID.eq(store))
        .orderBy(RUN.FROM_AT.desc())
        .limit(1000)
        .fetch(mapping(RunView::new));
  }

  /** Until the end of this transaction nobody else parts, joins or changes them. */
  public void lock(UUID holding, UUID... ids) {
    db.select(RUN.ID)
        .from(RUN)
        .where(RUN.HOLDING_ID.eq(holding))
        .and(RUN.ID.in(ids))
        .orderBy(RUN.ID)
        .forUpdate()
        .execute();
  }

  public Optional<RunView> find(UUID holding, UUID id) {
    return db.select(RUN.ID, RUN.STORE_ID, RUN.NAME, RUN.FROM_AT, RUN.TO_AT, RUN.IMPORT_ID)
        .from(RUN)
        .where(RUN.HOLDING_ID.eq(holding))
        .and(RUN.ID.eq(id))
        .fetchOptional(mapping(RunView::new));
  }

  public Map<UUID, RunView> some(UUID holding, Collection<UUID> ids) {
    return db.select(RUN.ID, RUN.STORE_ID, RUN.NAME, RUN.FROM_AT, RUN.TO_AT, RUN.IMPORT_ID)
        .from(RUN)
        .where(RUN.HOLDING_ID.eq(holding))
        .and(RUN.ID.in(ids))
        .fetchMap(RUN.ID, mapping(RunView::new));
  }

  public void save(UUID holding, RunView r) {
    db.insertInto(RUN)
        .set(RUN.ID, r.id())
        .set(RUN.HOLDING_ID, holding)
        .set(RUN.STORE_ID, r.storeId())
        .set(RUN.NAME, r.name())
        .set(RUN.FROM_AT, r.from())
        .set(RUN.TO_AT, r.to())
        .set(RUN.IMPORT_ID, r.importId())
        .onConflict(RUN.ID)
        .doUpdate()
        .set(RUN.NAME, r.name())
        .set(RUN.FROM_AT, r.from())
        .set(RUN.TO_AT, r.to())
        .where(RUN.HOLDING_ID.eq(holding))
        .execute();
  }

  public void delete(UUID holding, UUID id) {
    db.deleteFrom(RUN).where(RUN.HOLDING_ID.eq(holding)).and(RUN.ID.eq(id)).execute();
  }
}
