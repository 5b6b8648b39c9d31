package nightbank.core.friend;

import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.Predicate;

/**
 * Something noticed, with what was read.
 *
 * @param of the part, store or house that it is said of
 * @param seen what was read, in the unit of its rule: °C, W or kg
 * @param against what it was held against, in the same
 * @param atSeconds when, from the start of what was looked at; empty where no moment is meant
 */
public record Noticed(Rule rule, String of, double seen, double against, OptionalDouble atSeconds) {
  private static final int MOST = 3;
  private static final Comparator<Noticed> WEIGHT =
      Comparator.comparing(Noticed::rule)
          .thenComparing(Comparator.comparingDouble(Noticed::excess).reversed());

  private double excess() {
    return Math.abs(seen - against);
  }

  /** Of many the weightiest, at most three: more than that nobody reads. */
  public static List<Noticed> weightiest(List<Noticed> all, Predicate<Noticed> putAway) {
    return all.stream().filter(putAway.negate()).sorted(WEIGHT).limit(MOST).toList();
  }
}
