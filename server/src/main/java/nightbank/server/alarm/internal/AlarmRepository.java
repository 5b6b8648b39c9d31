package nightbank.server.alarm.internal;

import static nightbank.db.Tables.ALARM;
import static nightbank.db.Tables.ALARM_BOOK;
import static nightbank.db.Tables.ALARM_MESSAGE;
import static org.jooq.impl.DSL.greatest;
import static org.jooq.impl.DSL.least;
import static org.jooq.impl.DSL.select;
import static org.jooq.impl.DSL.val;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import nightbank.db.tables.records.AlarmRecord;
import nightbank.server.alarm.AlarmBook;
import nightbank.server.alarm.AlarmFacts;
import nightbank.server.alarm.AlarmKind;
import nightbank.server.alarm.AlarmView;
import nightbank.server.shared.Json;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Books of alarms, what is wrong, and messages on their way. */
@Repository
public class AlarmRepository {
  private final DSLContext db;
  private final Json json;

  AlarmRepository(DSLContext db, Json json) {
    this.db = db;
    this.json = json;
  }

  /** A book as it is kept. */
  public record Kept(int version, AlarmBook book) {}

  public Optional<Kept> book(UUID holding) {
    return db.selectFrom(ALARM_BOOK)
        .where(ALARM_BOOK.HOLDING_ID.eq(holding))
        .fetchOptional(r -> new Kept(r.getVersion(), json.read(r.getBook(), AlarmBook.class)));
  }

  /** Writes over a version; 0 for a holding that has none yet. It is looked at at once. */
  public boolean save(UUID holding, AlarmBook book, int version, Instant now) {
    if (version == 0) {
      return db.insertInto(ALARM_BOOK)
              .set(ALARM_BOOK.HOLDING_ID, holding)
              .set(ALARM_BOOK.BOOK, json.write(book))
              .set(ALARM_BOOK.LOOK_AT, now)
              .set(ALARM_BOOK.NIGHTS_AT, now)
              .onConflictDoNothing()
              .execute()
          == 1;
    }
    return db.update(ALARM_BOOK)
            .set(ALARM_BOOK.BOOK, json.write(book))
            .set(ALARM_BOOK.VERSION, ALARM_BOOK.VERSION.plus(1))
            .set(ALARM_BOOK.LOOK_AT, now)
            .set(ALARM_BOOK.NIGHTS_AT, now)
            .where(ALARM_BOOK.HOLDING_ID.eq(holding))
            .and(ALARM_BOOK.VERSION.eq(version))
            .execute()
        == 1;
  }

  /** A holding that is due to be looked at, taken by nobody else; and whether its nights are. */
  public record Due(UUID holding, boolean nights) {}

  public Optional<Due> take(Instant now, Duration every, Duration nightsEvery) {
    Optional<Due> due =
        db.select(ALARM_BOOK.HOLDING_ID, ALARM_BOOK.NIGHTS_AT)
            .from(ALARM_BOOK)
            .where(ALARM_BOOK.LOOK_AT.le(now))
            .orderBy(ALARM_BOOK.LOOK_AT)
            .limit(1)
            .forUpdate()
            .skipLocked()
            .fetchOptional(r -> new Due(r.value1(), !r.value2().isAfter(now)));
    due.ifPresent(
        d ->
            db.update(ALARM_BOOK)
                .set(ALARM_BOOK.LOOK_AT, now.plus(every))
                .set(
                    ALARM_BOOK.NIGHTS_AT,
                    d.nights() ? val(now.plus(nightsEvery)) : ALARM_BOOK.NIGHTS_AT)
                .where(ALARM_BOOK.HOLDING_ID.eq(d.holding()))
                .execute());
    return due;
  }

  /** Something has come in that may matter: it is looked at no later than then. */
  public void soon(UUID holding, Instant at, @Nullable Instant nights) {
    db.update(ALARM_BOOK)
        .set(ALARM_BOOK.LOOK_AT, least(ALARM_BOOK.LOOK_AT, val(at)))
        .set(
            ALARM_BOOK.NIGHTS_AT,
            nights == null ? ALARM_BOOK.NIGHTS_AT : least(ALARM_BOOK.NIGHTS_AT, val(nights)))
        .where(ALARM_BOOK.HOLDING_ID.eq(holding))
        .and(ALARM_BOOK.LOOK_AT.gt(at).or(ALARM_BOOK.NIGHTS_AT.gt(nights == null ? at : nights)))
        .execute();
  }

  /** Of what is not over, locked until the transaction ends. */
  public List<AlarmRecord> open(UUID holding) {
    return db.selectFrom(ALARM)
        .where(ALARM.HOLDING_ID.eq(holding))
        .and(ALARM.OVER_AT.isNull())
        .forUpdate()
        .fetch();
  }

  /** The last of a kind and subject that was over not long ago. */
  public Optional<AlarmRecord> lately(UUID holding, AlarmKind kind, String subject, Instant after) {
    return db.selectFrom(ALARM)
        .where(ALARM.HOLDING_ID.eq(holding))
        .and(ALARM.KIND.eq(kind.name()))
        .and(ALARM.SUBJECT.eq(subject))
        .and(ALARM.OVER_AT.gt(after))
        .orderBy(ALARM.OVER_AT.desc())
        .limit(1)
        .fetchOptional();
  }

  public AlarmRecord blank() {
    return db.newRecord(ALARM);
  }

