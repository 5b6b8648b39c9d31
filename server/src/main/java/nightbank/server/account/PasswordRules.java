package nightbank.server.account;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import nightbank.server.shared.Problem;
import org.jspecify.annotations.Nullable;

/**
 * What a password must be: long rather than odd (NIST SP 800-63B, 3.1.1.2: no rules of signs, but
 * none that everybody tries first, none of one's own name).
 */
final class PasswordRules {
  private static final int SHORTEST = 10;
  private static final int LONGEST = 72; // what bcrypt takes in, bytes
  private static final int FEWEST_SIGNS = 5;
  private static final int OWN_WORD = 4; // letters at the least that a name or a common word has

  /** Words and rows of keys that guesses are made of. */
  private static final Set<String> COMMON =
      Set.of(
          "password",
          "passwort",
          "passphrase",
          "letmein",
          "welcome",
          "admin",
          "administrator",
          "qwerty",
          "qwertz",
          "azerty",
          "asdf",
          "zxcv",
          "iloveyou",
          "monkey",
          "dragon",
          "sunshine",
          "princess",
          "football",
          "baseball",
          "superman",
          "master",
          "shadow",
          "secret",
          "login",
          "changeme",
          "default",
          "guest",
          "root",
          "test",
          "hello",
          "trustno",
          "whatever",
          "greenhouse",
          "nightbank",
          "garden",
          "gardener",
          "keeper",
          "summer",
          "winter",
          "spring",
          "autumn",
          "january",
          "february",
          "april",
          "august",
          "september",
          "october",
          "november",
          "december",
          "computer",
          "internet",
          "michael",
          "jennifer",
          "charlie",
          "liverpool");

  private static final List<String> ROWS =
      List.of(
          "01234567890123456789",
          "98765432109876543210",
          "abcdefghijklmnopqrstuvwxyz",
          "zyxwvutsrqponmlkjihgfedcba",
          "qwertyuiopasdfghjklzxcvbnm",
          "qwertzuiopasdfghjklyxcvbnm",
          "1qaz2wsx3edc4rfv5tgb6yhn");

  private static final int ROW = 4; // keys in a row that count as one

  private PasswordRules() {}

  /** Refuses what somebody would guess. */
  static void require(@Nullable String password, String login, String name) {
    if (password == null
        || password.length() < SHORTEST
        || password.getBytes(StandardCharsets.UTF_8).length > LONGEST) {
      throw refused("The password must have " + SHORTEST + " to " + LONGEST + " letters.");
    }
    if (password.chars().distinct().count() < FEWEST_SIGNS) {
      throw refused("The password is made of hardly any different letters.");
    }
    String rest = password.toLowerCase(Locale.ROOT);
    for (String own : List.of(login, name)) {
      rest = without(rest, own.toLowerCase(Locale.ROOT));
    }
    for (String common : COMMON) {
      rest = without(rest, common);
    }
    rest = withoutRows(rest);
    if (rest.length() < password.length() && letters(rest) < FEWEST_SIGNS) {
      throw refused("The password is one of those that are tried first.");
    }
  }

  private static String without(String text, String word) {
    return word.length() < OWN_WORD ? text : text.replace(word, "");
  }

  private static String withoutRows(String text) {
    StringBuilder left = new StringBuilder();
    for (int i = 0; i < text.length(); ) {
      int row = 1;
      while (i + row < text.length() && inARow(text.substring(i, i + row + 1))) {
        row++;
      }
      left.append(row < ROW ? text.substring(i, i + row) : "");
      i += row;
    }
    return left.toString();
  }

  private static boolean inARow(String part) {
    return ROWS.stream().anyMatch(r -> r.contains(part));
  }

  /** Years and marks about a common word make it no better. */
  private static long letters(String text) {
    return text.codePoints().filter(Character::isLetter).distinct().count();
  }

  private static Problem refused(String why) {
    return Problem.invalid(
        "password", why, "Three or four words that only you would put together are good.");
  }
}
