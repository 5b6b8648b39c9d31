package nightbank.server.night.internal;

import static nightbank.db.Tables.PRACTICE_NIGHT;
import static org.jooq.impl.DSL.select;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import nightbank.db.tables.records.PracticeNightRecord;
import nightbank.server.night.PracticeNights.Kept;
import nightbank.server.night.PracticeView;
import nightbank.server.night.PracticeView.PastView;
import nightbank.server.night.TonightQuestion;
import nightbank.server.shared.Json;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Nights that are practised; of a person only the newest are kept. */
@Repository
public class PracticeRepository {
  private static final int MOST = 60;

  private final DSLContext db;
  private final Json json;

  PracticeRepository(DSLContext db, Json json) {
    this.db = db;
    this.json = json;
  }

  /** Whether it is new. */
  @Transactional
  public boolean begin(UUID holding, UUID person, Kept k) {
    int made =
        db.insertInto(PRACTICE_NIGHT)
            .set(PRACTICE_NIGHT.ID, k.id())
            .set(PRACTICE_NIGHT.HOLDING_ID, holding)
            .set(PRACTICE_NIGHT.PERSON_ID, person)
            .set(PRACTICE_NIGHT.GREENHOUSE_ID, k.houseId())
            .set(PRACTICE_NIGHT.BEGINS_AT, k.begins())
            .set(PRACTICE_NIGHT.SEED, k.seed())
            .set(PRACTICE_NIGHT.QUESTION, json.write(k.question()))
            .set(PRACTICE_NIGHT.SAID, json.write(k.said()))
            .set(PRACTICE_NIGHT.STATED_C, k.stated())
            .set(PRACTICE_NIGHT.LIVED_S, k.lived())
            .set(PRACTICE_NIGHT.DOINGS, json.write(k.doings()))
            .onConflictDoNothing()
            .execute();
    db.deleteFrom(PRACTICE_NIGHT)
        .where(PRACTICE_NIGHT.PERSON_ID.eq(person))
        .and(
            PRACTICE_NIGHT.ID.in(
                select(PRACTICE_NIGHT.ID)
                    .from(PRACTICE_NIGHT)
                    .where(PRACTICE_NIGHT.PERSON_ID.eq(person))
                    .orderBy(PRACTICE_NIGHT.SEQ.desc())
                    .offset(MOST)))
        .execute();
    return made == 1;
  }

  public Optional<Kept> find(UUID holding, UUID person, UUID id) {
    return db.selectFrom(PRACTICE_NIGHT)
        .where(PRACTICE_NIGHT.ID.eq(id))
        .and(PRACTICE_NIGHT.HOLDING_ID.eq(holding))
        .and(PRACTICE_NIGHT.PERSON_ID.eq(person))
        .fetchOptional(this::kept);
  }

  private Kept kept(PracticeNightRecord r) {
    return new Kept(
        r.getId(),
        r.getGreenhouseId(),
        r.getBeginsAt(),
        r.getSeed(),
        json.read(r.getQuestion(), TonightQuestion.class),
        json.read(r.getSaid(), PracticeView.Said.class),
        r.getStatedC(),
        r.getLivedS(),
        doings(r.getDoings()),
        r.getEnded() == null ? null : json.read(r.getEnded(), PracticeView.class));
  }

  private List<TonightQuestion.Doing> doings(JSONB kept) {
    return List.of(json.read(kept, TonightQuestion.Doing[].class));
  }

  /** Whether it was still as before. */
  public boolean keep(UUID holding, UUID person, Kept before, Kept k, PracticeView view) {
    PracticeView.DawnView dawn = view.dawn();
    return db.update(PRACTICE_NIGHT)
            .set(PRACTICE_NIGHT.LIVED_S, k.lived())
            .set(PRACTICE_NIGHT.DOINGS, json.write(k.doings()))
            .set(PRACTICE_NIGHT.ENDED, dawn == null ? null : json.write(view))
            .set(PRACTICE_NIGHT.HELD, dawn == null ? null : dawn.own().held())
            .set(PRACTICE_NIGHT.LOWEST_C, dawn == null ? null : dawn.own().lowestCelsius())
            .where(PRACTICE_NIGHT.ID.eq(k.id()))
            .and(PRACTICE_NIGHT.HOLDING_ID.eq(holding))
            .and(PRACTICE_NIGHT.PERSON_ID.eq(person))
            .and(PRACTICE_NIGHT.LIVED_S.eq(before.lived()))
            .and(PRACTICE_NIGHT.DOINGS.eq(json.write(before.doings())))
            .execute()
        == 1;
  }

  /** Those that are over, newest first. */
  public List<PastView> past(UUID holding, UUID person) {
    return db.selectFrom(PRACTICE_NIGHT)
        .where(PRACTICE_NIGHT.HOLDING_ID.eq(holding))
        .and(PRACTICE_NIGHT.PERSON_ID.eq(person))
        .and(PRACTICE_NIGHT.HELD.isNotNull())
        .orderBy(PRACTICE_NIGHT.SEQ.desc())
        .fetch(
            r ->
                new PastView(
                    r.getId(), r.getGreenhouseId(), r.getBeginsAt(), r.getHeld(), r.getLowestC()));
  }
}
