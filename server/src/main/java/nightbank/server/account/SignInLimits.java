package nightbank.server.account;

import java.time.Duration;
import nightbank.server.shared.Allowances;
import nightbank.server.shared.Problem;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/**
 * Ten failed tries a quarter of an hour for each name, forty for each address; whoever gets in
 * gives back the try.
 */
@Component
class SignInLimits {
  private static final Allowances.Rate NAME = new Allowances.Rate(10, Duration.ofMinutes(15));
  private static final Allowances.Rate ADDRESS = new Allowances.Rate(40, Duration.ofMinutes(15));

  private final Allowances allowances;

  SignInLimits(Allowances allowances) {
    this.allowances = allowances;
  }

  void spend(String login, String address) {
    boolean name = allowances.spend(name(login), NAME);
    boolean from = allowances.spend("from " + address, ADDRESS);
    if (!name || !from) {
      throw new Problem(
          HttpStatus.TOO_MANY_REQUESTS,
          "too-many-tries",
          "password",
          "Too many tries to sign in.",
          "Wait a quarter of an hour, then try again.");
    }
  }

  /** Of so many letters: nobody fills the table with long names. */
  private static String name(String login) {
    return "name " + login.substring(0, Math.min(200, login.length()));
  }

  void forget(String login, String address) {
    allowances.forget(name(login));
    allowances.giveBack("from " + address, ADDRESS);
  }
}
