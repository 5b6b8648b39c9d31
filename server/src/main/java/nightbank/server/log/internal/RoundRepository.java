package nightbank.server.log.internal;

import static nightbank.db.Tables.PERSON;
import static nightbank.db.Tables.PHOTO;
import static nightbank.db.Tables.READING_ROUND;
import static nightbank.db.Tables.ROUND_ENTRY;
import static nightbank.db.Tables.WALK;
import static org.jooq.impl.DSL.coalesce;
import static org.jooq.impl.DSL.excluded;
import static org.jooq.impl.DSL.nullif;

import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import nightbank.server.log.RoundDraft;
import nightbank.server.log.RoundView;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Rounds, their entries, and the order of the walk. */
@Repository
public class RoundRepository {
  private final DSLContext db;

  RoundRepository(DSLContext db) {
    this.db = db;
  }

  /** False when the id belongs to another holding. */
  public boolean save(UUID holding, UUID person, UUID id, RoundDraft d) {
    return db.insertInto(READING_ROUND)
            .set(READING_ROUND.ID, id)
            .set(READING_ROUND.HOLDING_ID, holding)
            .set(READING_ROUND.PERSON_ID, person)
            .set(READING_ROUND.STARTED_AT, d.startedAt())
            .set(READING_ROUND.ENDED_AT, d.endedAt())
            .set(READING_ROUND.NOTE, d.note() == null ? "" : d.note())
            .onConflict(READING_ROUND.ID)
            .doUpdate()
            .set(
                READING_ROUND.ENDED_AT,
                coalesce(excluded(READING_ROUND.ENDED_AT), READING_ROUND.ENDED_AT))
            .set(
                READING_ROUND.NOTE,
                coalesce(nullif(excluded(READING_ROUND.NOTE), ""), READING_ROUND.NOTE))
            .where(READING_ROUND.HOLDING_ID.eq(holding))
            .execute()
        == 1;
  }

  /** False when the entry is known already. */
  public boolean insert(
      UUID holding, UUID round, RoundDraft.EntryDraft e, @Nullable Double celsius) {
    return db.insertInto(ROUND_ENTRY)
            .set(ROUND_ENTRY.ID, e.id())
            .set(ROUND_ENTRY.ROUND_ID, round)
            .set(ROUND_ENTRY.HOLDING_ID, holding)
            .set(ROUND_ENTRY.PROBE_ID, e.probeId())
            .set(ROUND_ENTRY.AT, e.at())
            .set(ROUND_ENTRY.OUTCOME, e.outcome().name())
            .set(ROUND_ENTRY.TYPED, e.typed() == null ? "" : e.typed())
            .set(ROUND_ENTRY.CELSIUS, celsius)
            .set(ROUND_ENTRY.NOTE, e.note() == null ? "" : e.note())
            .onConflictDoNothing()
            .execute()
        == 1;
  }

  public Optional<RoundView.RoundEntry> entry(UUID holding, UUID round, UUID id) {
    return db.selectFrom(ROUND_ENTRY)
        .where(ROUND_ENTRY.HOLDING_ID.eq(holding))
        .and(ROUND_ENTRY.ROUND_ID.eq(round))
        .and(ROUND_ENTRY.ID.eq(id))
        .fetchOptional(RoundRepository::entry);
  }

  /** What was answered again at the same probe. */
  public void correct(UUID holding, RoundDraft.EntryDraft e, @Nullable Double celsius) {
    db.update(ROUND_ENTRY)
        .set(ROUND_ENTRY.OUTCOME, e.outcome().name())
        .set(ROUND_ENTRY.TYPED, e.typed() == null ? "" : e.typed())
        .set(ROUND_ENTRY.CELSIUS, celsius)
        .set(ROUND_ENTRY.NOTE, e.note() == null ? "" : e.note())
        .where(ROUND_ENTRY.HOLDING_ID.eq(holding))
        .and(ROUND_ENTRY.ID.eq(e.id()))
        .execute();
  }

