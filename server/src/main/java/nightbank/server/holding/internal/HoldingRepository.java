package nightbank.server.holding.internal;

import static nightbank.db.Tables.HOLDING;
import static nightbank.db.Tables.MEMBERSHIP;
import static nightbank.db.Tables.PERSON;
import static org.jooq.Records.mapping;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import nightbank.server.holding.HoldingView;
import nightbank.server.holding.MemberView;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Holdings and who belongs to them. */
@Repository
public class HoldingRepository {
  private final DSLContext db;

  HoldingRepository(DSLContext db) {
    this.db = db;
  }

  public Optional<HoldingView> find(UUID id) {
    return db.select(HOLDING.ID, HOLDING.NAME, HOLDING.LATITUDE, HOLDING.LONGITUDE, HOLDING.ZONE)
        .from(HOLDING)
        .where(HOLDING.ID.eq(id))
        .fetchOptional(mapping(HoldingView::new));
  }

  public void save(HoldingView h, Instant now) {
    db.insertInto(HOLDING)
        .set(HOLDING.ID, h.id())
        .set(HOLDING.NAME, h.name())
        .set(HOLDING.LATITUDE, h.latitude())
        .set(HOLDING.LONGITUDE, h.longitude())
        .set(HOLDING.ZONE, h.zone())
        .set(HOLDING.CREATED_AT, now)
        .onConflict(HOLDING.ID)
        .doUpdate()
        .set(HOLDING.NAME, h.name())
        .set(HOLDING.LATITUDE, h.latitude())
        .set(HOLDING.LONGITUDE, h.longitude())
        .set(HOLDING.ZONE, h.zone())
        .execute();
  }

  /** Held until the transaction ends, so that of two who leave at once one stays. */
  public void lock(UUID id) {
    db.select(HOLDING.ID).from(HOLDING).where(HOLDING.ID.eq(id)).forUpdate().fetch();
  }

  public List<MemberView> members(UUID holding) {
    return db.select(PERSON.ID, PERSON.LOGIN, PERSON.NAME, MEMBERSHIP.ROLE)
        .from(MEMBERSHIP)
        .join(PERSON)
        .on(PERSON.ID.eq(MEMBERSHIP.PERSON_ID))
        .where(MEMBERSHIP.HOLDING_ID.eq(holding))
        .and(MEMBERSHIP.ENDS_AT.isNull())
        .orderBy(PERSON.NAME)
        .fetch(mapping(MemberView::of));
  }
}
