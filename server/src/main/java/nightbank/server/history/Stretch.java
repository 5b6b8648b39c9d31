package nightbank.server.history;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import nightbank.core.evidence.TimeInterval;
import nightbank.core.weather.SunTimes;
import nightbank.server.holding.HoldingView;

/** A night from dusk to dawn, or a stretch of it, by the evening it began. */
public record Stretch(LocalDate evening, Instant from, Instant to) {
  private static final int DUSK = 18; // o'clock, where the sun neither sets nor rises
  private static final int DAWN = 6;

  /** From sunset to sunrise. */
  static Stretch dark(LocalDate evening, HoldingView place, ZoneId zone) {
    SunTimes sun = SunTimes.of(LedgerDay.noon(evening, zone), place.latitude(), place.longitude());
    return new Stretch(
        evening,
        sun.sunset().orElse(evening.atTime(DUSK, 0).atZone(zone).toInstant()),
        sun.sunrise().orElse(evening.plusDays(1).atTime(DAWN, 0).atZone(zone).toInstant()));
  }

  TimeInterval seconds() {
    return new TimeInterval(from.getEpochSecond(), to.getEpochSecond());
  }

  /** Of another stretch. */
  double share(Stretch whole) {
    TimeInterval all = whole.seconds();
    return (double) (seconds().to() - seconds().from()) / (all.to() - all.from());
  }
}
