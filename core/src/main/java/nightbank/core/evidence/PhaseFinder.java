package nightbank.core.evidence;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/**
 * Tells charging from cooling by the hottest probe, which follows the source at once: rising faster
 * than noise is charging. Cooling is releasing when the store stands more than 3 K above the air,
 * holding otherwise. Stretches shorter than 20 minutes join their neighbours.
 */
final class PhaseFinder {
  private static final double RISE = 1.5; // K/h
  private static final long SHORTEST = 1200;

  private PhaseFinder() {}

  /**
   * Finds phases.
   *
   * @param at rising times, epoch seconds, evenly spaced
   * @param probes temperatures by probe, NaN where missing
   */
  static List<Phase> find(long[] at, double[][] probes, double[] air) {
    int n = at.length;
    Phase.Kind[] kind = new Phase.Kind[n];
    double step = (double) (at[n - 1] - at[0]) / (n - 1);
    int reach = Math.max(1, (int) Math.round(1800 / step));
    for (int i = 0; i < n; i++) {
      double best = Double.NEGATIVE_INFINITY;
      double warmest = Double.NEGATIVE_INFINITY;
      for (double[] probe : probes) {
        double slope = slope(at, probe, Math.max(0, i - reach), Math.min(n - 1, i + reach));
        if (!Double.isNaN(probe[i]) && probe[i] > warmest) {
          warmest = probe[i];
          best = Double.isNaN(slope) ? best : slope;
        }
      }
      boolean above = warmest > air[i] + 3;
      kind[i] =
          best > RISE ? Phase.Kind.CHARGING : above ? Phase.Kind.RELEASING : Phase.Kind.HOLDING;
    }
    return turned(join(at, sharpen(kind, probes, reach)), at, probes, Math.max(reach, 2));
  }

  /** Phases with the bounds of charging where the readings turn, between two of them too. */
  private static List<Phase> turned(List<Phase> phases, long[] at, double[][] probes, int reach) {
    List<Phase> turned = new ArrayList<>(phases);
    for (int p = 1; p < turned.size(); p++) {
      Phase before = turned.get(p - 1);
      Phase after = turned.get(p);
      boolean on = after.kind() == Phase.Kind.CHARGING;
      if (on == (before.kind() == Phase.Kind.CHARGING)) {
        continue;
      }
      int near = Arrays.binarySearch(at, after.fromEpochSecond());
      long bound =
          Breakpoint.find(
                  at,
                  on ? steepest(at, probes, near, reach) : hottest(probes, near),
                  near,
                  reach,
                  on)
              .map(kink -> Math.round(kink.at()))
              .orElse(after.fromEpochSecond());
      if (bound > before.fromEpochSecond() && bound < after.toEpochSecond()) {
        turned.set(p - 1, new Phase(before.kind(), before.fromEpochSecond(), bound));
        turned.set(p, new Phase(after.kind(), bound, after.toEpochSecond()));
      }
    }
    return List.copyOf(turned);
  }

  /** The probe that rises most after a moment: the nearest to the source. */
  private static double[] steepest(long[] at, double[][] probes, int near, int reach) {
    int to = Math.min(at.length - 1, near + reach);
    return Arrays.stream(probes)
        .max(Comparator.comparingDouble(p -> orLeast(slope(at, p, near, to))))
        .orElseThrow();
  }

  private static double[] hottest(double[][] probes, int at) {
    return Arrays.stream(probes).max(Comparator.comparingDouble(p -> orLeast(p[at]))).orElseThrow();
  }

  private static double orLeast(double v) {
    return Double.isNaN(v) ? Double.NEGATIVE_INFINITY : v;
  }

  /** Phases of a store whose source is known: charging while it gives, the rest as they were. */
  static List<Phase> withCourse(long[] at, List<Phase> phases, double[] share) {
    Phase.Kind[] kind = new Phase.Kind[at.length];
    int p = 0;
    for (int i = 0; i < at.length; i++) {
      while (p < phases.size() - 1 && at[i] >= phases.get(p).toEpochSecond()) {
        p++;
      }
      Phase.Kind was = phases.get(p).kind();
      kind[i] =
          RunTimeline.charging(share[i])
              ? Phase.Kind.CHARGING
              : was == Phase.Kind.CHARGING ? Phase.Kind.RELEASING : was;
    }
    return join(at, kind);
  }

  /** Moves the end of charging to the hottest reading near it. */
  private static Phase.Kind[] sharpen(Phase.Kind[] kind, double[][] probes, int reach) {
    for (int i = 1; i < kind.length; i++) {
      if (kind[i - 1] == Phase.Kind.CHARGING && kind[i] != Phase.Kind.CHARGING) {
        int peak = hottest(probes, Math.max(0, i - reach), Math.min(kind.length - 1, i + reach));
        Phase.Kind after = kind[i];
        for (int k = Math.max(0, i - reach); k <= Math.min(kind.length - 1, i + reach); k++) {
          kind[k] = k <= peak ? Phase.Kind.CHARGING : after;
        }
        i += reach;
      }
    }
    return kind;
  }

  private static int hottest(double[][] probes, int from, int to) {
    int peak = from;
    double most = Double.NEGATIVE_INFINITY;
    for (double[] probe : probes) {
      for (int i = from; i <= to; i++) {
        if (probe[i] > most) {
          most = probe[i];
          peak = i;
        }
      }
    }
    return peak;
  }

  private static double slope(long[] at, double[] v, int from, int to) {
    double n = 0;
    double st = 0;
    double sv = 0;
    double stt = 0;
    double stv = 0;
    for (int i = from; i <= to; i++) {
      if (!Double.isNaN(v[i])) {
        double t = (at[i] - at[from]) / 3600.0;
        n++;
        st += t;
        sv += v[i];
        stt += t * t;
        stv += t * v[i];
      }
    }
    double spread = n * stt - st * st;
    return n < 2 || spread <= 0 ? Double.NaN : (n * stv - st * sv) / spread;
  }

  private static List<Phase> join(long[] at, Phase.Kind[] kind) {
    List<Phase> phases = new ArrayList<>();
    int from = 0;
    for (int i = 1; i <= kind.length; i++) {
      if (i == kind.length || kind[i] != kind[from]) {
        long end = at[Math.min(i, kind.length - 1)];
        boolean brief = end - at[from] < SHORTEST;
        int last = phases.size() - 1;
        if (last >= 0 && (brief || phases.get(last).kind() == kind[from])) {
          Phase before = phases.get(last);
          phases.set(last, new Phase(before.kind(), before.fromEpochSecond(), end));
        } else if (last == 0 && phases.get(0).toEpochSecond() - at[0] < SHORTEST) {
          phases.set(0, new Phase(kind[from], at[0], end));
        } else {
          phases.add(new Phase(kind[from], at[from], end));
        }
        from = i;
      }
    }
    return List.copyOf(phases);
  }
}
