package nightbank.server.run.internal;

import static nightbank.db.Tables.JUDGEMENT;
import static org.jooq.impl.DSL.field;
import static org.jooq.impl.DSL.val;
import static org.jooq.impl.DSL.when;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import nightbank.core.judgement.JudgementInputs;
import nightbank.server.run.JudgedSubject;
import nightbank.server.shared.InputChanged;
import nightbank.server.shared.SoonKept;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.JSONB;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Judgements that are kept, and whether what they rest on has been touched since. */
@Repository
public class JudgementRepository {
  private static final Field<Instant> NOW = field("now()", Instant.class);

  /** In one order, so that two who touch the same judgements never wait for each other. */
  private static final String TOUCH =
      """
      UPDATE judgement SET touches = touches + 1, touched_at = coalesce(touched_at, now()),
             late = late OR NOT ? OR judged_to IS NULL OR judged_to > ?::timestamptz
       WHERE (store_id, kind, subject) IN (
             SELECT store_id, kind, subject FROM judgement
              WHERE holding_id = ? AND rests_to >= ?::timestamptz AND rests_from <= ?::timestamptz AND rests_on && ?::text[]
              ORDER BY store_id, kind, subject FOR UPDATE)
      """;

  private final DSLContext db;

  JudgementRepository(DSLContext db) {
    this.db = db;
  }

  /**
   * What was judged of a day.
   *
   * @param right whether nothing has touched it since, by this code
   * @param late whether something but later readings has
   */
  public record KeptDay(
      LocalDate evening, JSONB result, boolean right, boolean late, Instant touchedAt) {}

  /** A sheet that is right. */
  public Optional<JSONB> sheet(UUID holding, UUID run) {
    return db.select(JUDGEMENT.RESULT)
        .from(JUDGEMENT)
        .where(JUDGEMENT.RUN_ID.eq(run))
        .and(JUDGEMENT.HOLDING_ID.eq(holding))
        .and(JUDGEMENT.JUDGED.eq(JUDGEMENT.TOUCHES))
        .and(JUDGEMENT.CODE.eq(JudgementInputs.VERSION))
        .fetchOptional(JUDGEMENT.RESULT);
  }

  public List<KeptDay> days(UUID holding, UUID store, LocalDate from, LocalDate to) {
    return db.select(
            JUDGEMENT.SUBJECT,
            JUDGEMENT.RESULT,
            JUDGEMENT.JUDGED.eq(JUDGEMENT.TOUCHES),
            JUDGEMENT.LATE,
            JUDGEMENT.TOUCHED_AT)
        .from(JUDGEMENT)
        .where(JUDGEMENT.STORE_ID.eq(store))
        .and(JUDGEMENT.HOLDING_ID.eq(holding))
        .and(JUDGEMENT.KIND.eq(JudgedSubject.Kind.DAY.name()))
        .and(JUDGEMENT.SUBJECT.between(from.toString(), to.toString()))
        .and(JUDGEMENT.CODE.eq(JudgementInputs.VERSION))
        .and(JUDGEMENT.RESULT.isNotNull())
        .fetch(
            r ->
                new KeptDay(
                    LocalDate.parse(r.value1()), r.value2(), r.value3(), r.value4(), r.value5()));
  }

  /**
   * Says what it rests on; from now on whatever of that changes touches it. How often it has been
   * touched so far.
   */
  @Transactional
  public long restsOn(JudgedSubject s, Set<String> keys, Instant from, Instant to) {
    SoonKept.in(db);
    String[] on = keys.toArray(String[]::new);
    return db.insertInto(JUDGEMENT)
        .set(JUDGEMENT.HOLDING_ID, s.holding())
        .set(JUDGEMENT.STORE_ID, s.store())
        .set(JUDGEMENT.KIND, s.kind().name())
        .set(JUDGEMENT.SUBJECT, s.subject())
        .set(JUDGEMENT.RUN_ID, s.run())
        .set(JUDGEMENT.RESTS_ON, on)
        .set(JUDGEMENT.RESTS_FROM, from)
        .set(JUDGEMENT.RESTS_TO, to)
        .onConflict(JUDGEMENT.STORE_ID, JUDGEMENT.KIND, JUDGEMENT.SUBJECT)
        .doUpdate()
        .set(JUDGEMENT.RESTS_ON, on)
        .set(JUDGEMENT.RESTS_FROM, from)
        .set(JUDGEMENT.RESTS_TO, to)
        .returning(JUDGEMENT.TOUCHES)
        .fetchSingle(JUDGEMENT.TOUCHES);
  }

