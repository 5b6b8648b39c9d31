package nightbank.server.holding;

import java.util.UUID;
import nightbank.server.account.Accounts;
import nightbank.server.shared.Problem;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The first keeper and holding of all; one, however many ask at once. */
@Service
public class FirstKeeper {
  private final Accounts accounts;
  private final Holdings holdings;

  FirstKeeper(Accounts accounts, Holdings holdings) {
    this.accounts = accounts;
    this.holdings = holdings;
  }

  @Transactional
  public HoldingView begin(
      String login, String name, String password, Holdings.@Nullable HoldingDraft holding) {
    accounts.oneAtATime();
    refuseIfBegun();
    UUID keeper = accounts.create(login, name, password);
    if (holding == null) {
      throw Problem.invalid("holding", "The holding is missing.", "Say where it lies.");
    }
    return holdings.create(keeper, holding);
  }

  public void refuseIfBegun() {
    if (accounts.anybody()) {
      throw new Problem(
          HttpStatus.CONFLICT,
          "begun-already",
          "",
          "This program has its first keeper already.",
          "Sign in, or ask the keeper for an account.");
    }
  }
}
