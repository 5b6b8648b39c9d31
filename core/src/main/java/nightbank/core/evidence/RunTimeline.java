package nightbank.core.evidence;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/**
 * A run's readings brought to common, even moments.
 *
 * @param at epoch seconds
 * @param probes by probe, NaN across gaps longer than an hour
 * @param air level across gaps
 * @param on share of the step that ends at each moment during which the source was on
 * @param bare share of the same step for which the lid was off
 */
public record RunTimeline(
    long[] at, double[][] probes, double[] air, List<Phase> phases, double[] on, double[] bare) {
  private static final int WITHIN = 5; // looks at a source in each step
  private static final int MOST_MOMENTS = 2000;
  private static final long LONGEST_GAP = 3600;

  public static RunTimeline of(List<ReadingSeries> cleaned, ReadingSeries air) {
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
    double[] on = new double[n];
    for (Phase phase : phases) {
      if (phase.kind() == Phase.Kind.CHARGING) {
        for (int i = 1; i < n; i++) {
          long begun = Math.max(at[i - 1], phase.fromEpochSecond());
          long ended = Math.min(at[i], phase.toEpochSecond());
          on[i] += Math.max(0, ended - begun) / (double) step;
        }
      }
    }
    return new RunTimeline(at, probes, beside, phases, on, new double[n]);
  }

  /** The same for a mass that makes heat of its own all the time. */
  public RunTimeline alwaysOn() {
    double[] all = new double[at.length];
    Arrays.fill(all, 1);
    return new RunTimeline(at, probes, air, phases, all, bare);
  }

  /** The same by a source of known course, whose greatest power is taken for one. */
  public RunTimeline driven(SourceProfile course) {
    double[] share = shares(course);
    return new RunTimeline(at, probes, air, PhaseFinder.withCourse(at, phases, share), share, bare);
  }

  /** Whether something of a course falls into every charge that the readings show. */
  public boolean isExplainedBy(SourceProfile course) {
    double[] share = shares(course);
    return phases.stream()
        .filter(p -> p.kind() == Phase.Kind.CHARGING)
        .allMatch(
            p ->
                IntStream.rangeClosed(index(p.fromEpochSecond()), index(p.toEpochSecond()))
                    .anyMatch(i -> charging(share[i])));
  }

  private double[] shares(SourceProfile course) {
    double greatest = course.greatest();
    double[] share = new double[at.length];
    for (int i = 1; i < at.length; i++) {
      double step = at[i] - at[i - 1];
      for (int k = 0; k < WITHIN; k++) {
        long when = at[i - 1] + Math.round((k + 0.5) * step / WITHIN);
        double watts = course.watts().at(when, LONGEST_GAP);
        share[i] += Double.isNaN(watts) ? 0 : watts / greatest / WITHIN;
      }
    }
    return share;
  }

  /** The same with its top bare for some stretches. */
  public RunTimeline withLidOff(List<TimeInterval> stretches) {
    double[] share = new double[at.length];
    for (int i = 1; i < at.length; i++) {
      share[i] = TimeInterval.within(stretches, at[i - 1], at[i]) / (double) (at[i] - at[i - 1]);
    }
    return new RunTimeline(at, probes, air, phases, on, share);
  }

  /** The same in steps of about so long, air and source at their means over each. */
  public RunTimeline inStepsOf(double seconds) {
    int n = at.length;
    int every = n < 3 ? 1 : (int) Math.max(1, Math.round(seconds / (at[1] - at[0])));
    if (every == 1) {
      return this;
    }
    int[] kept =
        IntStream.rangeClosed(0, (n + every - 2) / every)
            .map(i -> Math.min(i * every, n - 1))
            .toArray();
    return new RunTimeline(
        Arrays.stream(kept).mapToLong(i -> at[i]).toArray(),
        Arrays.stream(probes)
            .map(p -> Arrays.stream(kept).mapToDouble(i -> p[i]).toArray())
            .toArray(double[][]::new),
        means(air, kept),
        phases,
        means(on, kept),
        means(bare, kept));
  }

  private static double[] means(double[] value, int[] kept) {
    double[] means = new double[kept.length];
    means[0] = value[0];
    for (int k = 1; k < kept.length; k++) {
      for (int i = kept[k - 1] + 1; i <= kept[k]; i++) {
        means[k] += value[i] / (kept[k] - kept[k - 1]);
      }
    }
    return means;
  }

  /** Whether the source was on in the step that ends at a moment. */
  public boolean charging(int i) {
    return charging(on[i]);
  }

  /** Less than a twentieth of its greatest power, or of the time, counts for nothing. */
  static boolean charging(double share) {
    return share > 0.05;
  }

  /** Whether the lid was off for most of the step that ends at a moment. */
  public boolean lidOff(int i) {
    return bare[i] > 0.5;
  }

  /** The first moment that is not before another. */
  public int index(long epochSecond) {
    int i = Arrays.binarySearch(at, epochSecond);
    return i >= 0 ? i : Math.min(at.length - 1, Math.max(0, -i - 1));
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

  public double chargingSeconds() {
    return chargingSeconds(0);
  }

  /** For how long the source was on after a moment. */
  public double chargingSeconds(int first) {
    double sum = 0;
    for (int i = first + 1; i < at.length; i++) {
      sum += on[i] * (at[i] - at[i - 1]);
    }
    return sum;
  }
}
