package nightbank.server.account;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.util.HexFormat;
import java.util.Locale;

/** Codes that are read out, written on paper and typed with cold fingers. */
final class Code {
  private static final String SIGNS = "23456789ABCDEFGHJKMNPQRSTVWXYZ"; // none taken for another

  private Code() {}

  /** A new one of so many signs, parted in the middle. */
  static String drawn(int length) {
    SecureRandom dice = new SecureRandom();
    StringBuilder code = new StringBuilder();
    for (int i = 0; i < length; i++) {
      code.append(i == length / 2 ? "-" : "").append(SIGNS.charAt(dice.nextInt(SIGNS.length())));
    }
    return code.toString();
  }

  /** Its signs, however it was typed. */
  static byte[] plain(String code) {
    return code.replaceAll("[^0-9A-Za-z]", "")
        .toUpperCase(Locale.ROOT)
        .getBytes(StandardCharsets.UTF_8);
  }

  /** What is kept of it. */
  static String hash(String code) {
    try {
      return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(plain(code)));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }
}
