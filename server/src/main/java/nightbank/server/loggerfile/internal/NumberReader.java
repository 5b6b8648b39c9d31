package nightbank.server.loggerfile.internal;

/** Numbers of a logger's cell; a cell may carry its unit. */
final class NumberReader {
  private NumberReader() {}

  /** The number, or NaN when there is none. */
  static double read(String cell, boolean decimalComma) {
    int end = cell.length();
    int start = 0;
    while (start < end && isBlank(cell.charAt(start))) {
      start++;
    }
    while (end > start && !isDigit(cell.charAt(end - 1))) {
      end--;
    }
    if (start == end || end - start > 24) {
      return Double.NaN;
    }
    String text = cell.substring(start, end).replace('\u2212', '-');
    text = decimalComma ? text.replace(".", "").replace(',', '.') : text.replace(",", "");
    for (int i = 0; i < text.length(); i++) {
      char c = text.charAt(i);
      boolean sign =
          (c == '-' || c == '+')
              && (i == 0 || text.charAt(i - 1) == 'e' || text.charAt(i - 1) == 'E');
      if (!isDigit(c) && c != '.' && c != 'e' && c != 'E' && !sign) {
        return Double.NaN;
      }
    }
    try {
      return Double.parseDouble(text);
    } catch (NumberFormatException e) {
      return Double.NaN;
    }
  }

  private static boolean isDigit(char c) {
    return c >= '0' && c <= '9';
  }

  private static boolean isBlank(char c) {
    return Character.isWhitespace(c) || c == '\u00a0' || c == '"';
  }
}
