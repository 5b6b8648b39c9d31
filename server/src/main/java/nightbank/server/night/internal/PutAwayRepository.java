package nightbank.server.night.internal;

import static nightbank.db.Tables.PUT_AWAY;

import java.util.Set;
import java.util.UUID;
import nightbank.core.friend.Rule;
import org.jooq.DSLContext;
import org.jooq.Records;
import org.springframework.stereotype.Repository;

/** Remarks that people do not want to be told again. */
@Repository
public class PutAwayRepository {
  private final DSLContext db;

  PutAwayRepository(DSLContext db) {
    this.db = db;
  }

  /** A rule, of something. */
  public record PutAway(String rule, UUID subject) {}

  public Set<PutAway> all(UUID holding, UUID person) {
    return db.select(PUT_AWAY.RULE, PUT_AWAY.SUBJECT)
        .from(PUT_AWAY)
        .where(PUT_AWAY.HOLDING_ID.eq(holding))
        .and(PUT_AWAY.PERSON_ID.eq(person))
        .fetchSet(Records.mapping(PutAway::new));
  }

  public void add(UUID holding, UUID person, Rule rule, UUID subject) {
    db.insertInto(PUT_AWAY)
        .set(PUT_AWAY.HOLDING_ID, holding)
        .set(PUT_AWAY.PERSON_ID, person)
        .set(PUT_AWAY.RULE, rule.name())
        .set(PUT_AWAY.SUBJECT, subject)
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
