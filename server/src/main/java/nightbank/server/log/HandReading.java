package nightbank.server.log;

import java.time.Duration;
import java.time.Instant;
import java.util.Set;
import java.util.UUID;
import nightbank.core.unit.TypedTemperature;
import nightbank.server.shared.Problem;

/** What a hand typed, whichever door it comes in by. */
final class HandReading {
  private static final Duration AHEAD = Duration.ofMinutes(10); // a phone's clock

  private HandReading() {}

  static UUID probe(UUID probe, Set<UUID> known) {
    if (probe == null || !known.contains(probe)) {
      throw Problem.notFound("probe");
    }
    return probe;
  }

  static Instant at(String field, Instant at, Instant now) {
    if (at == null || at.isBefore(Readings.EARLIEST)) {
      throw Problem.invalid(field + ".at", "The time is missing or before 2000.", "Set it.");
    }
    if (ahead(at, now)) {
      throw Problem.invalid(
          field + ".at", "The reading lies in the future.", "Check date and time.");
    }
    return at;
  }

  static boolean ahead(Instant at, Instant now) {
    return at.isAfter(now.plus(AHEAD));
  }

  /** As typed: {@code 58F}, {@code 14,5}. */
  static double celsius(String field, String typed, boolean fahrenheit) {
    return TypedTemperature.celsius(typed == null ? "" : typed, fahrenheit)
        .orElseThrow(
            () ->
                Problem.invalid(
                    field + ".typed",
                    "\u201c" + typed + "\u201d is not a temperature.",
                    "For instance 14.5, 14,5 or 58F."));
  }
}
