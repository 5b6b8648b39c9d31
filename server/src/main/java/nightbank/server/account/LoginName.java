package nightbank.server.account;

import java.lang.Character.UnicodeScript;
import java.text.Normalizer;
import java.util.EnumSet;
import java.util.Locale;
import java.util.Set;
import nightbank.server.shared.Problem;
import org.jspecify.annotations.Nullable;

/** A name to sign in with, as it is kept, and how it looks. */
final class LoginName {
  private static final int SHORTEST = 2;
  private static final int LONGEST = 100;

  private LoginName() {}

  /** As it is kept: compatibility forms composed, in small letters. */
  static String key(@Nullable String typed) {
    return typed == null
        ? ""
        : Normalizer.normalize(typed, Normalizer.Form.NFKC).strip().toLowerCase(Locale.ROOT);
  }

  /** Refuses what cannot be read out: signs nobody sees, alphabets mixed (Unicode UTS 39, 5.2). */
  static void require(String key) {
    if (key.length() < SHORTEST || key.length() > LONGEST) {
      throw Problem.invalid(
          "login", "The sign-in name must have 2 to 100 letters.", "Choose another name.");
    }
    Set<UnicodeScript> scripts = EnumSet.noneOf(UnicodeScript.class);
    key.codePoints().mapToObj(UnicodeScript::of).forEach(scripts::add);
    scripts.remove(UnicodeScript.COMMON);
    scripts.remove(UnicodeScript.INHERITED);
    if (scripts.size() > 1 || key.codePoints().anyMatch(LoginName::isUnseen)) {
      throw Problem.invalid(
          "login",
          "The sign-in name mixes alphabets or has signs that nobody sees.",
          "Letters of one alphabet, figures, points and dashes are good.");
    }
  }

  private static boolean isUnseen(int c) {
    return switch (Character.getType(c)) {
      case Character.CONTROL,
          Character.FORMAT,
          Character.UNASSIGNED,
          Character.PRIVATE_USE,
          Character.SURROGATE,
          Character.LINE_SEPARATOR,
          Character.PARAGRAPH_SEPARATOR ->
          true;
      default -> false;
    };
  }

  /** Two names that look alike have the same. */
  static String look(String key) {
    return Normalizer.normalize(key, Normalizer.Form.NFD)
        .replaceAll("\\p{M}", "")
        .replaceAll("[\\s._-]", "")
        .replace("rn", "m")
        .replace("vv", "w")
        .replace('0', 'o')
        .replace('1', 'l')
        .replace('i', 'l')
        .replace('|', 'l')
        .replace('5', 's');
  }
}
