package nightbank.server.account;

import java.util.Optional;
import java.util.UUID;
import nightbank.server.account.internal.AccountRepository;
import nightbank.server.shared.Problem;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;

/** The one place that decides whether somebody may do something in a holding. */
@Component
public class Access {
  private final AccountRepository accounts;

  Access(AccountRepository accounts) {
    this.accounts = accounts;
  }

  public Optional<SignedIn> signedIn() {
    Authentication a = SecurityContextHolder.getContext().getAuthentication();
    return a != null && a.getPrincipal() instanceof SignedIn s ? Optional.of(s) : Optional.empty();
  }

  /** Refuses strangers as if the holding did not exist, and members without the right by name. */
  public void require(UUID holdingId, Role needed) {
    SignedIn who = signedIn().orElseThrow(() -> Problem.notFound("holding"));
    Role role =
        accounts.role(who.personId(), holdingId).orElseThrow(() -> Problem.notFound("holding"));
    if (!role.covers(needed)) {
      throw new Problem(
          HttpStatus.FORBIDDEN,
          "not-allowed",
          "",
          needed == Role.KEEPER
              ? "Only a keeper of this holding may change that."
              : "A guest of this holding may read but not log.",
          "Ask a keeper of the holding.");
    }
  }
}
