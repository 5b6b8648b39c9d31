package nightbank.server.loggerfile.internal;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import nightbank.server.loggerfile.FileMapping.TimeForm;
import org.jspecify.annotations.Nullable;

/**
 * Reads times of one file, row after row: numbers in the given order, AM or PM, Z or an offset.
 * Where a clock goes back an hour, a time that steps back is taken as the second of the two.
 */
final class TimeReader {
  private final TimeForm form;
  private final ZoneId zone;
  private final long[] parts = new long[8];
  private Instant last = Instant.MIN;

  TimeReader(TimeForm form, ZoneId zone) {
    this.form = form;
    this.zone = zone;
  }

  /** The moment, or null when the text is no time of this form. */
  @Nullable Instant read(String text) {
    try {
      Instant at = parse(text);
      if (at != null) {
        last = at;
      }
      return at;
    } catch (DateTimeException | ArithmeticException e) {
      return null;
    }
  }

  private @Nullable Instant parse(String text) {
    if (form == TimeForm.EPOCH_SECONDS || form == TimeForm.EPOCH_MILLIS) {
      return epoch(text.strip());
    }
    int n = 0;
    int i = 0;
    int length = text.length();
    int tail = length;
    while (i < length && n < parts.length) {
      char c = text.charAt(i);
      if (c >= '0' && c <= '9') {
        long value = 0;
        int start = i;
        while (i < length && Character.isDigit(text.charAt(i)) && i - start < 10) {
          value = value * 10 + Character.digit(text.charAt(i), 10);
          i++;
        }
        boolean fraction = start > 0 && n == 6;
        if (!fraction) {
          parts[n++] = value;
        } else {
          n++;
        }
        tail = i;
        if (n >= 5 && i < length && isTail(text.charAt(i))) {
          break;
        }
      } else if (Character.isLetter(c) && c != 'T' && c != 't' || n >= 5 && c == '+') {
        tail = i;
        break;
      } else {
        i++;
      }
    }
    if (n < 5) {
      return null;
    }
    long second = n >= 6 ? parts[5] : 0;
    LocalDate date = date();
    String rest = text.substring(tail).strip();
    int hour = hour(parts[3], rest);
    LocalDateTime local = date.atTime(hour, (int) parts[4], (int) Math.min(59, second));
    ZoneOffset offset = offset(rest);
    return offset != null ? local.toInstant(offset) : inZone(local);
  }

  private static boolean isTail(char c) {
    return c == 'Z' || c == 'z' || c == '+' || c == '-';
  }

  private LocalDate date() {
    int year = (int) (form == TimeForm.YEAR_FIRST ? parts[0] : parts[2]);
    int day =
        (int) (form == TimeForm.YEAR_FIRST ? parts[2] : parts[form == TimeForm.DAY_FIRST ? 0 : 1]);
    int month =
        (int) (form == TimeForm.YEAR_FIRST ? parts[1] : parts[form == TimeForm.DAY_FIRST ? 1 : 0]);
    return LocalDate.of(year < 100 ? 2000 + year : year, month, day);
  }

  private static int hour(long hour, String rest) {
    String mark = rest.toUpperCase(java.util.Locale.ROOT).replace(".", "").replace(" ", "");
    if (mark.startsWith("PM")) {
      return (int) (hour % 12 + 12);
    }
    return (int) (mark.startsWith("AM") ? hour % 12 : hour);
  }

  private static @Nullable ZoneOffset offset(String rest) {
    if (rest.isEmpty()) {
      return null;
    }
    char c = rest.charAt(0);
    if (c == 'Z' || c == 'z') {
      return ZoneOffset.UTC;
    }
    return c == '+' || c == '-' ? ZoneOffset.of(rest.replace(" ", "")) : null;
  }

  private Instant inZone(LocalDateTime local) {
    ZonedDateTime first = local.atZone(zone);
    Instant early = first.toInstant();
    return early.isBefore(last) ? first.withLaterOffsetAtOverlap().toInstant() : early;
  }

  private @Nullable Instant epoch(String text) {
    if (text.isEmpty() || text.length() > 20) {
      return null;
    }
    try {
      double value = Double.parseDouble(text);
      double millis = form == TimeForm.EPOCH_SECONDS ? value * 1000 : value;
      return Math.abs(millis) < 1e14 ? Instant.ofEpochMilli(Math.round(millis)) : null;
    } catch (NumberFormatException e) {
      return null;
    }
  }
}
