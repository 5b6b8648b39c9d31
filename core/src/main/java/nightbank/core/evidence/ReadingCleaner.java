package nightbank.core.evidence;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import nightbank.core.evidence.Exclusion.Reason;

/**
 * Sets readings aside that the mass cannot have had: outside the sensor's limits, known fault
 * values of common digital probes, repeated times, lone spikes, stuck stretches.
 */
public final class ReadingCleaner {
  /** Lowest that a sensor in use can read, °C. */
  public static final double SENSOR_LOW = -60;

  /** Highest, °C: bare thermocouples, IEC 60584 type K. */
  public static final double SENSOR_HIGH = 1100;

  /** Disconnected digital probes report this. */
  private static final double DISCONNECTED = -127;

  /** Digital probes report this after a reset; true only when its neighbours are near. */
  private static final double AFTER_RESET = 85;

  private static final double RESET_STEP = 8; // K from both neighbours
  private static final double SPIKE = 8; // K from the median of seven
  private static final double CHANCE_OF_STUCK = 1e-9;

  private ReadingCleaner() {}

  /**
   * Cleans one series.
   *
   * @param lowest lower limit of the sensor, °C
   * @param highest upper limit of the sensor, °C
   */
  public static CleanedSeries clean(ReadingSeries series, double lowest, double highest) {
    return clean(series, lowest, highest, Set.of());
  }

  /**
   * Cleans one series, but for what somebody who was there believes; no belief makes a number of
   * what is none, or two readings of one moment.
   *
   * @param believed moments, epoch seconds
   */
  public static CleanedSeries clean(
      ReadingSeries series, double lowest, double highest, Set<Long> believed) {
    int n = series.size();
    Reason[] why = new Reason[n];
    single(series, lowest, highest, why);
    spikes(series, why);
    stuck(series, why);
    for (int i = 0; i < n; i++) {
      if (why[i] != null
          && why[i] != Reason.NOT_A_NUMBER
          && why[i] != Reason.DUPLICATE_TIME
          && believed.contains(series.epochSeconds()[i])) {
        why[i] = null;
      }
    }
    List<Exclusion> excluded = new ArrayList<>();
    long[] at = new long[n];
    double[] celsius = new double[n];
    int kept = 0;
    for (int i = 0; i < n; i++) {
      if (why[i] == null) {
        at[kept] = series.epochSeconds()[i];
        celsius[kept++] = series.celsius()[i];
      } else {
        excluded.add(
            new Exclusion(series.channel(), series.epochSeconds()[i], series.celsius()[i], why[i]));
      }
    }
    return new CleanedSeries(
        new ReadingSeries(series.channel(), Arrays.copyOf(at, kept), Arrays.copyOf(celsius, kept)),
        excluded);
  }

  private static void single(ReadingSeries s, double lowest, double highest, Reason[] why) {
    double[] v = s.celsius();
    long[] at = s.epochSeconds();
    long latest = Long.MIN_VALUE;
    for (int i = 0; i < v.length; i++) {
      if (!Double.isFinite(v[i])) {
        why[i] = Reason.NOT_A_NUMBER;
      } else if (Math.abs(v[i] - DISCONNECTED) < 0.05) {
        why[i] = Reason.FAULT_VALUE;
      } else if (v[i] < lowest || v[i] > highest) {
        why[i] = Reason.OUT_OF_RANGE;
      } else if (at[i] <= latest) {
        why[i] = Reason.DUPLICATE_TIME;
      } else {
        latest = at[i];
      }
    }
    for (int i = 0; i < v.length; i++) {
      if (why[i] == null && Math.abs(v[i] - AFTER_RESET) < 0.05 && lone(v, why, i)) {
        why[i] = Reason.FAULT_VALUE;
      }
    }
  }

  private static boolean lone(double[] v, Reason[] why, int i) {
    int before = i - 1;
    while (before >= 0 && why[before] != null) {
      before--;
    }
    int after = i + 1;
    while (after < v.length && (why[after] != null || v[after] == v[i])) {
      after++;
    }
    boolean farBefore = before < 0 || Math.abs(v[before] - v[i]) > RESET_STEP;
    boolean farAfter = after >= v.length || Math.abs(v[after] - v[i]) > RESET_STEP;
    boolean sameSide =
        before < 0
            || after >= v.length
            || Math.signum(v[before] - v[i]) == Math.signum(v[after] - v[i]);
    return farBefore && farAfter && sameSide && (before >= 0 || after < v.length);
  }

  private static void spikes(ReadingSeries s, Reason[] why) {
    double[] v = s.celsius();
    int[] good = kept(why);
    double[] window = new double[7];
    for (int k = 3; k + 3 < good.length; k++) {
      for (int j = -3; j <= 3; j++) {
        window[j + 3] = v[good[k + j]];
      }
      double before = window[2];
      double here = window[3];
      double after = window[4];
      double[] sorted = window.clone();
      Arrays.sort(sorted);
      boolean apart = (here - before) * (here - after) > 0;
      double step = Math.min(Math.abs(here - before), Math.abs(here - after));
      if (apart
          && step > SPIKE
          && Math.abs(here - sorted[3]) > SPIKE
          && beyond(s, good, k, here > before) > SPIKE) {
        why[good[k]] = Reason.IMPOSSIBLE_STEP;
      }
    }
  }

  /**
   * How far a reading goes beyond where either side was heading, K: a store whose source goes off
   * turns sharply, yet no higher than its rise led to.
   */
  private static double beyond(ReadingSeries s, int[] good, int k, boolean up) {
    double rising = heading(s, good[k - 2], good[k - 1], good[k]);
    double falling = heading(s, good[k + 2], good[k + 1], good[k]);
    double here = s.celsius()[good[k]];
    return up ? here - Math.max(rising, falling) : Math.min(rising, falling) - here;
  }

  /** The straight line through two readings, drawn on to a third. */
  private static double heading(ReadingSeries s, int far, int near, int to) {
    double[] v = s.celsius();
    long[] at = s.epochSeconds();
    return v[near] + (v[near] - v[far]) * (at[to] - at[near]) / (at[near] - at[far]);
  }

  /**
   * A stretch of equal values is called stuck when chance would make one as long less than once in
   * 1e9, taking the share of equal neighbours in the rest of the series as the odds.
   */
  private static void stuck(ReadingSeries s, Reason[] why) {
    double[] v = s.celsius();
    int[] good = kept(why);
    int pairs = Math.max(1, good.length - 1);
    int start = 0;
    List<int[]> stretches = new ArrayList<>();
    int equalPairs = 0;
    for (int k = 1; k <= good.length; k++) {
      if (k < good.length && v[good[k]] == v[good[k - 1]]) {
        equalPairs++;
      } else {
        if (k - start >= 8) {
          stretches.add(new int[] {start, k});
        }
        start = k;
      }
    }
    for (int[] r : stretches) {
      int within = r[1] - r[0] - 1;
      double odds = Math.max(0.02, (equalPairs - within + 1.0) / (pairs - within + 2.0));
      if (within * Math.log(odds) < Math.log(CHANCE_OF_STUCK)) {
        for (int k = r[0] + 1; k < r[1]; k++) {
          why[good[k]] = Reason.STUCK;
        }
      }
    }
  }

  private static int[] kept(Reason[] why) {
    int[] good = new int[why.length];
    int n = 0;
    for (int i = 0; i < why.length; i++) {
      if (why[i] == null) {
        good[n++] = i;
      }
    }
    return Arrays.copyOf(good, n);
  }
}
