package nightbank.server.account;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.time.Duration;
import java.util.HexFormat;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;
import org.springframework.stereotype.Component;

/**
 * A browser that somebody has signed in from, so that strangers who try that person's name lock
 * nobody out of it. Its mark opens nothing, and is worth nothing after the password has changed.
 */
@Component
class KnownBrowser {
  private static final Charset UTF = StandardCharsets.UTF_8;
  private static final String COOKIE = "nightbank-known";
  private static final int MOST = 5; // people of one browser
  private static final Duration LASTS = Duration.ofDays(365);

  private final Accounts accounts;

  KnownBrowser(Accounts accounts) {
    this.accounts = accounts;
  }

  boolean knows(HttpServletRequest request, String login) {
    List<String> shown = marks(request);
    if (shown.isEmpty()) {
      return false;
    }
    byte[] mark = accounts.passwordHash(login).map(KnownBrowser::mark).orElse("").getBytes(UTF);
    return mark.length > 0
        && shown.stream().anyMatch(m -> MessageDigest.isEqual(m.getBytes(UTF), mark));
  }

  void remember(HttpServletRequest request, HttpServletResponse response, String login) {
    Set<String> all = new LinkedHashSet<>();
    accounts.passwordHash(login).map(KnownBrowser::mark).ifPresent(all::add);
    all.addAll(marks(request));
    response.addHeader(
        HttpHeaders.SET_COOKIE,
        ResponseCookie.from(COOKIE, String.join(".", all.stream().limit(MOST).toList()))
            .httpOnly(true)
            .secure(request.isSecure())
            .sameSite("Lax")
            .path(request.getContextPath() + "/api/session")
            .maxAge(LASTS)
            .build()
            .toString());
  }

  private static List<String> marks(HttpServletRequest request) {
    if (request.getCookies() != null) {
      for (Cookie c : request.getCookies()) {
        if (c.getName().equals(COOKIE)) {
          return List.of(c.getValue().split("\\.")).stream().limit(MOST).toList();
        }
      }
    }
    return List.of();
  }

  private static String mark(String passwordHash) {
    try {
      Mac mac = Mac.getInstance("HmacSHA256");
      mac.init(new SecretKeySpec(passwordHash.getBytes(UTF), "HmacSHA256"));
      return HexFormat.of().formatHex(mac.doFinal("known browser".getBytes(UTF)));
    } catch (GeneralSecurityException e) {
      throw new IllegalStateException(e);
    }
  }
}
