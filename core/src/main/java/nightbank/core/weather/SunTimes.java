package nightbank.core.weather;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Optional;

/**
 * Sunset of an evening and the sunrise after it.
 *
 * @param sunset empty in polar night or midnight sun
 * @param sunrise the first after that sunset, within a day
 */
public record SunTimes(Optional<Instant> sunset, Optional<Instant> sunrise) {
  /** By commons-suncalc, good to a minute or two below the polar circles. */
  public static SunTimes of(LocalDate evening, double latitude, double longitude, ZoneId zone) {
    var noon = evening.atTime(12, 0).atZone(zone);
    var sun =
        org.shredzone.commons.suncalc.SunTimes.compute()
            .on(noon)
            .at(latitude, longitude)
            .oneDay()
            .execute();
    return new SunTimes(
        Optional.ofNullable(sun.getSet()).map(java.time.ZonedDateTime::toInstant),
        Optional.ofNullable(sun.getRise()).map(java.time.ZonedDateTime::toInstant));
  }
}
