package nightbank.server.account.internal;

import static nightbank.db.Tables.MEMBERSHIP;
import static nightbank.db.Tables.PERSON;
import static nightbank.db.Tables.SHOWN_LINK;
import static org.jooq.impl.DSL.select;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import nightbank.server.account.Role;
import nightbank.server.account.SharedLinks.LinkView;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Links that are shown to others, and the persons that are made for them. */
@Repository
public class LinkRepository {
  private final DSLContext db;

  LinkRepository(DSLContext db) {
    this.db = db;
  }

  /** What a link leads to. */
  public record Kept(UUID person, UUID holding, String view) {}

  /** Makes a link for a person that is there; the person reads until the link ends. */
  public void insert(UUID holding, UUID person, String hash, LinkView link) {
    db.insertInto(MEMBERSHIP)
        .set(MEMBERSHIP.PERSON_ID, person)
        .set(MEMBERSHIP.HOLDING_ID, holding)
        .set(MEMBERSHIP.ROLE, Role.GUEST.name())
        .set(MEMBERSHIP.ENDS_AT, link.endsAt())
        .execute();
    db.insertInto(SHOWN_LINK)
        .set(SHOWN_LINK.ID, link.id())
        .set(SHOWN_LINK.HOLDING_ID, holding)
        .set(SHOWN_LINK.PERSON_ID, person)
        .set(SHOWN_LINK.HASH, hash)
        .set(SHOWN_LINK.VIEW, link.view())
        .set(SHOWN_LINK.MADE_AT, link.madeAt())
        .set(SHOWN_LINK.ENDS_AT, link.endsAt())
        .execute();
  }

  public List<LinkView> all(UUID holding, Instant now) {
    return db.selectFrom(SHOWN_LINK)
        .where(SHOWN_LINK.HOLDING_ID.eq(holding))
        .and(SHOWN_LINK.ENDS_AT.gt(now))
        .orderBy(SHOWN_LINK.MADE_AT.desc())
        .fetch(r -> new LinkView(r.getId(), r.getView(), r.getMadeAt(), r.getEndsAt(), null));
  }

  public Optional<Kept> byHash(String hash, Instant now) {
    return db.selectFrom(SHOWN_LINK)
        .where(SHOWN_LINK.HASH.eq(hash))
        .and(SHOWN_LINK.ENDS_AT.gt(now))
        .fetchOptional(r -> new Kept(r.getPersonId(), r.getHoldingId(), r.getView()));
  }

  /** Whoever a link was made for. */
  public boolean isOfLink(UUID person) {
    return db.fetchExists(SHOWN_LINK, SHOWN_LINK.PERSON_ID.eq(person));
  }

  /** The person that a link was made for; both are gone then. */
  public Optional<UUID> end(UUID holding, UUID id) {
    Optional<UUID> person =
        db.select(SHOWN_LINK.PERSON_ID)
            .from(SHOWN_LINK)
            .where(SHOWN_LINK.HOLDING_ID.eq(holding))
            .and(SHOWN_LINK.ID.eq(id))
            .fetchOptional(SHOWN_LINK.PERSON_ID);
    person.ifPresent(p -> db.deleteFrom(PERSON).where(PERSON.ID.eq(p)).execute());
    return person;
  }

  public void forgetOver(Instant now) {
    db.deleteFrom(PERSON)
        .where(
            PERSON.ID.in(
                select(SHOWN_LINK.PERSON_ID).from(SHOWN_LINK).where(SHOWN_LINK.ENDS_AT.le(now))))
        .execute();
  }
}
