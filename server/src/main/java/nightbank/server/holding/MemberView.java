package nightbank.server.holding;

import java.util.UUID;
import nightbank.server.account.Role;

/** Somebody who belongs to a holding. */
public record MemberView(UUID personId, String login, String name, Role role) {
  public static MemberView of(UUID personId, String login, String name, String role) {
    return new MemberView(personId, login, name, Role.valueOf(role));
  }
}