  /** Last of each, what is not over first. */
  public List<AlarmView> views(UUID holding, int most) {
    return db.selectFrom(ALARM)
        .where(ALARM.HOLDING_ID.eq(holding))
        .orderBy(ALARM.OVER_AT.desc().nullsFirst(), ALARM.SINCE.desc())
        .limit(most)
        .fetch(this::view);
  }

  public AlarmView view(AlarmRecord r) {
    return new AlarmView(
        r.getId(),
        AlarmKind.valueOf(r.getKind()),
        r.getCannotWait(),
        json.read(r.getFacts(), AlarmFacts.class),
        r.getSince(),
        r.getOverAt(),
        r.getSeenAt(),
        r.getSeenBy(),
        r.getTold());
  }

  /** Somebody has seen it; who saw it first stays. */
  public Optional<AlarmRecord> seen(UUID holding, UUID id, String by, Instant now) {
    db.update(ALARM)
        .set(ALARM.SEEN_AT, now)
        .set(ALARM.SEEN_BY, by)
        .setNull(ALARM.TELL_AT)
        .where(ALARM.HOLDING_ID.eq(holding))
        .and(ALARM.ID.eq(id))
        .and(ALARM.SEEN_AT.isNull())
        .execute();
    return db.selectFrom(ALARM)
        .where(ALARM.HOLDING_ID.eq(holding))
        .and(ALARM.ID.eq(id))
        .fetchOptional();
  }

  public Optional<AlarmRecord> byCode(String code) {
    return db.selectFrom(ALARM).where(ALARM.CODE.eq(code)).fetchOptional();
  }

  /** One that is to be told now, locked until the transaction ends. */
  public Optional<AlarmRecord> toTell(Instant now) {
    return db.selectFrom(ALARM)
        .where(ALARM.TELL_AT.le(now))
        .orderBy(ALARM.TELL_AT)
        .limit(1)
        .forUpdate()
        .skipLocked()
        .fetchOptional();
  }

  /** A message to be sent at once. */
  public void post(UUID alarm, int number, UUID recipient, String way, Instant now) {
    db.insertInto(ALARM_MESSAGE)
        .set(ALARM_MESSAGE.ALARM_ID, alarm)
        .set(ALARM_MESSAGE.NUMBER, number)
        .set(ALARM_MESSAGE.RECIPIENT, recipient.toString())
        .set(ALARM_MESSAGE.WAY, way)
        .set(ALARM_MESSAGE.TRY_AT, now)
        .onConflictDoNothing()
        .execute();
  }

  /** A message on its way. */
  public record Message(AlarmRecord alarm, int number, UUID recipient, String way, int tries) {}

  /** The next that is to be sent, nobody else's for a while. */
  public Optional<Message> toSend(Instant now, Duration ours) {
    return db.select(ALARM_MESSAGE.fields())
        .from(ALARM_MESSAGE)
        .where(ALARM_MESSAGE.TRY_AT.le(now))
        .orderBy(ALARM_MESSAGE.TRY_AT)
        .limit(1)
        .forUpdate()
        .skipLocked()
        .fetchOptionalInto(ALARM_MESSAGE)
        .map(
            m -> {
              m.setTries(m.getTries() + 1);
              m.setTryAt(now.plus(ours));
              m.update();
              return new Message(
                  db.selectFrom(ALARM).where(ALARM.ID.eq(m.getAlarmId())).fetchSingle(),
                  m.getNumber(),
                  UUID.fromString(m.getRecipient()),
                  m.getWay(),
                  m.getTries());
            });
  }

  /** What became of it: sent, tried again then, or given up. */
  public void sent(Message m, @Nullable Instant sent, @Nullable Instant again, String problem) {
    db.update(ALARM_MESSAGE)
        .set(ALARM_MESSAGE.SENT_AT, sent)
        .set(ALARM_MESSAGE.TRY_AT, again)
        .set(ALARM_MESSAGE.PROBLEM, problem)
        .where(ALARM_MESSAGE.ALARM_ID.eq(m.alarm().getId()))
        .and(ALARM_MESSAGE.NUMBER.eq(m.number()))
        .and(ALARM_MESSAGE.RECIPIENT.eq(m.recipient().toString()))
        .and(ALARM_MESSAGE.WAY.eq(m.way()))
        .execute();
  }

  /** A message that did not go out, newest first. */
  public record Failed(String recipient, String way, String problem) {}

  public List<Failed> failed(UUID holding, Instant after) {
    return db.selectDistinct(ALARM_MESSAGE.RECIPIENT, ALARM_MESSAGE.WAY, ALARM_MESSAGE.PROBLEM)
        .from(ALARM_MESSAGE)
        .where(
            ALARM_MESSAGE.ALARM_ID.in(
                select(ALARM.ID)
                    .from(ALARM)
                    .where(ALARM.HOLDING_ID.eq(holding))
                    .and(greatest(ALARM.SINCE, ALARM.TELL_AT).gt(after))))
        .and(ALARM_MESSAGE.SENT_AT.isNull())
        .and(ALARM_MESSAGE.PROBLEM.ne(""))
        .limit(20)
        .fetchInto(Failed.class);
  }

  /** What is long over goes. */
  public void forget(Instant before) {
    db.deleteFrom(ALARM).where(ALARM.OVER_AT.lt(before)).execute();
  }
}
