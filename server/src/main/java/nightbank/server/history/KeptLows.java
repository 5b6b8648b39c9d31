package nightbank.server.history;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import nightbank.server.history.internal.NightLowRepository.Kept;

/**
 * What thermometers tell of nights that keep their lowest until they are read: read the morning
 * after it is that night's low, read after several nights none of them was under it.
 */
record KeptLows(Map<LocalDate, Double> alone, Map<LocalDate, Double> atLeast) {
  /** So long a reading speaks for; before that the thermometer may have been set anew. */
  static final Duration LONGEST = Duration.ofDays(14);

  /** So late after its noon a night is still read. */
  static final Duration LATE = Duration.ofHours(12);

  static KeptLows of(List<Kept> readings, ZoneId zone) {
    Map<LocalDate, Double> alone = new HashMap<>();
    Map<LocalDate, Double> atLeast = new HashMap<>();
    for (Kept k : readings) {
      LocalDate last = nightBefore(k.at(), zone);
      LocalDate first =
          k.before().equals(k.at()) ? last : nightBefore(k.before(), zone).plusDays(1);
      if (first.isAfter(last)) {
        continue; // read again before another night was over
      }
      if (last.toEpochDay() - first.toEpochDay() > LONGEST.toDays()) {
        first = last;
      }
      for (LocalDate e = first; !e.isAfter(last); e = e.plusDays(1)) {
        if (first.equals(last)) {
          alone.merge(e, k.celsius(), Math::min);
        } else {
          atLeast.merge(e, k.celsius(), Math::max);
        }
      }
    }
    return new KeptLows(alone, atLeast);
  }

  /**
   * The night that was over last, by its evening: until noon the one before, in the evening too.
   */
  private static LocalDate nightBefore(Instant at, ZoneId zone) {
    return at.atZone(zone).toLocalDate().minusDays(1);
  }

  /** Whether one was read for a night alone. */
  boolean tells(LocalDate evening) {
    return alone.containsKey(evening);
  }

  /** The low of one night, NaN where none was read that is of it alone. */
  double alone(LocalDate evening) {
    return alone.getOrDefault(evening, Double.NaN);
  }

  /** The higher of what tells from below, NaN where nothing does. */
  double notBelow(LocalDate evening, double other) {
    double kept = atLeast.getOrDefault(evening, Double.NaN);
    return Double.isNaN(kept) ? other : Double.isNaN(other) ? kept : Math.max(kept, other);
  }
}
