package nightbank.server.account.internal;

import static nightbank.db.Tables.PERSON_CODE;

import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import nightbank.server.account.Role;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Codes of use once. */
@Repository
public class CodeRepository {
  private final DSLContext db;

  CodeRepository(DSLContext db) {
    this.db = db;
  }

  /** What a code is for: a person's password, or a holding. */
  public record Kept(@Nullable UUID person, @Nullable UUID holding, @Nullable Role role) {}

  public void add(
      String hash,
      @Nullable UUID person,
      @Nullable UUID holding,
      @Nullable Role role,
      Instant endsAt) {
    db.insertInto(PERSON_CODE)
        .set(PERSON_CODE.HASH, hash)
        .set(PERSON_CODE.PERSON_ID, person)
        .set(PERSON_CODE.HOLDING_ID, holding)
        .set(PERSON_CODE.ROLE, role == null ? null : role.name())
        .set(PERSON_CODE.ENDS_AT, endsAt)
        .execute();
  }

  /** Takes it away; of two who show it one has it. */
  public Optional<Kept> take(String hash, Instant now) {
    return db.deleteFrom(PERSON_CODE)
        .where(PERSON_CODE.HASH.eq(hash))
        .and(PERSON_CODE.ENDS_AT.gt(now))
        .returning()
        .fetchOptional(
            c ->
                new Kept(
                    c.getPersonId(),
                    c.getHoldingId(),
                    c.getRole() == null ? null : Role.valueOf(c.getRole())));
  }

  public void forgetOf(UUID person) {
    db.deleteFrom(PERSON_CODE).where(PERSON_CODE.PERSON_ID.eq(person)).execute();
  }

  public void forgetOver(Instant now) {
    db.deleteFrom(PERSON_CODE).where(PERSON_CODE.ENDS_AT.le(now)).execute();
  }
}
