package nightbank.server.job.internal;

import static nightbank.db.Tables.JOB;
import static nightbank.db.Tables.JOB_TURN;
import static org.jooq.impl.DSL.field;
import static org.jooq.impl.DSL.inline;
import static org.jooq.impl.DSL.val;
import static org.jooq.impl.DSL.when;

import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.UUID;
import nightbank.db.tables.records.JobRecord;
import nightbank.server.job.JobKind;
import nightbank.server.job.JobView;
import nightbank.server.shared.SoonKept;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.JSONB;
import org.jooq.Query;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Work that waits, is under way, or has ended. All times are the database's: nodes share it. */
@Repository
public class JobRepository {
  private static final Field<Instant> NOW = field("now()", Instant.class);
  private static final Duration AGAIN = Duration.ofSeconds(20);
  private static final List<String> OPEN =
      List.of(JobView.State.WAITING.name(), JobView.State.RUNNING.name());

  /**
   * The next one: what nobody is at, or what a node that has said nothing for so long was at. Of
   * those, what comes first by kind, of the holding that has waited longest for a turn; of that,
   * what was asked for first, or, of what is done ahead, last.
   */
  private static final String CLAIM =
      """
      UPDATE job SET state = 'RUNNING', node = ?, alive_at = now(), tries = tries + 1
       WHERE id = (SELECT j.id FROM job j LEFT JOIN job_turn t ON t.holding_id = j.holding_id
                    WHERE j.kind = ANY(?::text[])
                      AND (j.state = 'WAITING' OR j.state = 'RUNNING' AND j.alive_at < now() - ?::interval)
                    ORDER BY array_position(?::text[], j.kind), t.at NULLS FIRST,
                             CASE WHEN ? THEN j.asked_at END DESC, j.asked_at, j.rank
                      FOR UPDATE OF j SKIP LOCKED LIMIT 1)
      RETURNING id, holding_id, kind, subject, asked, tries
      """;

  private final DSLContext db;

  JobRepository(DSLContext db) {
    this.db = db;
  }

  /** What a node has taken. */
  public record Claimed(
      UUID id, UUID holding, JobKind kind, String subject, JSONB asked, int tries) {}

  /** Its id; that of the one which is open already, where there is one. */
  public UUID ask(UUID id, UUID holding, JobKind kind, String subject, JSONB asked) {
    return db.insertInto(JOB)
        .set(JOB.ID, id)
        .set(JOB.HOLDING_ID, holding)
        .set(JOB.KIND, kind.name())
        .set(JOB.SUBJECT, subject)
        .set(JOB.ASKED, asked)
        .set(JOB.STATE, JobView.State.WAITING.name())
        .onConflict(JOB.HOLDING_ID, JOB.KIND, JOB.SUBJECT)
        .where(JOB.STATE.in(inline("WAITING"), inline("RUNNING")))
        .doUpdate()
        .set(JOB.SUBJECT, subject)
        .returning(JOB.ID)
        .fetchSingle(JOB.ID);
  }

  /**
   * What is asked for again, because somebody still looks on, comes before what was asked for
   * earlier.
   *
   * @return how many are written anew
   */
  public int askAll(UUID holding, JobKind kind, List<String> subjects, List<JSONB> asked) {
    SortedMap<String, Query> rows = new TreeMap<>(); // in one order, so that none waits crosswise
    for (int i = 0; i < subjects.size(); i++) {
      rows.put(
          subjects.get(i),
          db.insertInto(JOB)
              .set(JOB.ID, UUID.randomUUID())
              .set(JOB.HOLDING_ID, holding)
              .set(JOB.KIND, kind.name())
              .set(JOB.SUBJECT, subjects.get(i))
              .set(JOB.ASKED, asked.get(i))
              .set(JOB.STATE, JobView.State.WAITING.name())
              .set(JOB.RANK, i)
              .onConflict(JOB.HOLDING_ID, JOB.KIND, JOB.SUBJECT)
              .where(JOB.STATE.in(inline("WAITING"), inline("RUNNING")))
              .doUpdate()
              .set(JOB.ASKED_AT, NOW)
              .set(JOB.RANK, i)
              .where(JOB.STATE.eq(JobView.State.WAITING.name()))
              .and(
                  JOB.ASKED_AT.lt(
                      field(
                          "now() - ?::interval", Instant.class, AGAIN.toSeconds() + " seconds"))));
    }
    return Arrays.stream(db.batch(rows.values()).execute()).sum();
  }

  @Transactional
  public Optional<Claimed> claim(
      UUID node, Collection<JobKind> kinds, boolean lastFirst, Duration silence) {
    SoonKept.in(db);
    String[] names = kinds.stream().map(JobKind::name).toArray(String[]::new);
    Optional<Claimed> claimed =
        db.resultQuery(CLAIM, node, names, silence.toSeconds() + " seconds", names, lastFirst)
            .fetchOptional(
                r ->
                    new Claimed(
                        r.get("id", UUID.class),
                        r.get("holding_id", UUID.class),
                        JobKind.valueOf(r.get("kind", String.class)),
                        r.get("subject", String.class),
                        r.get("asked", JSONB.class),
                        r.get("tries", Integer.class)));
    claimed.ifPresent(
        c ->
            db.insertInto(JOB_TURN)
                .set(JOB_TURN.HOLDING_ID, c.holding())
                .set(JOB_TURN.AT, NOW)
                .onConflict(JOB_TURN.HOLDING_ID)
                .doUpdate()
                .set(JOB_TURN.AT, NOW)
                .execute());
    return claimed;
  }

