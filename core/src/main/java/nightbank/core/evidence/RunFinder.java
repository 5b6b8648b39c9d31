package nightbank.core.evidence;

import java.util.ArrayList;
import java.util.Arrays;
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
    List<ReadingSeries> cleaned = kept.stream().filter(s -> s.size() > 8).toList();
    if (cleaned.isEmpty()) {
      return kept.isEmpty() ? List.of() : byHand(kept, fires);
    }
    List<Found> all = new ArrayList<>();
    for (long[] spell : spells(cleaned, SILENCE)) {
      List<ReadingSeries> within =
          cleaned.stream().map(s -> cut(s, spell[0], spell[1])).filter(s -> s.size() > 8).toList();
      if (!within.isEmpty() && spell[1] - spell[0] >= SHORTEST) {
        inSpell(within, spell, fires, all);
      }
    }
    return all;
  }

  /** Of a few readings by hand each day's or two make one run, from the fire on if one was lit. */
  private static List<Found> byHand(List<ReadingSeries> read, List<Long> fires) {
    List<Found> all = new ArrayList<>();
    for (long[] spell : spells(read, HAND_SILENCE)) {
      long from = begun(spell[0], fires);
      if (spell[1] > from) {
        long charging =
            read.stream()
                .map(s -> cut(s, spell[0], spell[1]))
                .mapToLong(RunFinder::rises)
                .max()
                .orElse(0);
        all.add(new Found(from, spell[1], charging));
      }
    }
    return all;
  }

  /** From its first reading to its hottest, s. */
  private static long rises(ReadingSeries s) {
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
