package nightbank.core.alarm;

import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;

/**
 * Hours in which nobody is woken for what can wait, by the clock on the wall; over midnight where
 * they end earlier than they begin, none where both are alike.
 */
public record QuietHours(LocalTime from, LocalTime to, ZoneId zone) {

  public boolean at(Instant moment) {
    LocalTime t = moment.atZone(zone).toLocalTime();
    return from.isBefore(to)
        ? !t.isBefore(from) && t.isBefore(to)
        : from.isAfter(to) && (!t.isBefore(from) || t.isBefore(to));
  }

  /** The first moment from one on that is not quiet. */
  public Instant after(Instant moment) {
    if (!at(moment)) {
      return moment;
    }
    ZonedDateTime here = moment.atZone(zone);
    ZonedDateTime end = here.with(to);
    return (end.isAfter(here) ? end : here.plusDays(1).with(to)).toInstant();
  }
}
