package nightbank.server.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import nightbank.server.shared.Problem;
import nightbank.server.shared.Settings;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The door: who is there, in, out. */
@RestController
class SessionController {
  private final Accounts accounts;
  private final Access access;
  private final SignInLimits limits;
  private final KnownBrowser browsers;
  private final SecurityContextRepository contexts;
  private final Settings settings;
  private final Clock clock;

  SessionController(
      Accounts accounts,
      Access access,
      SignInLimits limits,
      SecurityContextRepository contexts,
      Settings settings,
      Clock clock,
      KnownBrowser browsers) {
    this.accounts = accounts;
    this.access = access;
    this.limits = limits;
    this.browsers = browsers;
    this.contexts = contexts;
    this.settings = settings;
    this.clock = clock;
  }

  record MeView(
      Accounts.@Nullable PersonView person,
      List<Accounts.HoldingLink> holdings,
      boolean beginNeeded,
      boolean demo,
      Instant now) {}

  record SignIn(String login, String password) {}

  @GetMapping("/api/me")
  MeView me() {
    var who = access.signedIn().flatMap(s -> accounts.person(s.personId()));
    return new MeView(
        who.orElse(null),
        who.map(p -> accounts.holdings(p.id())).orElse(List.of()),
        !accounts.anybody(),
        settings.isDemo(),
        clock.instant());
  }

  @PutMapping("/api/me/units")
  MeView units(@RequestBody UnitsView units) {
    access.signedIn().ifPresent(s -> accounts.setUnits(s.personId(), units));
    return me();
  }

  @PostMapping("/api/session")
  MeView signIn(
      @RequestBody SignIn body, HttpServletRequest request, HttpServletResponse response) {
    String key = Accounts.key(body.login());
    boolean known = browsers.knows(request, key);
    if (known) {
      limits.spendKnown(key);
    } else {
      limits.spend(key, request.getRemoteAddr());
    }
    SignedIn who =
        accounts
            .check(body.login(), body.password())
            .orElseThrow(
                () ->
                    new Problem(
                        HttpStatus.UNAUTHORIZED,
                        "wrong-sign-in",
                        "password",
                        "Name and password do not belong together.",
                        "Check both; capitals count in the password."));
    limits.forget(key, request.getRemoteAddr());
    open(who, request, response);
    browsers.remember(request, response, key);
    return me();
  }

  void open(SignedIn who, HttpServletRequest request, HttpServletResponse response) {
    request.getSession(true);
    request.changeSessionId();
    SecurityContext context = SecurityContextHolder.createEmptyContext();
    context.setAuthentication(
        UsernamePasswordAuthenticationToken.authenticated(who, null, List.of()));
    SecurityContextHolder.setContext(context);
    contexts.saveContext(context, request, response);
  }

  @DeleteMapping("/api/session")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void signOut(HttpServletRequest request) {
    var session = request.getSession(false);
    if (session != null) {
      session.invalidate();
    }
    SecurityContextHolder.clearContext();
  }
}
