package nightbank.server.account;

import java.io.Serializable;
import java.util.UUID;
import org.springframework.security.core.AuthenticatedPrincipal;

/** Who is asking. */
public record SignedIn(UUID personId, String login)
    implements Serializable, AuthenticatedPrincipal {
  private static final long serialVersionUID = 1L;

  @Override
  public String getName() {
    return personId.toString();
  }
}
