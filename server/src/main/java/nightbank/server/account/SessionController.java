package nightbank.server.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import nightbank.server.shared.Problem;
import nightbank.server.shared.Settings;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CsrfTokenRepository;
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
  private final CsrfTokenRepository tokens;
  private final OpenSessions sessions;
  private final OneTimeCodes codes;
  private final SharedLinks links;
  private final Settings settings;
  private final Clock clock;

  SessionController(
      Accounts accounts,
      Access access,
      SignInLimits limits,
      SecurityContextRepository contexts,
      CsrfTokenRepository tokens,
      OpenSessions sessions,
      OneTimeCodes codes,
      SharedLinks links,
      Settings settings,
      Clock clock,
      KnownBrowser browsers) {
    this.accounts = accounts;
    this.access = access;
    this.limits = limits;
    this.browsers = browsers;
    this.contexts = contexts;
    this.tokens = tokens;
    this.sessions = sessions;
    this.codes = codes;
    this.links = links;
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
    SignedIn who = checked(body, key, request.getRemoteAddr());
    limits.forget(key, request.getRemoteAddr());
    open(who, request, response);
    browsers.remember(request, response, key);
    return me();
  }

  /** A try that fails by our own fault is given back. */
  private SignedIn checked(SignIn body, String key, String address) {
    Optional<SignedIn> who;
    try {
      who = accounts.check(body.login(), body.password());
    } catch (RuntimeException ours) {
      limits.giveBack(key, address);
      throw ours;
    }
    if (who.isEmpty()) {
      accounts.triedInVain(key);
    }
    return who.orElseThrow(
        () ->
            new Problem(
                HttpStatus.UNAUTHORIZED,
                "wrong-sign-in",
                "password",
                "Name and password do not belong together.",
                "Check both; capitals count in the password."));
  }

  private void open(SignedIn who, HttpServletRequest request, HttpServletResponse response) {
    request.getSession(true);
    request.changeSessionId();
    SecurityContext context = SecurityContextHolder.createEmptyContext();
    context.setAuthentication(
        UsernamePasswordAuthenticationToken.authenticated(who, null, List.of()));
    SecurityContextHolder.setContext(context);
    contexts.saveContext(context, request, response);
    tokens.saveToken(tokens.generateToken(request), request, response);
  }

  record ByLink(String code) {}

  /** Where a link leads; whoever shows it reads there as a guest. */
  record CameByLink(UUID holdingId, String view, MeView me) {}

  @PostMapping("/api/session/link")
  CameByLink byLink(
      @RequestBody ByLink body, HttpServletRequest request, HttpServletResponse response) {
    codes.spendTry(request.getRemoteAddr());
    SharedLinks.Came came = links.come(body.code());
    open(came.who(), request, response);
    return new CameByLink(came.holding(), came.view(), me());
  }

  record NewPassword(String before, String password) {}

  /** One's own; whoever is signed in elsewhere with the old one is out. */
  @PutMapping("/api/me/password")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void password(
      @RequestBody NewPassword body, HttpServletRequest request, HttpServletResponse response) {
    SignedIn me = access.signedIn().orElseThrow();
    limits.spendOwn(me.personId());
    accounts.changePassword(me.personId(), body.before(), body.password());
    sessions.end(me.personId(), request.getSession(true).getId());
    browsers.remember(request, response, me.login());
  }

  record ResetPassword(String login, String code, String password) {}

  /** With a keeper's code, by whoever has forgotten it. */
  @PostMapping("/api/passwords")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void reset(@RequestBody ResetPassword body, HttpServletRequest request) {
    codes.spendTry(request.getRemoteAddr());
    sessions.end(accounts.resetPassword(body.login(), body.code(), body.password()), null);
  }

  /** Out on every browser, this one too. */
  @DeleteMapping("/api/me/sessions")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void signOutEverywhere(HttpServletRequest request) {
    access.signedIn().ifPresent(s -> sessions.end(s.personId(), null));
    signOut(request);
  }

  /** What somebody tried in vain has been read. */
  @DeleteMapping("/api/me/tries")
  MeView toldOfTries() {
    access.signedIn().ifPresent(s -> accounts.toldOfTries(s.personId()));
    return me();
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