  /** Returns once all who had begun to touch a holding's judgements have ended. */
  @Transactional(propagation = Propagation.REQUIRES_NEW)
  public void awaitWriters(UUID holding) {
    db.execute("SELECT pg_advisory_xact_lock(hashtext(?))", "judgement " + holding);
  }

  /** Right again without being judged: it was judged from the very same inputs. */
  public Optional<JSONB> same(JudgedSubject s, long touches, String fingerprint) {
    return db.update(JUDGEMENT)
        .set(JUDGEMENT.JUDGED, touches)
        .set(JUDGEMENT.LATE, false)
        .setNull(JUDGEMENT.TOUCHED_AT)
        .where(JUDGEMENT.STORE_ID.eq(s.store()))
        .and(JUDGEMENT.KIND.eq(s.kind().name()))
        .and(JUDGEMENT.SUBJECT.eq(s.subject()))
        .and(JUDGEMENT.CODE.eq(JudgementInputs.VERSION))
        .and(JUDGEMENT.FINGERPRINT.eq(fingerprint))
        .returning(JUDGEMENT.RESULT)
        .fetchOptional(JUDGEMENT.RESULT);
  }

  /** Keeps what was judged when it had been touched so often. */
  @Transactional
  public void keep(
      JudgedSubject s, long touches, String fingerprint, @Nullable Instant judgedTo, JSONB result) {
    SoonKept.in(db);
    db.update(JUDGEMENT)
        .set(JUDGEMENT.JUDGED, touches)
        .set(JUDGEMENT.JUDGED_TO, judgedTo)
        .set(JUDGEMENT.LATE, JUDGEMENT.TOUCHES.gt(touches))
        .set(
            JUDGEMENT.TOUCHED_AT,
            when(JUDGEMENT.TOUCHES.gt(touches), NOW)
                .otherwise(val((Instant) null, JUDGEMENT.TOUCHED_AT)))
        .set(JUDGEMENT.CODE, JudgementInputs.VERSION)
        .set(JUDGEMENT.FINGERPRINT, fingerprint)
        .set(JUDGEMENT.RESULT, result)
        .where(JUDGEMENT.STORE_ID.eq(s.store()))
        .and(JUDGEMENT.KIND.eq(s.kind().name()))
        .and(JUDGEMENT.SUBJECT.eq(s.subject()))
        .execute();
  }

  /** A day on which nothing was read. */
  public record UnreadDay(
      JudgedSubject of, @Nullable Instant from, @Nullable Instant to, JSONB result) {}

  /** Kept as such where they are not kept yet. */
  public void keepUnread(List<UnreadDay> days, Set<String> keys) {
    String[] on = keys.toArray(String[]::new);
    db.batch(
            days.stream()
                .map(
                    d ->
                        db.insertInto(JUDGEMENT)
                            .set(JUDGEMENT.HOLDING_ID, d.of().holding())
                            .set(JUDGEMENT.STORE_ID, d.of().store())
                            .set(JUDGEMENT.KIND, d.of().kind().name())
                            .set(JUDGEMENT.SUBJECT, d.of().subject())
                            .set(JUDGEMENT.RESTS_ON, on)
                            .set(JUDGEMENT.RESTS_FROM, d.from())
                            .set(JUDGEMENT.RESTS_TO, d.to())
                            .set(JUDGEMENT.JUDGED, 0L)
                            .set(JUDGEMENT.CODE, JudgementInputs.VERSION)
                            .set(JUDGEMENT.RESULT, d.result())
                            .onConflictDoNothing())
                .toList())
        .execute();
  }

  public void forgetDays(UUID holding, UUID store, Set<LocalDate> days) {
    db.deleteFrom(JUDGEMENT)
        .where(JUDGEMENT.STORE_ID.eq(store))
        .and(JUDGEMENT.HOLDING_ID.eq(holding))
        .and(JUDGEMENT.KIND.eq(JudgedSubject.Kind.DAY.name()))
        .and(JUDGEMENT.SUBJECT.in(days.stream().map(LocalDate::toString).toList()))
        .execute();
  }

  public int touch(InputChanged c) {
    db.execute("SELECT pg_advisory_xact_lock_shared(hashtext(?))", "judgement " + c.holding());
    return db.execute(
        TOUCH,
        c.readings(),
        c.from(),
        c.holding(),
        c.from(),
        c.to(),
        c.keys().toArray(String[]::new));
  }
}
