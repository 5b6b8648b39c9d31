package nightbank.server.account;

import java.time.Clock;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import nightbank.server.account.internal.AccountRepository;
import nightbank.server.account.internal.AccountRepository.Person;
import nightbank.server.shared.Problem;
import org.springframework.http.HttpStatus;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;

/** Making accounts and letting people in. */
@Service
public class Accounts {
  private static final int SHORTEST_PASSWORD = 10;
  private static final int LONGEST_PASSWORD = 72; // what bcrypt takes in, bytes

  private final AccountRepository repository;
  private final PasswordEncoder passwords;
  private final Clock clock;
  private final String unusedHash;

  Accounts(AccountRepository repository, PasswordEncoder passwords, Clock clock) {
    this.repository = repository;
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
  public record PersonView(UUID id, String login, String name, UnitsView units) {}

  /** A holding as its members see it in their list. */
  public record HoldingLink(UUID id, String name, Role role, String zone, boolean south) {}

  public Optional<PersonView> person(UUID id) {
    return repository.byId(id).map(p -> new PersonView(p.id(), p.login(), p.name(), p.units()));
  }

  public List<HoldingLink> holdings(UUID person) {
    return repository.belongings(person).stream()
        .map(b -> new HoldingLink(b.holdingId(), b.name(), b.role(), b.zone(), b.latitude() < 0))
        .toList();
  }

  public UUID create(String login, String name, String password) {
    String key = key(login);
    if (key.length() < 2 || key.length() > 100) {
      throw Problem.invalid(
          "login", "The sign-in name must have 2 to 100 letters.", "Choose another name.");
    }
    String called = name == null || name.isBlank() ? key : name.strip();
    if (called.length() > 200) {
      throw Problem.invalid("name", "The name has more than 200 letters.", "Shorten it.");
    }
    if (password == null
        || password.length() < SHORTEST_PASSWORD
        || password.getBytes(java.nio.charset.StandardCharsets.UTF_8).length > LONGEST_PASSWORD) {
      throw Problem.invalid(
          "password",
          "The password must have 10 to 72 letters.",
          "Three or four words that only you would put together are good.");
    }
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

  Optional<String> passwordHash(String login) {
    return repository.byLogin(key(login)).map(Person::passwordHash);
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

  static String key(String login) {
    return login == null ? "" : login.strip().toLowerCase(Locale.ROOT);
  }
}
