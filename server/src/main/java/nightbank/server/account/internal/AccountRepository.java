package nightbank.server.account.internal;

import static nightbank.db.Tables.HOLDING;
import static nightbank.db.Tables.MEMBERSHIP;
import static nightbank.db.Tables.PERSON;
import static org.jooq.Records.mapping;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import nightbank.server.account.Role;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** People and what they belong to. */
@Repository
public class AccountRepository {
  private final DSLContext db;

  AccountRepository(DSLContext db) {
    this.db = db;
  }

  /** A person as stored. */
  public record Person(
      UUID id, String login, String name, String passwordHash, boolean fahrenheit) {}

  /** One holding a person belongs to. */
  public record Belonging(UUID holdingId, String name, Role role, String zone, double latitude) {}

  public boolean anybody() {
    return db.fetchExists(PERSON);
  }

  public Optional<Person> byLogin(String login) {
    return db.select(PERSON.ID, PERSON.LOGIN, PERSON.NAME, PERSON.PASSWORD_HASH, PERSON.FAHRENHEIT)
        .from(PERSON)
        .where(PERSON.LOGIN.eq(login))
        .fetchOptional(mapping(Person::new));
  }

  public Optional<Person> byId(UUID id) {
    return db.select(PERSON.ID, PERSON.LOGIN, PERSON.NAME, PERSON.PASSWORD_HASH, PERSON.FAHRENHEIT)
        .from(PERSON)
        .where(PERSON.ID.eq(id))
        .fetchOptional(mapping(Person::new));
  }

  public boolean insert(UUID id, String login, String name, String hash, Instant now) {
    return db.insertInto(PERSON)
            .set(PERSON.ID, id)
            .set(PERSON.LOGIN, login)
            .set(PERSON.NAME, name)
            .set(PERSON.PASSWORD_HASH, hash)
            .set(PERSON.CREATED_AT, now)
            .onConflictDoNothing()
            .execute()
        == 1;
  }

  public void setFahrenheit(UUID person, boolean fahrenheit) {
    db.update(PERSON).set(PERSON.FAHRENHEIT, fahrenheit).where(PERSON.ID.eq(person)).execute();
  }

  public Optional<Role> role(UUID person, UUID holding) {
    return db.select(MEMBERSHIP.ROLE)
        .from(MEMBERSHIP)
        .where(MEMBERSHIP.PERSON_ID.eq(person))
        .and(MEMBERSHIP.HOLDING_ID.eq(holding))
        .fetchOptional(r -> Role.valueOf(r.value1()));
  }

  public List<Belonging> belongings(UUID person) {
    return db.select(HOLDING.ID, HOLDING.NAME, MEMBERSHIP.ROLE, HOLDING.ZONE, HOLDING.LATITUDE)
        .from(MEMBERSHIP)
        .join(HOLDING)
        .on(HOLDING.ID.eq(MEMBERSHIP.HOLDING_ID))
        .where(MEMBERSHIP.PERSON_ID.eq(person))
        .orderBy(HOLDING.NAME)
        .fetch(
            r ->
                new Belonging(
                    r.value1(), r.value2(), Role.valueOf(r.value3()), r.value4(), r.value5()));
  }

  public void join(UUID person, UUID holding, Role role) {
    db.insertInto(MEMBERSHIP)
        .set(MEMBERSHIP.PERSON_ID, person)
        .set(MEMBERSHIP.HOLDING_ID, holding)
        .set(MEMBERSHIP.ROLE, role.name())
        .onConflict(MEMBERSHIP.PERSON_ID, MEMBERSHIP.HOLDING_ID)
        .doUpdate()
        .set(MEMBERSHIP.ROLE, role.name())
        .execute();
  }
}
