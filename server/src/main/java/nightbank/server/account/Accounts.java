package nightbank.server.account;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import nightbank.server.account.internal.AccountRepository;
import nightbank.server.account.internal.AccountRepository.Person;
import nightbank.server.shared.Problem;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Making accounts and letting people in. */
@Service
public class Accounts {
  private final AccountRepository repository;
  private final PasswordEncoder passwords;
  private final OneTimeCodes codes;
  private final Clock clock;
  private final String unusedHash;

  Accounts(
      AccountRepository repository, PasswordEncoder passwords, OneTimeCodes codes, Clock clock) {
    this.repository = repository;
    this.codes = codes;
    this.passwords = passwords;
    this.clock = clock;
    this.unusedHash = passwords.encode("nobody has this password");
  }

  /** Until the end of this transaction nobody else may make a first keeper. */
  public void oneAtATime() {
    repository.lockFirst();
  }

  public boolean anybody() {
    return repository.anybody();
  }

  /** A person as others see them. */
  public record PersonView(
      UUID id, String login, String name, UnitsView units, @Nullable TriesView tries) {}

  /** Tries to sign in that failed since the person was last told. */
  public record TriesView(int number, Instant last) {}

  /** A holding as its members see it in their list. */
  public record HoldingLink(UUID id, String name, Role role, String zone, boolean south) {}

  public Optional<PersonView> person(UUID id) {
    return repository
        .byId(id)
        .map(p -> new PersonView(p.id(), p.login(), p.name(), p.units(), p.tries()));
  }

  public List<HoldingLink> holdings(UUID person) {
    return repository.belongings(person).stream()
        .map(b -> new HoldingLink(b.holdingId(), b.name(), b.role(), b.zone(), b.latitude() < 0))
        .toList();
  }

  public UUID create(String login, String name, String password) {
    String key = key(login);
    LoginName.require(key);
    String called = name == null || name.isBlank() ? key : name.strip();
    if (called.length() > 200) {
      throw Problem.invalid("name", "The name has more than 200 letters.", "Shorten it.");
    }
    PasswordRules.require(password, key, called);
    String look = LoginName.look(key);
    repository.logins().stream()
        .filter(other -> LoginName.look(other).equals(look))
        .findFirst()
        .ifPresent(
            other -> {
              throw new Problem(
                  HttpStatus.CONFLICT,
                  "taken",
                  "login",
                  other.equals(key)
                      ? "Somebody signs in as " + key + " already."
                      : "Somebody signs in with a name that looks like " + key + ".",
                  "Choose another name.");
            });
    UUID id = UUID.randomUUID();
    if (!repository.insert(id, key, called, passwords.encode(password), clock.instant())) {
      throw new Problem(
          HttpStatus.CONFLICT,
          "taken",
          "login",
          "Somebody signs in as " + key + " already.",
          "Choose another name.");
    }
    return id;
  }

  /** Who this is, if name and password belong together; takes as long for a name nobody has. */
  Optional<SignedIn> check(String login, String password) {
    Optional<Person> person = repository.byLogin(key(login));
    String hash = person.map(Person::passwordHash).orElse(unusedHash);
    boolean right = passwords.matches(password == null ? "" : password, hash);
    return person.filter(p -> right).map(p -> new SignedIn(p.id(), p.login()));
  }

  /** Changes one's own password, shown the one before. */
  @Transactional
  void changePassword(UUID person, String before, String password) {
    Person p = repository.byId(person).orElseThrow(() -> Problem.notFound("person"));
    if (!passwords.matches(before == null ? "" : before, p.passwordHash())) {
      throw new Problem(
          HttpStatus.FORBIDDEN,
          "wrong-sign-in",
          "before",
          "This is not your password as it is.",
          "Check it; capitals count. A keeper can make you a code for a new one.");
    }
    setPassword(p, password);
  }

  /** Sets a password anew for whoever shows the code that was made for it. */
  @Transactional
  UUID resetPassword(String login, String code, String password) {
    Person p = repository.byLogin(key(login)).orElseThrow(OneTimeCodes::unknown);
    codes.takeForPassword(code, p.id());
    setPassword(p, password);
    return p.id();
  }

  private void setPassword(Person p, String password) {
    PasswordRules.require(password, p.login(), p.name());
    codes.forget(p.id());
    repository.setPassword(p.id(), passwords.encode(password));
  }

  /** Somebody tried this name in vain. */
  void triedInVain(String login) {
    repository.triedInVain(key(login), clock.instant());
  }

  /** The person has been told. */
  void toldOfTries(UUID person) {
    repository.toldOfTries(person);
  }

  Optional<String> passwordHash(String login) {
    return repository.byLogin(key(login)).map(Person::passwordHash);
  }

  public Optional<Role> role(UUID person, UUID holding) {
    return repository.role(person, holding);
  }

  public void join(UUID person, UUID holding, Role role) {
    repository.join(person, holding, role);
  }

  public void part(UUID person, UUID holding) {
    repository.part(person, holding);
  }

  public void setUnits(UUID person, UnitsView units) {
    repository.setUnits(person, units);
  }

  static String key(@Nullable String login) {
    return LoginName.key(login);
  }
}
