package nightbank.server.change.internal;

import static nightbank.db.Tables.CHANGE;
import static nightbank.db.Tables.PERSON;
import static org.jooq.Records.mapping;
import static org.jooq.impl.DSL.row;

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

  /** What a change is told by. */
  public record Headline(
      Changes.Kind kind,
      Changes.Verb verb,
      String name,
      int count,
      @Nullable Double was,
      @Nullable Double became) {}

  /** One change, without its entries. */
  public record Kept(
      UUID id, UUID person, String by, Instant at, Headline headline, @Nullable Instant undoneAt) {}

  private record Entries(List<Entry> all) {}

  public void add(UUID holding, UUID person, Instant at, Headline h, List<Entry> entries) {
    db.insertInto(CHANGE)
        .set(CHANGE.ID, UUID.randomUUID())
        .set(CHANGE.HOLDING_ID, holding)
        .set(CHANGE.PERSON_ID, person)
        .set(CHANGE.AT, at)
        .set(CHANGE.KIND, h.kind().name())
        .set(CHANGE.VERB, h.verb().name())
        .set(CHANGE.NAME, h.name())
        .set(CHANGE.COUNT, h.count())
        .set(CHANGE.WAS, h.was())
        .set(CHANGE.BECAME, h.became())
        .set(CHANGE.ENTRIES, JSON.valueOf(mapper.writeValueAsString(new Entries(entries))))
        .execute();
  }

  public List<Kept> newest(UUID holding, int most) {
    return fetch(CHANGE.HOLDING_ID.eq(holding), most);
  }

  public Optional<Kept> find(UUID holding, UUID id) {
    return fetch(CHANGE.HOLDING_ID.eq(holding).and(CHANGE.ID.eq(id)), 1).stream().findFirst();
  }

  /** In the order of their making. */
  public List<Entry> entries(UUID holding, UUID id) {
    JSON all =
        db.select(CHANGE.ENTRIES)
            .from(CHANGE)
            .where(CHANGE.HOLDING_ID.eq(holding))
            .and(CHANGE.ID.eq(id))
            .fetchSingle(CHANGE.ENTRIES);
    return mapper.readValue(all.data(), Entries.class).all();
  }

  private List<Kept> fetch(Condition which, int most) {
    return db.select(
            CHANGE.ID,
            CHANGE.PERSON_ID,
            PERSON.NAME,
            CHANGE.AT,
            row(CHANGE.KIND, CHANGE.VERB, CHANGE.NAME, CHANGE.COUNT, CHANGE.WAS, CHANGE.BECAME)
                .mapping(
                    (kind, verb, name, count, was, became) ->
                        new Headline(
                            Changes.Kind.valueOf(kind),
                            Changes.Verb.valueOf(verb),
                            name,
                            count,
                            was,
                            became)),
            CHANGE.UNDONE_AT)
        .from(CHANGE)
        .join(PERSON)
        .on(PERSON.ID.eq(CHANGE.PERSON_ID))
        .where(which)
        .orderBy(CHANGE.SEQ.desc())
        .limit(most)
        .fetch(mapping(Kept::new));
  }

  public void turned(UUID holding, UUID id, @Nullable Instant undoneAt) {
    db.update(CHANGE)
        .set(CHANGE.UNDONE_AT, undoneAt)
        .where(CHANGE.HOLDING_ID.eq(holding))
        .and(CHANGE.ID.eq(id))
        .execute();
  }

  /** Changes of before a moment. */
  public void forget(Instant before) {
    db.deleteFrom(CHANGE).where(CHANGE.AT.lt(before)).execute();
  }
}
