package nightbank.core.judgement;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import nightbank.core.evidence.TimeInterval;

/**
 * What thermometers tell of nights that keep their lowest until they are read, and are set anew
 * then: a reading is the lowest since the one before. Where that is one night, or less of another
 * than {@link PastNight#LOOKED}, it counts to that night's low, which is known once most of the
 * night is covered; where it is several it says that none was under it. The first reading of all is
 * taken to be of the last day.
 */
public final class KeptLows {
  /** So long a reading speaks for, s; before that it may have been set anew untold (estimate). */
  public static final long LONGEST = 14 * 86_400L;

  private static final long DAY = 86_400;

  private final double[] alone;
  private final double[] notBelow;

  /** A reading of one thermometer, °C. */
  public record Reading(long epochSecond, double celsius) {}

  private KeptLows(int nights) {
    alone = new double[nights];
    notBelow = new double[nights];
    Arrays.fill(alone, Double.NaN);
    Arrays.fill(notBelow, Double.NaN);
  }

  /**
   * Of nights by what was read.
   *
   * @param nights from dusk to dawn, in order
   * @param thermometers each one's readings, in order
   */
  public static KeptLows of(List<TimeInterval> nights, List<List<Reading>> thermometers) {
    KeptLows all = new KeptLows(nights.size());
    thermometers.forEach(readings -> all.add(nights, readings));
    return all;
  }

  private void add(List<TimeInterval> nights, List<Reading> readings) {
    double[] own = new double[nights.size()];
    double[] covered = new double[nights.size()];
    Arrays.fill(own, Double.POSITIVE_INFINITY);
    int first = 0;
    for (int r = 0; r < readings.size(); r++) {
      long to = readings.get(r).epochSecond();
      long before = r == 0 ? to - DAY : readings.get(r - 1).epochSecond();
      long from = to - before > LONGEST ? to - DAY : before;
      while (first < nights.size() && nights.get(first).to() <= from) {
        first++;
      }
      int begin = first;
      int[] several =
          IntStream.range(begin, nights.size())
              .takeWhile(n -> nights.get(n).from() < to)
              .filter(n -> share(nights.get(n), from, to) > PastNight.LOOKED)
              .toArray();
      double celsius = readings.get(r).celsius();
      for (int n : several) {
        double share = share(nights.get(n), from, to);
        if (several.length == 1) {
          own[n] = Math.min(own[n], celsius);
          covered[n] += share;
        } else if (share >= 1 - PastNight.LOOKED) {
          notBelow[n] = higher(notBelow[n], celsius);
        }
      }
    }
    for (int n = 0; n < own.length; n++) {
      if (covered[n] >= 1 - PastNight.LOOKED) {
        alone[n] = Double.isNaN(alone[n]) ? own[n] : Math.min(alone[n], own[n]);
      }
    }
  }

  private static double share(TimeInterval night, long from, long to) {
    double within = Math.min(to, night.to()) - Math.max(from, night.from());
    return within / (night.to() - night.from());
  }

  /** The higher of two that tell from below, where either may be NaN. */
  private static double higher(double a, double b) {
    return Double.isNaN(a) ? b : Double.isNaN(b) ? a : Math.max(a, b);
  }

  /** The low of one night, °C; NaN where none was read that is of it alone and of most of it. */
  public double alone(int night) {
    return alone[night];
  }

  /**
   * What a night was not under, °C; NaN where nothing tells.
   *
   * @param otherwise what else tells it from below, NaN for nothing
   */
  public double notBelow(int night, double otherwise) {
    return higher(notBelow[night], otherwise);
  }
}