  private static RoundView.RoundEntry entry(Record r) {
    return new RoundView.RoundEntry(
        r.get(ROUND_ENTRY.ID),
        r.get(ROUND_ENTRY.PROBE_ID),
        r.get(ROUND_ENTRY.AT),
        RoundDraft.Outcome.valueOf(r.get(ROUND_ENTRY.OUTCOME)),
        r.get(ROUND_ENTRY.CELSIUS),
        r.get(ROUND_ENTRY.NOTE));
  }

  public Optional<RoundView> find(UUID holding, UUID id) {
    return rounds(holding, READING_ROUND.ID.eq(id), 1).stream().findFirst();
  }

  public List<RoundView> latest(UUID holding, int most) {
    return rounds(holding, READING_ROUND.HOLDING_ID.eq(holding), most);
  }

  private List<RoundView> rounds(UUID holding, Condition which, int most) {
    var heads =
        db.select(
                READING_ROUND.ID,
                PERSON.NAME,
                READING_ROUND.STARTED_AT,
                READING_ROUND.ENDED_AT,
                READING_ROUND.NOTE)
            .from(READING_ROUND)
            .leftJoin(PERSON)
            .on(PERSON.ID.eq(READING_ROUND.PERSON_ID))
            .where(READING_ROUND.HOLDING_ID.eq(holding))
            .and(READING_ROUND.REMOVED_AT.isNull())
            .and(which)
            .orderBy(READING_ROUND.STARTED_AT.desc(), READING_ROUND.SEQ.desc())
            .limit(most)
            .fetch();
    List<UUID> ids = heads.getValues(READING_ROUND.ID);
    Map<UUID, List<RoundView.RoundEntry>> entries =
        db.selectFrom(ROUND_ENTRY)
            .where(ROUND_ENTRY.HOLDING_ID.eq(holding))
            .and(ROUND_ENTRY.ROUND_ID.in(ids))
            .orderBy(ROUND_ENTRY.AT, ROUND_ENTRY.SEQ)
            .fetchGroups(ROUND_ENTRY.ROUND_ID, RoundRepository::entry);
    Map<UUID, List<UUID>> photos =
        db.select(PHOTO.ROUND_ID, PHOTO.ID)
            .from(PHOTO)
            .where(PHOTO.HOLDING_ID.eq(holding))
            .and(PHOTO.ROUND_ID.in(ids))
            .and(PHOTO.REMOVED_AT.isNull())
            .orderBy(PHOTO.TAKEN_AT)
            .fetchGroups(PHOTO.ROUND_ID, PHOTO.ID);
    return heads.map(
        r ->
            new RoundView(
                r.value1(),
                r.value2() == null ? "" : r.value2(),
                r.value3(),
                r.value4(),
                r.value5(),
                entries.getOrDefault(r.value1(), List.of()),
                photos.getOrDefault(r.value1(), List.of())));
  }

  public void removed(UUID holding, UUID id, @Nullable Instant at) {
    db.update(READING_ROUND)
        .set(READING_ROUND.REMOVED_AT, at)
        .where(READING_ROUND.HOLDING_ID.eq(holding))
        .and(READING_ROUND.ID.eq(id))
        .execute();
  }

  /** What was taken away before a moment goes for good. */
  public void forget(Instant before) {
    db.deleteFrom(READING_ROUND).where(READING_ROUND.REMOVED_AT.lt(before)).execute();
  }

  public List<UUID> walk(UUID holding) {
    UUID[] ids =
        db.select(WALK.PROBE_IDS)
            .from(WALK)
            .where(WALK.HOLDING_ID.eq(holding))
            .fetchOne(WALK.PROBE_IDS);
    return ids == null ? List.of() : Arrays.asList(ids);
  }

  public void saveWalk(UUID holding, List<UUID> probes) {
    UUID[] ids = probes.toArray(UUID[]::new);
    db.insertInto(WALK)
        .set(WALK.HOLDING_ID, holding)
        .set(WALK.PROBE_IDS, ids)
        .onConflict(WALK.HOLDING_ID)
        .doUpdate()
        .set(WALK.PROBE_IDS, ids)
        .execute();
  }
}
