package nightbank.server.history;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import nightbank.server.history.internal.NightLowRepository.Kept;

/**
 * What thermometers tell of nights that keep their lowest until they are read: of one night its
 * low, once it was read after it; of several that none of them was under it.
 */
record KeptLows(Map<LocalDate, Double> alone, Set<LocalDate> over, Map<LocalDate, Double> atLeast) {
  /** So long a reading speaks for; before that the thermometer may have been set anew. */
  static final Duration LONGEST = Duration.ofDays(14);

  /** So late after its noon a night is still read. */
  static final Duration LATE = Duration.ofHours(12);

  private static final int DUSK = 18; // o'clock: what was read before says nothing of the night
  private static final int DAWN = 6;

  static KeptLows of(List<Kept> readings, ZoneId zone) {
    KeptLows all = new KeptLows(new HashMap<>(), new HashSet<>(), new HashMap<>());
    for (Kept k : readings) {
      List<LocalDate> nights = nights(k, zone);
      for (LocalDate e : nights) {
        if (nights.size() > 1) {
          all.atLeast.merge(e, k.celsius(), Math::max);
        } else {
          all.alone.merge(e, k.celsius(), Math::min);
        }
        if (!k.at().isBefore(dawn(e, zone))) {
          all.over.add(e);
        }
      }
    }
    return all;
  }

  /** Nights that lie, in part at least, between two readings. */
  private static List<LocalDate> nights(Kept k, ZoneId zone) {
    boolean first = k.before().equals(k.at());
    boolean forgotten = k.before().isBefore(k.at().minus(LONGEST));
    Instant since = first || forgotten ? k.at().minus(Duration.ofDays(1)) : k.before();
    List<LocalDate> nights = new ArrayList<>();
    LocalDate last = k.at().atZone(zone).toLocalDate();
    for (LocalDate e = since.atZone(zone).toLocalDate().minusDays(1); !e.isAfter(last); ) {
      Instant dusk = e.atTime(DUSK, 0).atZone(zone).toInstant();
      if (dusk.isBefore(k.at()) && dawn(e, zone).isAfter(since)) {
        nights.add(e);
      }
      e = e.plusDays(1);
    }
    return nights;
  }

  private static Instant dawn(LocalDate evening, ZoneId zone) {
    return evening.plusDays(1).atTime(DAWN, 0).atZone(zone).toInstant();
  }

  /** Whether one was read for a night alone. */
  boolean tells(LocalDate evening) {
    return !Double.isNaN(alone(evening));
  }

  /** The low of one night, NaN where none was read that is of it alone and to its end. */
  double alone(LocalDate evening) {
    return over.contains(evening) ? alone.getOrDefault(evening, Double.NaN) : Double.NaN;
  }

  /** The higher of what tells from below, NaN where nothing does. */
  double notBelow(LocalDate evening, double other) {
    double kept = over.contains(evening) ? atLeast.getOrDefault(evening, Double.NaN) : Double.NaN;
    return Double.isNaN(kept) ? other : Double.isNaN(other) ? kept : Math.max(kept, other);
  }
}
