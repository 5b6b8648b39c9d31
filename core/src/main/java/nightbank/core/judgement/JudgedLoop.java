package nightbank.core.judgement;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import nightbank.core.evidence.LoopReadings;
import nightbank.core.evidence.ReadingSeries;
import nightbank.core.evidence.TimeInterval;
import nightbank.core.evidence.TimeSeries;

/**
 * What a stream did to a store, from its temperatures going in and coming out: power ṁ c (T_in -
 * T_out), its direction, and since when. Below {@link #DEAD_BAND} two thermometers tell no
 * direction apart. Energy is unsure by the flow, as a bucket and a watch tell it, and by what two
 * thermometers may differ all the time. Between readings by hand the power is the mean of both
 * ends, unsure by half their difference and by {@link #UNSEEN} of itself. While the pump stood, as
 * somebody logged, nothing was carried. Neglects times at which the flow was another without
 * anybody saying so.
 *
 * @param at epoch seconds at which both were read
 * @param watts into the store, below zero while the stream empties it
 * @param spells stretches of one direction, in order
 * @param charged J that went in
 * @param drawn J that were carried out
 * @param stood stretches for which its pump stood
 */
public record JudgedLoop(
    long[] at,
    double[] watts,
    List<Spell> spells,
    double charged,
    double chargedHalf,
    double drawn,
    double drawnHalf,
    List<TimeInterval> stood) {

  /** Two like thermometers differ by so much at most, K; twice √2 times 0.2 K. */
  public static final double DEAD_BAND = 0.6;

  private static final double FLOW_DOUBT = 0.1; // half a 95 % interval, relative
  private static final long SHORT = 1800; // s: a doubtful moment between two alike is like them
  private static final long FOLLOWED = 3600; // s between readings that leave nothing out
  private static final long LONGEST_GAP = 8 * 3600; // s: from breakfast to the afternoon
  private static final long PAIRED = 1200; // s from one thermometer to the other on a walk
  private static final double UNSEEN = 0.25; // half a 95 % interval; estimate

  /** Which way heat goes. */
  public enum Direction {
    CHARGING,
    DRAWING,
    STILL
  }

  /** One stretch. */
  public record Spell(Direction direction, long from, long to, double joules) {}

  /**
   * The last time the loop turned round.
   *
   * @param at when the difference went through nothing
   * @param halfWidth half the time in which thermometers could not tell, s
   */
  public record Turn(Direction to, long at, long halfWidth) {}

  /** Judges; empty where fewer than two moments have both readings. */
  public static Optional<JudgedLoop> judge(LoopReadings loop) {
    List<Long> moments = new ArrayList<>();
    List<Double> rises = new ArrayList<>();
    ReadingSeries in = loop.inlet();
    for (int i = 0; i < in.size(); i++) {
      double out = beside(loop.outlet(), in.epochSeconds()[i]);
      if (!Double.isNaN(out) && !Double.isNaN(in.celsius()[i])) {
        moments.add(in.epochSeconds()[i]);
        long at = in.epochSeconds()[i];
        boolean stood = loop.stood().stream().anyMatch(s -> s.at(at));
        rises.add(stood ? 0 : in.celsius()[i] - out);
      }
    }
    if (moments.size() < 2) {
      return Optional.empty();
    }
    long[] at = moments.stream().mapToLong(Long::longValue).toArray();
    double[] rise = rises.stream().mapToDouble(Double::doubleValue).toArray();
    double[] watts = Arrays.stream(rise).map(r -> r * loop.capacityRate()).toArray();
    double[] brought = sums(at, rise, loop.capacityRate(), 1);
    double[] carried = sums(at, rise, loop.capacityRate(), -1);
    return Optional.of(
        new JudgedLoop(
            at,
            watts,
            spells(at, rise, watts),
            brought[0],
            half(brought, loop.capacityRate()),
            carried[0],
            half(carried, loop.capacityRate()),
            loop.stood()));
  }

  /** What the other showed then, or was read to show within one walk; NaN for neither. */
  private static double beside(ReadingSeries other, long at) {
    double between = other.at(at, FOLLOWED);
    if (!Double.isNaN(between) || other.size() == 0) {
      return between;
    }
    int nearest = 0;
    for (int i = 1; i < other.size(); i++) {
      long gap = Math.abs(other.epochSeconds()[i] - at);
      nearest = gap < Math.abs(other.epochSeconds()[nearest] - at) ? i : nearest;
    }
    return Math.abs(other.epochSeconds()[nearest] - at) <= PAIRED
        ? other.celsius()[nearest]
        : Double.NaN;
  }

  private static double half(double[] sums, double rate) {
    return Math.hypot(
        Math.hypot(FLOW_DOUBT * sums[0], DEAD_BAND * rate * sums[1]), Math.sqrt(sums[2]));
  }

  /**
   * J in one direction, s for which it went that way, and the square of half a 95 % interval of
   * what went on while nobody read, J².
   */
  private static double[] sums(long[] at, double[] rise, double rate, int sign) {
    double joules = 0;
    double seconds = 0;
    double unseen = 0;
    for (int i = 1; i < at.length; i++) {
      long dt = at[i] - at[i - 1];
      double mean = sign * (rise[i] + rise[i - 1]) / 2;
      if (mean > 0 && dt <= LONGEST_GAP) {
        joules += rate * mean * dt;
        seconds += dt;
        if (dt > FOLLOWED) {
          double half = (Math.abs(rise[i] - rise[i - 1]) / 2 + UNSEEN * mean) * rate * dt;
          unseen += half * half;
        }
      }
    }
    return new double[] {joules, seconds, unseen};
  }

  private static List<Spell> spells(long[] at, double[] rise, double[] watts) {
    Direction[] way = new Direction[at.length];
    for (int i = 0; i < at.length; i++) {
      way[i] =
          rise[i] > DEAD_BAND
              ? Direction.CHARGING
              : rise[i] < -DEAD_BAND ? Direction.DRAWING : Direction.STILL;
    }
    for (int i = 1; i < way.length; i++) {
      int next = i;
      while (next < way.length && way[next] == Direction.STILL) {
        next++;
      }
      if (next > i
          && next < way.length
          && way[next] == way[i - 1]
          && at[next] - at[i - 1] <= SHORT) {
        Arrays.fill(way, i, next, way[next]);
      }
      i = Math.max(i, next - 1);
    }
    List<Spell> spells = new ArrayList<>();
    int begin = 0;
    for (int i = 1; i <= at.length; i++) {
      if (i == at.length || way[i] != way[begin] || at[i] - at[i - 1] > LONGEST_GAP) {
        double joules = 0;
        for (int k = begin + 1; k < i; k++) {
          joules += (watts[k] + watts[k - 1]) / 2 * (at[k] - at[k - 1]);
        }
        spells.add(new Spell(way[begin], at[begin], at[i - 1], joules));
        begin = i;
      }
    }
    return List.copyOf(spells);
  }

  /** The last turn from one direction to the other; empty where there was none. */
  public Optional<Turn> lastTurn() {
    Spell later = null;
    for (int i = spells.size() - 1; i >= 0; i--) {
      Spell s = spells.get(i);
      if (s.direction() == Direction.STILL) {
        continue;
      }
      if (later != null && s.direction() != later.direction()) {
        return Optional.of(
            new Turn(later.direction(), zero(s.to(), later.from()), (later.from() - s.to()) / 2));
      }
      later = s;
    }
    return Optional.empty();
  }

  private long zero(long from, long to) {
    int i = Arrays.binarySearch(at, from);
    while (i < at.length - 1 && at[i + 1] <= to) {
      if (watts[i] * watts[i + 1] <= 0 && watts[i] != watts[i + 1]) {
        return at[i] + Math.round((at[i + 1] - at[i]) * watts[i] / (watts[i] - watts[i + 1]));
      }
      i++;
    }
    return (from + to) / 2;
  }

  /** What the stream carried out of the store in the step that ends at each moment, W. */
  double[] carriedOff(long[] moments) {
    TimeSeries into = new TimeSeries(at, watts);
    double[] off = new double[moments.length];
    for (int i = 1; i < off.length; i++) {
      double w = into.at((moments[i] + moments[i - 1]) / 2, LONGEST_GAP);
      off[i] = Double.isNaN(w) ? 0 : Math.max(0, -w);
    }
    return off;
  }

  /** Since when the pump stands, if it did at the last reading. */
  public OptionalLong stoodSince() {
    return stood.stream().filter(s -> s.at(at[at.length - 1])).mapToLong(s -> s.from()).findFirst();
  }

  /** Mean power over the last quarter of an hour that was read, W. */
  public double wattsNow() {
    long end = at[at.length - 1];
    double sum = 0;
    int n = 0;
    for (int i = at.length - 1; i >= 0 && end - at[i] <= 900; i--) {
      sum += watts[i];
      n++;
    }
    return sum / n;
  }
}
