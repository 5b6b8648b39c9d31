package nightbank.server.night.internal;

import static nightbank.db.Tables.PUT_AWAY;

import java.util.Set;
import java.util.UUID;
import nightbank.core.friend.Rule;
import nightbank.server.night.Noticing.PutAway;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Remarks that people do not want to be told again. */
@Repository
public class PutAwayRepository {
  private final DSLContext db;

  PutAwayRepository(DSLContext db) {
    this.db = db;
  }

  public Set<PutAway> all(UUID holding, UUID person) {
    return db.select(PUT_AWAY.RULE, PUT_AWAY.SUBJECT)
        .from(PUT_AWAY)
        .where(PUT_AWAY.HOLDING_ID.eq(holding))
        .and(PUT_AWAY.PERSON_ID.eq(person))
        .fetchSet(r -> new PutAway(Rule.valueOf(r.value1()), r.value2()));
  }

  public void add(UUID holding, UUID person, PutAway what) {
    db.insertInto(PUT_AWAY)
        .set(PUT_AWAY.HOLDING_ID, holding)
        .set(PUT_AWAY.PERSON_ID, person)
        .set(PUT_AWAY.RULE, what.rule().name())
        .set(PUT_AWAY.SUBJECT, what.subject())
        .onConflictDoNothing()
        .execute();
  }

  public void clear(UUID holding, UUID person) {
    db.deleteFrom(PUT_AWAY)
        .where(PUT_AWAY.HOLDING_ID.eq(holding))
        .and(PUT_AWAY.PERSON_ID.eq(person))
        .execute();
  }
}
