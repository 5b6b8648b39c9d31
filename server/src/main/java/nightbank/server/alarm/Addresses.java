package nightbank.server.alarm;

import java.net.URI;
import java.util.regex.Pattern;
import nightbank.server.alarm.AlarmBook.Recipient;
import nightbank.server.shared.Problem;
import org.jspecify.annotations.Nullable;

/** Where messages may go. */
final class Addresses {
  private static final Pattern MAIL =
      Pattern.compile(
          "[\\w.!#$%&'*+/=?^`{|}~-]{1,64}@[A-Za-z0-9](?:[A-Za-z0-9.-]{0,250}[A-Za-z0-9])?");

  private Addresses() {}

  static boolean isThere(@Nullable String address) {
    return address != null && !address.isBlank();
  }

  static void check(Recipient r) {
    if (r.mail() != null && !r.mail().isBlank() && !MAIL.matcher(r.mail()).matches()) {
      throw Problem.invalid(
          "mail", "“" + r.mail() + "” is no e-mail address.", "For instance ishbel@example.org.");
    }
    if (r.hook() != null && !r.hook().isBlank() && !isHook(r.hook())) {
      throw Problem.invalid(
          "hook",
          "“" + r.hook() + "” is no address of a web service.",
          "It begins with https:// (or http:// within your own network).");
    }
    if (r.secret() != null && r.secret().length() > 200) {
      throw Problem.invalid("secret", "A secret has 200 letters at most.", "Choose a shorter one.");
    }
    if (!isThere(r.mail()) && !isThere(r.hook())) {
      throw Problem.invalid(
          "mail", r.name() + " has neither e-mail nor web address.", "Give one, or take it out.");
    }
  }

  private static boolean isHook(String address) {
    try {
      URI uri = URI.create(address);
      return address.length() <= 500
          && ("https".equals(uri.getScheme()) || "http".equals(uri.getScheme()))
          && uri.getHost() != null
          && uri.getUserInfo() == null;
    } catch (IllegalArgumentException e) {
      return false;
    }
  }
}
