package nightbank.core.evidence;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/**
 * Where runs begin and end in a long stretch of readings: a run begins with a charge and lasts
 * until the next one, or until nobody read for half a day. A charge that pauses for less than two
 * hours is one charge.
 */
public final class RunFinder {
  private static final long PAUSE = 2 * 3600;
  private static final long SILENCE = 12 * 3600;
  private static final long HAND_SILENCE = 30 * 3600; // s: read before, at its hottest, and after
  private static final long SHORTEST = 3 * 3600;
  private static final int FEW = 8; // readings of a probe that a logger would take within a run
  private static final double RISE_SHARE = 0.33; // of its range, by which a probe tells a charge
  private static final double LEAST_RISE = 3; // K, likewise

  private RunFinder() {}

  /** A stretch to be judged as one, epoch seconds; with how long its source was on. */
  public record Found(long from, long to, long chargingSeconds) {}

  /**
   * Finds runs.
   *
   * @param series readings by probe, cleaned here
   * @param fires moments at which somebody lit a fire or switched an element on, epoch seconds
   */
  public static List<Found> find(List<ReadingSeries> series, List<Long> fires) {
    List<ReadingSeries> kept =
        series.stream()
            .map(
                s ->
                    ReadingCleaner.clean(s, ReadingCleaner.SENSOR_LOW, ReadingCleaner.SENSOR_HIGH)
                        .kept())
            .filter(s -> s.size() > 0)
            .toList();
    List<Found> all = new ArrayList<>();
    if (kept.isEmpty()) {
      return all;
    }
    for (long[] spell : spells(kept, HAND_SILENCE)) {
      List<ReadingSeries> read = cut(kept, spell);
      List<ReadingSeries> logged = read.stream().filter(RunFinder::byLogger).toList();
      if (logged.isEmpty()) {
        byHand(read, spell, fires, all);
      } else {
        byLogger(logged, fires, all);
      }
    }
    return all;
  }

  private static void byLogger(List<ReadingSeries> read, List<Long> fires, List<Found> all) {
    for (long[] spell : spells(read, SILENCE)) {
      List<ReadingSeries> within = cut(read, spell).stream().filter(s -> s.size() > FEW).toList();
      if (!within.isEmpty() && spell[1] - spell[0] >= SHORTEST) {
        inSpell(within, spell, fires, all);
      }
    }
  }

  /** Read more often than anybody walks past. */
  private static boolean byLogger(ReadingSeries s) {
    long[] gaps = new long[Math.max(1, s.size() - 1)];
    for (int i = 1; i < s.size(); i++) {
      gaps[i - 1] = s.epochSeconds()[i] - s.epochSeconds()[i - 1];
    }
    Arrays.sort(gaps);
    return s.size() > FEW && gaps[gaps.length / 2] <= PAUSE;
  }

  /** Of readings by hand each charge with what follows makes a run, from the fire on if one was. */
  private static void byHand(
      List<ReadingSeries> read, long[] spell, List<Long> fires, List<Found> all) {
    List<Long> begins = new ArrayList<>(List.of(spell[0]));
    read.stream()
        .max(Comparator.comparingDouble(RunFinder::range))
        .ifPresent(s -> rises(s, begins));
    for (int i = 0; i < begins.size(); i++) {
      long from = begun(begins.get(i), fires);
      long to = i + 1 < begins.size() ? begins.get(i + 1) : spell[1];
      if (to > from) {
        long[] part = {begins.get(i), to};
        long charging = cut(read, part).stream().mapToLong(RunFinder::rise).max().orElse(0);
        all.add(new Found(from, to, charging));
      }
    }
  }

  private static double range(ReadingSeries s) {
    return Arrays.stream(s.celsius()).max().orElse(0) - Arrays.stream(s.celsius()).min().orElse(0);
  }

