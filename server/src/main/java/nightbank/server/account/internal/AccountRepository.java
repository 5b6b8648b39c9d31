package nightbank.server.account.internal;

import static nightbank.db.Tables.HOLDING;
import static nightbank.db.Tables.MEMBERSHIP;
import static nightbank.db.Tables.PERSON;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import nightbank.server.account.Accounts.TriesView;
import nightbank.server.account.Role;
import nightbank.server.account.UnitsView;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** People and what they belong to. */
@Repository
public class AccountRepository {
  private final DSLContext db;
  private final Clock clock;

  AccountRepository(DSLContext db, Clock clock) {
    this.db = db;
    this.clock = clock;
  }

  /** A person as stored. */
  public record Person(
      UUID id,
      String login,
      String name,
      String passwordHash,
      UnitsView units,
      @Nullable TriesView tries) {}

  /** One holding a person belongs to. */
  public record Belonging(UUID holdingId, String name, Role role, String zone, double latitude) {}

  public void lockFirst() {
    db.execute("SELECT pg_advisory_xact_lock(hashtext('first keeper'))");
  }

  public boolean anybody() {
    return db.fetchExists(PERSON);
  }

  public Optional<Person> byLogin(String login) {
    return person(PERSON.LOGIN.eq(login));
  }

  public Optional<Person> byId(UUID id) {
    return person(PERSON.ID.eq(id));
  }

  private Optional<Person> person(Condition which) {
    return db.selectFrom(PERSON)
        .where(which)
        .fetchOptional(
            p ->
                new Person(
                    p.getId(),
                    p.getLogin(),
                    p.getName(),
                    p.getPasswordHash(),
                    new UnitsView(
                        p.getFahrenheit(),
                        UnitsView.Energy.valueOf(p.getEnergyUnit()),
                        UnitsView.Power.valueOf(p.getPowerUnit()),
                        UnitsView.Mass.valueOf(p.getMassUnit()),
                        UnitsView.Volume.valueOf(p.getVolumeUnit()),
                        UnitsView.Length.valueOf(p.getLengthUnit()),
                        UnitsView.Insulation.valueOf(p.getInsulation())),
                    p.getInVain() > 0 ? new TriesView(p.getInVain(), p.getInVainAt()) : null));
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

  public List<String> logins() {
    return db.select(PERSON.LOGIN).from(PERSON).fetch(PERSON.LOGIN);
  }

  public void setPassword(UUID person, String hash) {
    db.update(PERSON).set(PERSON.PASSWORD_HASH, hash).where(PERSON.ID.eq(person)).execute();
  }

  public void triedInVain(String login, Instant now) {
    db.update(PERSON)
        .set(PERSON.IN_VAIN, PERSON.IN_VAIN.plus(1))
        .set(PERSON.IN_VAIN_AT, now)
        .where(PERSON.LOGIN.eq(login))
        .execute();
  }

  public void toldOfTries(UUID person) {
    db.update(PERSON).set(PERSON.IN_VAIN, 0).where(PERSON.ID.eq(person)).execute();
  }

  public void setUnits(UUID person, UnitsView units) {
    db.update(PERSON)
        .set(PERSON.FAHRENHEIT, units.fahrenheit())
        .set(PERSON.ENERGY_UNIT, units.energy().name())
        .set(PERSON.POWER_UNIT, units.power().name())
        .set(PERSON.MASS_UNIT, units.mass().name())
        .set(PERSON.VOLUME_UNIT, units.volume().name())
        .set(PERSON.LENGTH_UNIT, units.length().name())
        .set(PERSON.INSULATION, units.insulation().name())
        .where(PERSON.ID.eq(person))
        .execute();
  }

  public Optional<Role> role(UUID person, UUID holding) {
    return db.select(MEMBERSHIP.ROLE)
        .from(MEMBERSHIP)
        .where(MEMBERSHIP.PERSON_ID.eq(person))
        .and(MEMBERSHIP.HOLDING_ID.eq(holding))
        .and(lasts())
        .fetchOptional(r -> Role.valueOf(r.value1()));
  }

  private Condition lasts() {
    return MEMBERSHIP.ENDS_AT.isNull().or(MEMBERSHIP.ENDS_AT.gt(clock.instant()));
  }

  public List<Belonging> belongings(UUID person) {
    return db.select(HOLDING.ID, HOLDING.NAME, MEMBERSHIP.ROLE, HOLDING.ZONE, HOLDING.LATITUDE)
        .from(MEMBERSHIP)
        .join(HOLDING)
        .on(HOLDING.ID.eq(MEMBERSHIP.HOLDING_ID))
        .where(MEMBERSHIP.PERSON_ID.eq(person))
        .and(lasts())
        .orderBy(HOLDING.NAME)
        .fetch(
            r ->
                new Belonging(
                    r.value1(), r.value2(), Role.valueOf(r.value3()), r.value4(), r.value5()));
  }

  public void part(UUID person, UUID holding) {
    db.deleteFrom(MEMBERSHIP)
        .where(MEMBERSHIP.PERSON_ID.eq(person))
        .and(MEMBERSHIP.HOLDING_ID.eq(holding))
        .execute();
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
