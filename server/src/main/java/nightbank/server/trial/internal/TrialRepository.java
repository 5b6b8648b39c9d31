package nightbank.server.trial.internal;

import static nightbank.db.Tables.TRIAL;
import static nightbank.db.Tables.TRIAL_RUN;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import nightbank.server.trial.Trials.Sided;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Trials and their runs. */
@Repository
public class TrialRepository {
  private static final int MOST = 200;

  private final DSLContext db;

  TrialRepository(DSLContext db) {
    this.db = db;
  }

  /** A trial with its runs in order; fewer than two when runs have been taken away. */
  public record Kept(UUID id, String name, Instant createdAt, List<Sided> runs) {}

  public List<Kept> all(UUID holding) {
    return fetch(TRIAL.HOLDING_ID.eq(holding));
  }

  public Optional<Kept> find(UUID holding, UUID id) {
    return fetch(TRIAL.HOLDING_ID.eq(holding).and(TRIAL.ID.eq(id))).stream().findFirst();
  }

  private List<Kept> fetch(Condition which) {
    var trials =
        db.selectFrom(TRIAL).where(which).orderBy(TRIAL.CREATED_AT.desc()).limit(MOST).fetch();
    Map<UUID, List<Sided>> runs =
        db.selectFrom(TRIAL_RUN)
            .where(TRIAL_RUN.TRIAL_ID.in(trials.getValues(TRIAL.ID)))
            .orderBy(TRIAL_RUN.PLACE)
            .fetchGroups(TRIAL_RUN.TRIAL_ID, r -> new Sided(r.getRunId(), r.getSide()));
    return trials.map(
        t ->
            new Kept(
                t.getId(), t.getName(), t.getCreatedAt(), runs.getOrDefault(t.getId(), List.of())));
  }

  /** Keeps or changes; false when the id belongs to another holding. */
  public boolean save(UUID holding, UUID id, String name, List<Sided> runs, Instant now) {
    int kept =
        db.insertInto(TRIAL)
            .set(TRIAL.ID, id)
            .set(TRIAL.HOLDING_ID, holding)
            .set(TRIAL.NAME, name)
            .set(TRIAL.CREATED_AT, now)
            .onConflict(TRIAL.ID)
            .doUpdate()
            .set(TRIAL.NAME, name)
            .where(TRIAL.HOLDING_ID.eq(holding))
            .execute();
    if (kept == 0) {
      return false;
    }
    db.deleteFrom(TRIAL_RUN).where(TRIAL_RUN.TRIAL_ID.eq(id)).execute();
    for (int i = 0; i < runs.size(); i++) {
      db.insertInto(TRIAL_RUN)
          .set(TRIAL_RUN.TRIAL_ID, id)
          .set(TRIAL_RUN.RUN_ID, runs.get(i).runId())
          .set(TRIAL_RUN.HOLDING_ID, holding)
          .set(TRIAL_RUN.SIDE, runs.get(i).side().strip())
          .set(TRIAL_RUN.PLACE, i)
          .execute();
    }
    return true;
  }

  public void delete(UUID holding, UUID id) {
    db.deleteFrom(TRIAL).where(TRIAL.HOLDING_ID.eq(holding)).and(TRIAL.ID.eq(id)).execute();
  }
}
