package nightbank.core.weather;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.Optional;

/**
 * The night that is coming, or the one it is.
 *
 * @param sunset before that sunrise; empty where the sun has not set within a day of it
 * @param sunrise the first from now; empty in polar night and midnight sun
 */
public record SunTimes(Optional<Instant> sunset, Optional<Instant> sunrise) {
  /** By commons-suncalc, good to a minute or two below the polar circles. */
  public static SunTimes of(Instant now, double latitude, double longitude) {
    Optional<Instant> sunrise = instant(next(now, latitude, longitude).getRise());
    Instant dayBefore = sunrise.orElse(now.plus(Duration.ofDays(1))).minus(Duration.ofDays(1));
    return new SunTimes(instant(next(dayBefore, latitude, longitude).getSet()), sunrise);
  }

  private static org.shredzone.commons.suncalc.SunTimes next(
      Instant from, double latitude, double longitude) {
    return org.shredzone.commons.suncalc.SunTimes.compute()
        .on(from.atZone(ZoneOffset.UTC))
        .at(latitude, longitude)
        .oneDay()
        .execute();
  }

  private static Optional<Instant> instant(ZonedDateTime at) {
    return Optional.ofNullable(at).map(ZonedDateTime::toInstant);
  }
}
