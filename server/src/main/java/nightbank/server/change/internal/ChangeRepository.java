package nightbank.server.change.internal;

import static nightbank.db.Tables.CHANGE;
import static nightbank.db.Tables.GREENHOUSE;
import static nightbank.db.Tables.HEAT_STORE;
import static nightbank.db.Tables.PERSON;
import static nightbank.db.Tables.PROBE;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import nightbank.server.change.Changes;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.JSON;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What people changed, as kept. */
@Repository
public class ChangeRepository {
  private final DSLContext db;
  private final JsonMapper mapper;

  ChangeRepository(DSLContext db, JsonMapper mapper) {
    this.db = db;
    this.mapper = mapper;
  }

  /** How one thing was before and after; a null node where it was not there. */
  public record Entry(
      Changes.Kind kind, String subject, String name, JsonNode before, JsonNode after) {}

  /** One change. */
  public record Kept(
      UUID id,
      UUID person,
      String by,
      Instant at,
      List<Entry> entries,
      @Nullable Instant undoneAt) {}

  private record Entries(List<Entry> all) {}

  public void add(UUID holding, UUID person, Instant at, List<Entry> entries) {
    db.insertInto(CHANGE)
        .set(CHANGE.ID, UUID.randomUUID())
        .set(CHANGE.HOLDING_ID, holding)
        .set(CHANGE.PERSON_ID, person)
        .set(CHANGE.AT, at)
        .set(CHANGE.ENTRIES, JSON.valueOf(mapper.writeValueAsString(new Entries(entries))))
        .execute();
  }

  public List<Kept> newest(UUID holding, int most) {
    return fetch(CHANGE.HOLDING_ID.eq(holding), most);
  }

  public Optional<Kept> find(UUID holding, UUID id) {
    return fetch(CHANGE.HOLDING_ID.eq(holding).and(CHANGE.ID.eq(id)), 1).stream().findFirst();
  }

  private List<Kept> fetch(Condition which, int most) {
    return db.select(
            CHANGE.ID, CHANGE.PERSON_ID, PERSON.NAME, CHANGE.AT, CHANGE.ENTRIES, CHANGE.UNDONE_AT)
        .from(CHANGE)
        .join(PERSON)
        .on(PERSON.ID.eq(CHANGE.PERSON_ID))
        .where(which)
        .orderBy(CHANGE.SEQ.desc())
        .limit(most)
        .fetch(
            r ->
                new Kept(
                    r.value1(),
                    r.value2(),
                    r.value3(),
                    r.value4(),
                    mapper.readValue(r.value5().data(), Entries.class).all(),
                    r.value6()));
  }

  public void turned(UUID holding, UUID id, @Nullable Instant undoneAt) {
    db.update(CHANGE)
        .set(CHANGE.UNDONE_AT, undoneAt)
        .where(CHANGE.HOLDING_ID.eq(holding))
        .and(CHANGE.ID.eq(id))
        .execute();
  }

  /** Changes of before a moment, and what was taken away before it. */
  public void forget(Instant before) {
    db.deleteFrom(CHANGE).where(CHANGE.AT.lt(before)).execute();
    db.deleteFrom(PROBE).where(PROBE.REMOVED_AT.lt(before)).execute();
    db.deleteFrom(HEAT_STORE).where(HEAT_STORE.REMOVED_AT.lt(before)).execute();
    db.deleteFrom(GREENHOUSE).where(GREENHOUSE.REMOVED_AT.lt(before)).execute();
  }
}