  /** Says that a node is still at a piece of work, and how far; false when it shall leave it. */
  public boolean beat(UUID id, UUID node, @Nullable JSONB progress) {
    return db.update(JOB)
        .set(JOB.ALIVE_AT, NOW)
        .set(JOB.PROGRESS, progress == null ? JOB.PROGRESS : val(progress, JOB.PROGRESS))
        .where(JOB.ID.eq(id))
        .and(JOB.NODE.eq(node))
        .and(JOB.STATE.eq(JobView.State.RUNNING.name()))
        .returning(JOB.STOP)
        .fetchOptional(JOB.STOP)
        .map(stop -> !stop)
        .orElse(false);
  }

  /** What was done ahead has ended: it would be done again. */
  @Transactional
  public boolean endAhead(UUID id, UUID node) {
    SoonKept.in(db);
    return end(id, node, JobView.State.DONE, null, "");
  }

  /** False when it is no longer this node's. */
  public boolean end(
      UUID id, UUID node, JobView.State state, @Nullable JSONB result, @Nullable String problem) {
    return db.update(JOB)
            .set(JOB.STATE, state.name())
            .set(JOB.RESULT, result)
            .set(JOB.PROBLEM, problem)
            .set(JOB.ENDED_AT, NOW)
            .where(JOB.ID.eq(id))
            .and(JOB.NODE.eq(node))
            .and(JOB.STATE.eq(JobView.State.RUNNING.name()))
            .execute()
        == 1;
  }

  public boolean askedToStop(UUID id, UUID node) {
    return db.fetchExists(
        JOB,
        JOB.ID
            .eq(id)
            .and(JOB.NODE.eq(node))
            .and(JOB.STATE.eq(JobView.State.RUNNING.name()))
            .and(JOB.STOP));
  }

  /** Back among those that wait, as when its node goes away in an orderly way: that is no try. */
  public void leave(UUID id, UUID node) {
    db.update(JOB)
        .set(JOB.STATE, JobView.State.WAITING.name())
        .setNull(JOB.NODE)
        .set(JOB.TRIES, JOB.TRIES.minus(1))
        .where(JOB.ID.eq(id))
        .and(JOB.NODE.eq(node))
        .and(JOB.STATE.eq(JobView.State.RUNNING.name()))
        .execute();
  }

  /** Ends at once what nobody is at; whoever is at it is told to leave it. */
  public void stop(UUID holding, UUID id) {
    db.update(JOB)
        .set(JOB.STOP, true)
        .set(
            JOB.STATE,
            when(JOB.STATE.eq(JobView.State.WAITING.name()), JobView.State.STOPPED.name())
                .otherwise(JOB.STATE))
        .set(
            JOB.ENDED_AT,
            when(JOB.STATE.eq(JobView.State.WAITING.name()), NOW).otherwise(JOB.ENDED_AT))
        .where(JOB.HOLDING_ID.eq(holding))
        .and(JOB.ID.eq(id))
        .execute();
  }

  public Optional<JobView> find(UUID holding, JobKind kind, UUID id) {
    return db.selectFrom(JOB)
        .where(JOB.HOLDING_ID.eq(holding))
        .and(JOB.KIND.eq(kind.name()))
        .and(JOB.ID.eq(id))
        .fetchOptional(JobRepository::view);
  }

  public Optional<JobView> latest(UUID holding, JobKind kind, String subject) {
    return db.selectFrom(JOB)
        .where(JOB.HOLDING_ID.eq(holding))
        .and(JOB.KIND.eq(kind.name()))
        .and(JOB.SUBJECT.eq(subject))
        .and(JOB.STATE.in(OPEN).or(JOB.STATE.eq(JobView.State.DONE.name())))
        .orderBy(JOB.ASKED_AT.desc())
        .limit(1)
        .fetchOptional(JobRepository::view);
  }

  /** Those of a kind that wait or are under way. */
  public List<JobView> open(UUID holding, JobKind kind) {
    return db.selectFrom(JOB)
        .where(JOB.HOLDING_ID.eq(holding))
        .and(JOB.KIND.eq(kind.name()))
        .and(JOB.STATE.in(OPEN))
        .fetch(JobRepository::view);
  }

  public void forgetEnded(Duration after) {
    db.deleteFrom(JOB)
        .where(
            JOB.ENDED_AT.lt(
                field("now() - ?::interval", Instant.class, after.toSeconds() + " seconds")))
        .execute();
  }

  private static JobView view(JobRecord r) {
    return new JobView(
        r.getId(),
        r.getSubject(),
        JobView.State.valueOf(r.getState()),
        r.getStop(),
        r.getAsked(),
        r.getProgress(),
        r.getResult(),
        r.getProblem());
  }
}
