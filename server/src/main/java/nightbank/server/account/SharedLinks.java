package nightbank.server.account;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import nightbank.server.account.internal.AccountRepository;
import nightbank.server.account.internal.LinkRepository;
import nightbank.server.shared.Problem;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Links to a view, by which somebody without an account reads the holding as a guest for some days.
 * Who comes by one is a person made for it, who can do nothing else and goes with it.
 */
@Service
public class SharedLinks {
  private static final int LENGTH = 26; // 127 bits: it stands in addresses and is typed by nobody
  private static final int LONGEST = 90; // days
  private static final int MOST = 50; // of a holding
  private static final int LONGEST_VIEW = 300;
  private static final String LOGIN = "link-";

  private final LinkRepository repository;
  private final AccountRepository accounts;
  private final PasswordEncoder passwords;
  private final OpenSessions sessions;
  private final Clock clock;

  SharedLinks(
      LinkRepository repository,
      AccountRepository accounts,
      PasswordEncoder passwords,
      OpenSessions sessions,
      Clock clock) {
    this.repository = repository;
    this.passwords = passwords;
    this.accounts = accounts;
    this.sessions = sessions;
    this.clock = clock;
  }

  /**
   * One link.
   *
   * @param view path of the view within the holding
   * @param code told once, when it is made
   */
  public record LinkView(
      UUID id, String view, Instant madeAt, Instant endsAt, @Nullable String code) {}

  /** Who comes in by a link, and where to. */
  record Came(SignedIn who, UUID holding, String view) {}

  public List<LinkView> all(UUID holding) {
    return repository.all(holding, clock.instant());
  }

  @Transactional
  public LinkView make(UUID holding, @Nullable String view, int days) {
    if (days < 1 || days > LONGEST) {
      throw Problem.invalid("days", "A link lasts 1 to " + LONGEST + " days.", "Choose so many.");
    }
    if (view == null || view.length() > LONGEST_VIEW || !view.matches("[A-Za-z0-9/?&=_.~%+-]+")) {
      throw Problem.invalid("view", "This is no view of the holding.", "Share one that is open.");
    }
    if (all(holding).size() >= MOST) {
      throw Problem.invalid("view", "A holding has at most 50 links.", "Take old ones back.");
    }
    Instant now = clock.instant();
    UUID person = UUID.randomUUID();
    String code = Code.drawn(LENGTH);
    String login = LOGIN + person;
    String nobodys = passwords.encode(Code.drawn(LENGTH));
    accounts.insert(person, login, "Whoever has the link", nobodys, now);
    LinkView link =
        new LinkView(UUID.randomUUID(), view, now, now.plus(Duration.ofDays(days)), code);
    repository.insert(holding, person, Code.hash(code), link);
    return link;
  }

  @Transactional
  public List<LinkView> takeBack(UUID holding, UUID id) {
    UUID person = repository.end(holding, id).orElseThrow(() -> Problem.notFound("link"));
    sessions.end(person, null);
    return all(holding);
  }

  Came come(@Nullable String code) {
    return repository
        .byHash(Code.hash(code == null ? "" : code), clock.instant())
        .map(k -> new Came(new SignedIn(k.person(), LOGIN + k.person()), k.holding(), k.view()))
        .orElseThrow(
            () ->
                new Problem(
                    HttpStatus.FORBIDDEN,
                    "wrong-code",
                    "code",
                    "This link is over, or has been taken back.",
                    "Ask whoever gave it to you for another."));
  }

  /** Refuses whoever came by a link: what is asked for needs an account. */
  public void requireAccount(SignedIn who) {
    if (repository.isOfLink(who.personId())) {
      throw new Problem(
          HttpStatus.FORBIDDEN,
          "not-allowed",
          "",
          "Who came by a link may read, and nothing else.",
          "Sign in with an account of your own.");
    }
  }

  @Scheduled(fixedDelay = 3_600_000)
  void tidy() {
    repository.forgetOver(clock.instant());
  }
}
