package nightbank.core.run;

import java.util.Arrays;
import java.util.List;

/**
 * A run's readings brought to common, even moments.
 *
 * @param at epoch seconds
 * @param probes by probe, NaN across gaps longer than an hour
 * @param air level across gaps
 * @param charging whether the source was on during the step that ends at each moment
 */
record RunTimeline(
    long[] at, double[][] probes, double[] air, List<Phase> phases, boolean[] charging) {
  private static final int MOST_MOMENTS = 2000;
  private static final long LONGEST_GAP = 3600;

  static RunTimeline of(List<ReadingSeries> cleaned, ReadingSeries air) {
    long from = Long.MAX_VALUE;
    long to = Long.MIN_VALUE;
    long step = Long.MAX_VALUE;
    for (ReadingSeries s : cleaned) {
      if (s.size() > 1) {
        from = Math.min(from, s.epochSeconds()[0]);
        to = Math.max(to, s.epochSeconds()[s.size() - 1]);
        step = Math.min(step, medianStep(s));
      }
    }
    long span = to - from;
    step = Math.max(60, Math.max(step, span / MOST_MOMENTS));
    int n = (int) (span / step) + 1;
    long[] at = new long[n];
    double[][] probes = new double[cleaned.size()][n];
    double[] beside = new double[n];
    long longest = Math.max(LONGEST_GAP, 3 * step);
    for (int i = 0; i < n; i++) {
      at[i] = from + i * step;
      for (int p = 0; p < probes.length; p++) {
        probes[p][i] = cleaned.get(p).at(at[i], longest);
      }
      beside[i] = levelAt(air, at[i]);
    }
    List<Phase> phases = PhaseFinder.find(at, probes, beside);
    boolean[] charging = new boolean[n];
    for (Phase phase : phases) {
      if (phase.kind() == Phase.Kind.CHARGING) {
        for (int i = 0; i < n; i++) {
          charging[i] |= at[i] > phase.fromEpochSecond() && at[i] <= phase.toEpochSecond();
        }
      }
    }
    return new RunTimeline(at, probes, beside, phases, charging);
  }

  /** The same for a mass that makes heat of its own all the time. */
  RunTimeline alwaysOn() {
    boolean[] on = new boolean[at.length];
    Arrays.fill(on, true);
    return new RunTimeline(at, probes, air, phases, on);
  }

  private static long medianStep(ReadingSeries s) {
    long[] steps = new long[s.size() - 1];
    for (int i = 0; i < steps.length; i++) {
      steps[i] = s.epochSeconds()[i + 1] - s.epochSeconds()[i];
    }
    Arrays.sort(steps);
    return steps[steps.length / 2];
  }

  private static double levelAt(ReadingSeries air, long at) {
    if (air.size() == 0) {
      return Double.NaN;
    }
    double between = air.at(at, Long.MAX_VALUE);
    if (!Double.isNaN(between)) {
      return between;
    }
    return at < air.epochSeconds()[0] ? air.celsius()[0] : air.celsius()[air.size() - 1];
  }

  double chargingSeconds() {
    double sum = 0;
    for (int i = 1; i < at.length; i++) {
      sum += charging[i] ? at[i] - at[i - 1] : 0;
    }
    return sum;
  }
}
