package nightbank.core.upkeep;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Stacks from which fires take: each from the driest that is there and has some left. Neglects that
 * a person may have taken from another, and bark and chips that stay behind.
 *
 * @param stacks as they are now, in the order in which they were given
 * @param missing kg that were burnt and lay on no stack
 */
public record WoodPile(List<WoodStack> stacks, double missing) {
  private static final double CRUMBS = 1e-9; // kg

  /**
   * A fire, or what was put on it.
   *
   * @param kilograms as burnt, water in it
   */
  public record Fire(Instant at, double kilograms) {
    public Fire {
      if (!(kilograms >= 0 && kilograms <= 100_000)) {
        throw new IllegalArgumentException(
            "a fire burns between 0 and 100000 kg, was " + kilograms);
      }
    }
  }

  public WoodPile {
    stacks = List.copyOf(stacks);
  }

  /**
   * What fires have left.
   *
   * @param stacks each as it was at its {@code since}; fires before that took nothing of it
   * @param fires in any order
   */
  public static WoodPile after(List<WoodStack> stacks, List<Fire> fires, OpenAir air) {
    Instant last =
        fires.stream().map(Fire::at).max(Comparator.naturalOrder()).orElse(Instant.EPOCH);
    List<double[]> courses = stacks.stream().map(s -> s.daily(last, air)).toList();
    double[] dry = stacks.stream().mapToDouble(s -> s.kilograms() * (1 - s.moisture())).toArray();
    double missing = 0;
    for (Fire f : fires.stream().sorted(Comparator.comparing(Fire::at)).toList()) {
      double wanted = f.kilograms();
      int at = driest(stacks, courses, dry, f.at());
      while (wanted > CRUMBS && at >= 0) {
        double share = 1 - moisture(stacks.get(at), courses.get(at), f.at());
        double taken = Math.min(dry[at], wanted * share);
        dry[at] -= taken;
        wanted -= taken / share;
        at = driest(stacks, courses, dry, f.at());
      }
      missing += Math.max(0, wanted);
    }
    List<WoodStack> left = new ArrayList<>();
    for (int i = 0; i < dry.length; i++) {
      WoodStack s = stacks.get(i);
      left.add(s.left(dry[i] / (1 - s.moisture())));
    }
    return new WoodPile(left, missing < CRUMBS ? 0 : missing);
  }

  /** The driest there is at a moment; -1 where there is none. */
  private static int driest(
      List<WoodStack> stacks, List<double[]> courses, double[] dry, Instant at) {
    int best = -1;
    double least = 1;
    for (int i = 0; i < dry.length; i++) {
      WoodStack s = stacks.get(i);
      if (dry[i] > CRUMBS && !s.since().isAfter(at)) {
        double m = moisture(s, courses.get(i), at);
        if (m < least) {
          least = m;
          best = i;
        }
      }
    }
    return best;
  }

  private static double moisture(WoodStack s, double[] course, Instant at) {
    long day = Duration.between(s.since(), at).toDays();
    return course[(int) Math.min(course.length - 1, Math.max(0, day))];
  }
}
