package nightbank.server.account;

import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;
import org.springframework.stereotype.Component;

/** Where a person is signed in. */
@Component
public class OpenSessions {
  private final FindByIndexNameSessionRepository<? extends Session> sessions;

  OpenSessions(FindByIndexNameSessionRepository<? extends Session> sessions) {
    this.sessions = sessions;
  }

  /** Signs a person out everywhere, or everywhere but here. */
  void end(UUID person, @Nullable String but) {
    sessions
        .findByPrincipalName(person.toString())
        .keySet()
        .forEach(
            id -> {
              if (!id.equals(but)) {
                sessions.deleteById(id);
              }
            });
  }

  /** Whether somebody is still signed in with it. */
  public boolean lasts(String id) {
    Session s = sessions.findById(id);
    return s != null && !s.isExpired();
  }
}