  /** Adds when it was coldest before it was charged again: after a fall, a rise of some size. */
  private static void rises(ReadingSeries s, List<Long> begins) {
    double least = Math.max(LEAST_RISE, range(s) * RISE_SHARE);
    double hottest = s.celsius()[0];
    int coldest = 0;
    boolean fell = false;
    for (int i = 1; i < s.size(); i++) {
      double now = s.celsius()[i];
      if (!fell) {
        hottest = Math.max(hottest, now);
        fell = hottest - now >= least;
        coldest = i;
      } else if (now <= s.celsius()[coldest]) {
        coldest = i;
      } else if (now - s.celsius()[coldest] >= least) {
        begins.add(s.epochSeconds()[coldest]);
        hottest = now;
        fell = false;
      }
    }
  }

  /** From its first reading to its hottest, s. */
  private static long rise(ReadingSeries s) {
    int hottest = 0;
    for (int i = 1; i < s.size(); i++) {
      hottest = s.celsius()[i] > s.celsius()[hottest] ? i : hottest;
    }
    return hottest == 0 ? 0 : s.epochSeconds()[hottest] - s.epochSeconds()[0];
  }

  private static void inSpell(
      List<ReadingSeries> within, long[] spell, List<Long> fires, List<Found> all) {
    RunTimeline line =
        RunTimeline.of(within, new ReadingSeries("", new long[] {spell[0]}, new double[] {0}));
    List<long[]> charges = new ArrayList<>();
    for (Phase p : line.phases()) {
      if (p.kind() == Phase.Kind.CHARGING) {
        long[] last = charges.isEmpty() ? null : charges.get(charges.size() - 1);
        if (last != null && p.fromEpochSecond() - last[1] < PAUSE) {
          last[2] += p.toEpochSecond() - p.fromEpochSecond();
          last[1] = p.toEpochSecond();
        } else {
          charges.add(
              new long[] {
                p.fromEpochSecond(), p.toEpochSecond(), p.toEpochSecond() - p.fromEpochSecond()
              });
        }
      }
    }
    if (charges.isEmpty() || charges.get(0)[0] - spell[0] >= SHORTEST) {
      long to = charges.isEmpty() ? spell[1] : charges.get(0)[0];
      all.add(new Found(spell[0], to, 0));
    }
    for (int i = 0; i < charges.size(); i++) {
      long from = begun(charges.get(i)[0], fires);
      long to = i + 1 < charges.size() ? begun(charges.get(i + 1)[0], fires) : spell[1];
      if (to - from >= SHORTEST) {
        all.add(new Found(Math.max(spell[0], from), to, charges.get(i)[2]));
      }
    }
  }

  /**
   * A fire somebody wrote down in the two hours before the readings show it counts as the start.
   */
  private static long begun(long seen, List<Long> fires) {
    return fires.stream()
        .filter(f -> f <= seen && seen - f <= PAUSE)
        .max(Long::compare)
        .orElse(seen);
  }

  /** Stretches without so long a silence. */
  private static List<long[]> spells(List<ReadingSeries> series, long silence) {
    long[] at =
        series.stream().flatMapToLong(s -> Arrays.stream(s.epochSeconds())).sorted().toArray();
    List<long[]> spells = new ArrayList<>();
    long from = at[0];
    for (int i = 1; i < at.length; i++) {
      if (at[i] - at[i - 1] > silence) {
        spells.add(new long[] {from, at[i - 1]});
        from = at[i];
      }
    }
    spells.add(new long[] {from, at[at.length - 1]});
    return spells;
  }

  private static List<ReadingSeries> cut(List<ReadingSeries> series, long[] spell) {
    return series.stream().map(s -> cut(s, spell[0], spell[1])).filter(s -> s.size() > 0).toList();
  }

  private static ReadingSeries cut(ReadingSeries s, long from, long to) {
    int first = 0;
    while (first < s.size() && s.epochSeconds()[first] < from) {
      first++;
    }
    int last = first;
    while (last < s.size() && s.epochSeconds()[last] <= to) {
      last++;
    }
    return new ReadingSeries(
        s.channel(),
        Arrays.copyOfRange(s.epochSeconds(), first, last),
        Arrays.copyOfRange(s.celsius(), first, last));
  }
}
