package nightbank.server.alarm;

import java.time.DateTimeException;
import java.time.Duration;
import java.time.LocalTime;
import java.time.ZoneId;
import nightbank.core.alarm.QuietHours;
import nightbank.core.alarm.Telling;
import nightbank.server.shared.Problem;
import org.jspecify.annotations.Nullable;

/** A book's hours as the core reckons with them. */
final class AlarmTimes {
  private AlarmTimes() {}

  static QuietHours quiet(AlarmBook book, ZoneId zone) {
    return new QuietHours(
        hour("quietFrom", book.quietFrom()), hour("quietTo", book.quietTo()), zone);
  }

  static Telling telling(AlarmBook book, ZoneId zone) {
    return new Telling(quiet(book, zone), Duration.ofMinutes(book.againMinutes()));
  }

  static LocalTime hour(String field, @Nullable String typed) {
    try {
      return LocalTime.parse(typed == null ? "" : typed);
    } catch (DateTimeException e) {
      throw Problem.invalid(field, "“" + typed + "” is no hour of the day.", "For instance 22:30.");
    }
  }
}
