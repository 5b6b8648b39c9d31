package nightbank.server.run.internal;

import static nightbank.db.Tables.BELIEVED_READING;

import java.time.Instant;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Which readings are believed against the cleaning. */
@Repository
public class BeliefRepository {
  private final DSLContext db;

  BeliefRepository(DSLContext db) {
    this.db = db;
  }

  public Map<String, Set<Long>> between(UUID holding, Instant from, Instant to) {
    Map<String, Set<Long>> found = new HashMap<>();
    db.select(BELIEVED_READING.PROBE_ID, BELIEVED_READING.AT)
        .from(BELIEVED_READING)
        .where(BELIEVED_READING.HOLDING_ID.eq(holding))
        .and(BELIEVED_READING.AT.between(from, to))
        .forEach(
            r ->
                found
                    .computeIfAbsent(r.value1().toString(), k -> new HashSet<>())
                    .add(r.value2().getEpochSecond()));
    return found;
  }

  public void believe(UUID holding, UUID probe, Instant at) {
    db.insertInto(BELIEVED_READING)
        .set(BELIEVED_READING.HOLDING_ID, holding)
        .set(BELIEVED_READING.PROBE_ID, probe)
        .set(BELIEVED_READING.AT, at)
        .onConflictDoNothing()
        .execute();
  }

  public void doubt(UUID holding, UUID probe, Instant at) {
    db.deleteFrom(BELIEVED_READING)
        .where(BELIEVED_READING.HOLDING_ID.eq(holding))
        .and(BELIEVED_READING.PROBE_ID.eq(probe))
        .and(BELIEVED_READING.AT.eq(at))
        .execute();
  }
}
