package nightbank.server.account;

import java.time.Duration;
import java.util.UUID;
import nightbank.server.shared.Allowances;
import nightbank.server.shared.Problem;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/**
 * Ten failed tries a quarter of an hour for each name, forty for each address; whoever gets in
 * gives back the try. A browser that somebody has signed in from has twenty of its own, so that
 * strangers who try the name, or others behind the same router, do not lock that person out.
 */
@Component
class SignInLimits {
  private static final Allowances.Rate NAME = new Allowances.Rate(10, Duration.ofMinutes(15));
  private static final Allowances.Rate ADDRESS = new Allowances.Rate(40, Duration.ofMinutes(15));

  private static final Allowances.Rate KNOWN = new Allowances.Rate(20, Duration.ofMinutes(15));

  private final Allowances allowances;

  SignInLimits(Allowances allowances) {
    this.allowances = allowances;
  }

  void spendKnown(String login) {
    if (!allowances.spend(known(login), KNOWN)) {
      throw tooMany();
    }
  }

  void spend(String login, String address) {
    boolean name = allowances.spend(name(login), NAME);
    boolean from = allowances.spend("from " + address, ADDRESS);
    if (!name || !from) {
      throw tooMany();
    }
  }

  /** For who changes the own password. */
  void spendOwn(UUID person) {
    if (!allowances.spend("own " + person, NAME)) {
      throw tooMany();
    }
  }

  private static Problem tooMany() {
    return new Problem(
        HttpStatus.TOO_MANY_REQUESTS,
        "too-many-tries",
        "password",
        "Too many tries to sign in.",
        "Wait a quarter of an hour, or sign in from a browser where you have been signed in.");
  }

  private static String known(String login) {
    return "known " + name(login);
  }

  /** Of so many letters: nobody fills the table with long names. */
  private static String name(String login) {
    return "name " + login.substring(0, Math.min(200, login.length()));
  }

  void giveBack(String login, String address) {
    allowances.giveBack(name(login), NAME);
    allowances.giveBack(known(login), KNOWN);
    allowances.giveBack("from " + address, ADDRESS);
  }

  void forget(String login, String address) {
    allowances.forget(name(login));
    allowances.forget(known(login));
    allowances.giveBack("from " + address, ADDRESS);
  }
}
