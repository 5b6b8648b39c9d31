package nightbank.server.account;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import nightbank.server.account.internal.CodeRepository;
import nightbank.server.account.internal.CodeRepository.Kept;
import nightbank.server.shared.Allowances;
import nightbank.server.shared.Problem;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;

/**
 * Codes that a keeper hands over: a way into a holding, or to a new password. Each is of use once
 * and for some days; only what is made of it is kept.
 */
@Service
public class OneTimeCodes {
  private static final int LENGTH = 10; // 49 bits
  private static final Duration INVITED = Duration.ofDays(7);
  private static final Duration FORGOTTEN = Duration.ofDays(1);
  private static final Allowances.Rate TRIES = new Allowances.Rate(60, Duration.ofMinutes(1));

  private final CodeRepository repository;
  private final Allowances allowances;
  private final Clock clock;

  OneTimeCodes(CodeRepository repository, Allowances allowances, Clock clock) {
    this.repository = repository;
    this.allowances = allowances;
    this.clock = clock;
  }

  /** A code to hand over, told once. */
  public record CodeView(String code, Instant endsAt) {}

  /** What an invitation lets into. */
  public record Invitation(UUID holding, Role role) {}

  public CodeView invite(UUID holding, Role role) {
    return made(null, holding, role, INVITED);
  }

  /** Whoever shows it chooses this person's password anew; one that was made before is void. */
  public CodeView forNewPassword(UUID person) {
    forget(person);
    return made(person, null, null, FORGOTTEN);
  }

  /** What was made for a person's password opens nothing any more. */
  public void forget(UUID person) {
    repository.forgetOf(person);
  }

  private CodeView made(
      @Nullable UUID person, @Nullable UUID holding, @Nullable Role role, Duration lasts) {
    String code = Code.drawn(LENGTH);
    Instant ends = clock.instant().plus(lasts);
    repository.add(Code.hash(code), person, holding, role, ends);
    return new CodeView(code, ends);
  }

  /** One of an address's tries; outside of what is taken back when it fails. */
  public void spendTry(String address) {
    allowances.require("codes " + address, TRIES, "code");
  }

  /** Uses an invitation up. */
  public Invitation takeInvitation(String code) {
    Kept k = take(code);
    if (k.holding() == null || k.role() == null) {
      throw unknown();
    }
    return new Invitation(k.holding(), k.role());
  }

  /** Uses up a code for this person's password. */
  void takeForPassword(String code, UUID person) {
    if (!person.equals(take(code).person())) {
      throw unknown();
    }
  }

  private Kept take(String code) {
    return repository
        .take(Code.hash(code == null ? "" : code), clock.instant())
        .orElseThrow(OneTimeCodes::unknown);
  }

  static Problem unknown() {
    return new Problem(
        HttpStatus.FORBIDDEN,
        "wrong-code",
        "code",
        "This code is not known, was used, or has run out.",
        "Ask a keeper of the holding for another.");
  }

  @Scheduled(fixedDelay = 3_600_000)
  void tidy() {
    repository.forgetOver(clock.instant());
  }
}
