package nightbank.server.log;

import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.temporal.TemporalAdjusters;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * When a line of notes was written, as people say it: {@code 22:40}, {@code 6 am}, {@code yesterday
 * 2240}, {@code 12 Jan 7.30}, {@code 3/1/26 18:00}, {@code +90 min}.
 *
 * @param sinceStart seconds since a beginning that the line does not name
 * @param rest what follows it on the line
 */
record NoteTime(
    @Nullable LocalDate date, @Nullable LocalTime time, @Nullable Double sinceStart, String rest) {
  private static final List<String> MONTHS =
      List.of("jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec");
  private static final String MONTH = "(" + String.join("|", MONTHS) + ")[a-z]*\\.?";
  private static final Pattern ISO = start("(\\d{4})-(\\d{1,2})-(\\d{1,2})(?:T|\\b)");
  private static final Pattern NUMBERS =
      start("(\\d{1,2})([./-])(\\d{1,2})(?:[./-](\\d{4}|\\d{2}))?\\.?(?![\\d:])");
  private static final Pattern DAY_MONTH =
      start("(\\d{1,2})(?:\\.|st|nd|rd|th)?\\s*" + MONTH + "(?:,?\\s+(\\d{4}))?\\b");
  private static final Pattern MONTH_DAY =
      start(MONTH + "\\s+(\\d{1,2})(?:st|nd|rd|th)?(?:,?\\s+(\\d{4}))?(?![\\d:.])");
  private static final Pattern DAY =
      start("(today|yesterday|(mon|tue|wed|thu|fri|sat|sun)[a-z]*)\\b");
  private static final Pattern CLOCK =
      start(
          "(\\d{1,2})\\s?[:.h]\\s?(\\d{2})(?::\\d{2}(?:\\.\\d+)?)?\\s*([ap])?\\.?(?:m\\b\\.?)?(?![\\d])");
  private static final Pattern HOUR = start("(\\d{1,2})\\s*([ap])\\.?m\\b\\.?");
  private static final Pattern BARE =
      start("([01]\\d|2[0-3])([0-5]\\d)(?=\\s*(?:h\\b|[^\\d\\s.,]|\\s\\D))h?");
  private static final Pattern WORD = start("(noon|midday|midnight)\\b");
  private static final Pattern SINCE =
      start("\\+?\\s*(\\d{1,5}(?:[.,]\\d+)?)\\s*(minutes|mins|min|hours|hour|hrs|h)\\b");
  private static final Pattern BETWEEN = Pattern.compile("^[\\s,;|@–—-]+|^at\\b|^:\\s");

  private static Pattern start(String form) {
    return Pattern.compile("^" + form, Pattern.CASE_INSENSITIVE);
  }

  /** Reads the beginning of a line; no time and no date where it has none. */
  static NoteTime of(String line, LocalDate today) {
    return new Reading(line, today).read();
  }

  private static final class Reading {
    private final LocalDate today;
    private String rest;
    private @Nullable LocalDate date;
    private @Nullable LocalTime time;
    private @Nullable Double since;

    Reading(String line, LocalDate today) {
      rest = line.strip();
      this.today = today;
    }

    NoteTime read() {
      boolean more = true;
      while (more) {
        more = date == null && date() || time == null && since == null && clock();
        Matcher m = BETWEEN.matcher(rest);
        while ((date != null || time != null || since != null) && m.find() && m.end() > 0) {
          rest = rest.substring(m.end());
          m = BETWEEN.matcher(rest);
        }
      }
      return new NoteTime(date, time, since, rest.strip());
    }

    private boolean date() {
      Matcher m = ISO.matcher(rest);
      if (m.find()) {
        return dated(m, of(number(m, 1), number(m, 2), number(m, 3)));
      }
      m = DAY_MONTH.matcher(rest);
      if (m.find()) {
        return dated(m, of(year(m.group(3)), month(m.group(2)), number(m, 1)));
      }
      m = MONTH_DAY.matcher(rest);
      if (m.find()) {
        return dated(m, of(year(m.group(3)), month(m.group(1)), number(m, 2)));
      }
      m = DAY.matcher(rest);
      if (m.find()) {
        return dated(m, day(m.group(1).toLowerCase(Locale.ROOT)));
      }
      m = NUMBERS.matcher(rest);
      if (m.find() && (m.group(4) != null || m.group(2).equals("/") || aTimeFollows(m))) {
        return dated(m, numbered(number(m, 1), number(m, 3), year(m.group(4))));
      }
      return false;
    }

    /** Day first, unless only month first is a day that has been. */
    private @Nullable LocalDate numbered(int one, int two, int year) {
      LocalDate dayFirst = of(year, two, one);
      LocalDate monthFirst = of(year, one, two);
      boolean ahead = dayFirst == null || dayFirst.isAfter(today);
      return ahead && monthFirst != null && !monthFirst.isAfter(today) ? monthFirst : dayFirst;
    }

    private boolean aTimeFollows(Matcher m) {
      String after = rest.substring(m.end()).replaceFirst("^[\\s,;|]+", "");
      return CLOCK.matcher(after).find() || HOUR.matcher(after).find();
    }

    private @Nullable LocalDate day(String word) {
      if (word.equals("today") || word.equals("yesterday")) {
        return word.equals("today") ? today : today.minusDays(1);
      }
      for (DayOfWeek d : DayOfWeek.values()) {
        if (d.name().toLowerCase(Locale.ROOT).startsWith(word.substring(0, 3))) {
          return today.with(TemporalAdjusters.previousOrSame(d));
        }
      }
      return null;
    }

    /** As written; without one the latest that has been. */
    private @Nullable LocalDate of(int year, int month, int day) {
      try {
        LocalDate d = LocalDate.of(year == 0 ? today.getYear() : year, month, day);
        return year == 0 && d.isAfter(today) ? d.minusYears(1) : d;
      } catch (DateTimeException none) {
        return null;
      }
    }

    private boolean dated(Matcher m, @Nullable LocalDate found) {
      if (found == null) {
        return false;
      }
      date = found;
      rest = rest.substring(m.end());
      return true;
    }

    private boolean clock() {
      Matcher m = SINCE.matcher(rest);
      if (m.find() && rest.charAt(0) == '+' || m.reset().find() && m.end() < rest.length()) {
        double n = Double.parseDouble(m.group(1).replace(',', '.'));
        since = n * (m.group(2).toLowerCase(Locale.ROOT).startsWith("h") ? 3600 : 60);
        rest = rest.substring(m.end());
        return true;
      }
      m = CLOCK.matcher(rest);
      if (m.find()) {
        return timed(m, number(m, 1), number(m, 2), m.group(3));
      }
      m = HOUR.matcher(rest);
      if (m.find()) {
        return timed(m, number(m, 1), 0, m.group(2));
      }
      m = BARE.matcher(rest);
      if (m.find()) {
        return timed(m, number(m, 1), number(m, 2), null);
      }
      m = WORD.matcher(rest);
      return m.find() && timed(m, m.group(1).equalsIgnoreCase("midnight") ? 0 : 12, 0, null);
    }

    private boolean timed(Matcher m, int hour, int minute, @Nullable String half) {
      int h = half == null ? hour : hour % 12 + (half.equalsIgnoreCase("p") ? 12 : 0);
      if (h > 23 || minute > 59 || half != null && (hour < 1 || hour > 12)) {
        return false;
      }
      time = LocalTime.of(h, minute);
      rest = rest.substring(m.end());
      return true;
    }

    private static int number(Matcher m, int group) {
      return Integer.parseInt(m.group(group));
    }

    private static int month(String name) {
      return MONTHS.indexOf(name.toLowerCase(Locale.ROOT)) + 1;
    }

    private static int year(@Nullable String written) {
      int y = written == null ? 0 : Integer.parseInt(written);
      return y > 0 && y < 100 ? 2000 + y : y;
    }
  }
}
