package nightbank.core.judgement;

import java.util.DoubleSummaryStatistics;
import java.util.List;
import java.util.Optional;
import org.hipparchus.distribution.continuous.TDistribution;

/**
 * What a change to a house did, by its nights before and from the change on: how much warmer its
 * low is in the same cold. The lows are regressed on the outdoor lows with one slope and a step at
 * the change (analysis of covariance; Montgomery, Design and Analysis of Experiments, ch. 15): a
 * mild fortnight after a hard one is no merit of the change.
 *
 * <p>Neglects wind, cloud, what the stores held and what was done by hand, and that nights on end
 * are alike (the true interval is wider where they are); taken to be linear in the outdoor low.
 *
 * @param nightsBefore and {@code nightsAfter}: how many were read, in the house and outdoors
 * @param warmer step of the low at the change, K
 * @param low and {@code high}: of its 95 % confidence interval, K
 * @param otherCold whether the cold of the one side hardly overlaps that of the other: then the
 *     slope carries the answer, not nights that are alike
 */
public record BeforeAfter(
    int nightsBefore, int nightsAfter, double warmer, double low, double high, boolean otherCold) {
  /** So many on either side at least. */
  public static final int LEAST = 3;

  private static final double CONFIDENCE = 0.95;
  private static final double SAME_COLD = 1e-9; // K², below it all nights were equally cold
  private static final double ALIKE = 1; // K of cold that both sides met (estimate)

  /** What was found. */
  public enum Finding {
    WARMER,
    COLDER,
    /** Its doubt reaches to both sides of nothing. */
    CANNOT_TELL
  }

  /**
   * One night that was read.
   *
   * @param day its evening, days since 1970
   * @param house its low, °C
   * @param outdoor its low, °C
   */
  public record Night(long day, double house, double outdoor) {}

  /** What its doubt leaves. */
  public Finding finding() {
    return low > 0 ? Finding.WARMER : high < 0 ? Finding.COLDER : Finding.CANNOT_TELL;
  }

  /** Whether it did what was told of it beforehand. */
  public enum Kept {
    AS_TOLD,
    LESS,
    MORE,
    /** What was told fits, and so does nothing at all. */
    CANNOT_TELL
  }

  /**
   * Against what was told beforehand, which is of the hard nights; all nights are looked at here,
   * and most changes do somewhat less on mild ones.
   *
   * @param toldLow and {@code toldHigh}: by so much warmer, K
   */
  public Kept against(double toldLow, double toldHigh) {
    if (high < toldLow) {
      return Kept.LESS;
    }
    if (low > toldHigh) {
      return Kept.MORE;
    }
    return finding() == Finding.CANNOT_TELL ? Kept.CANNOT_TELL : Kept.AS_TOLD;
  }

  /**
   * As {@link #of}, by the nights that no other change divides from this one.
   *
   * @param others first evenings with the other changes; whatever was done on the same is not told
   *     apart
   */
  public static Optional<BeforeAfter> of(List<Night> nights, long change, List<Long> others) {
    long from = others.stream().filter(o -> o < change).max(Long::compare).orElse(Long.MIN_VALUE);
    long to = others.stream().filter(o -> o > change).min(Long::compare).orElse(Long.MAX_VALUE);
    return of(nights.stream().filter(n -> n.day() >= from && n.day() < to).toList(), change);
  }

  /**
   * Empty where either side has less than {@link #LEAST} nights, or all were equally cold.
   *
   * @param change the first evening with it, days since 1970
   */
  public static Optional<BeforeAfter> of(List<Night> nights, long change) {
    Side before = Side.of(nights.stream().filter(n -> n.day() < change).toList());
    Side after = Side.of(nights.stream().filter(n -> n.day() >= change).toList());
    double outdoors = before.outdoors() + after.outdoors();
    if (before.nights() < LEAST || after.nights() < LEAST || outdoors < SAME_COLD) {
      return Optional.empty();
    }
    double together = before.together() + after.together();
    double slope = together / outdoors;
    double apart = after.outdoor() - before.outdoor();
    double step = after.house() - before.house() - slope * apart;
    int free = nights.size() - 3; // two means and a slope
    double scatter = Math.max(0, before.houses() + after.houses() - slope * together) / free;
    double error =
        Math.sqrt(
            scatter * (1. / before.nights() + 1. / after.nights() + apart * apart / outdoors));
    double half =
        error * new TDistribution(free).inverseCumulativeProbability(0.5 + CONFIDENCE / 2);
    double met =
        Math.min(before.warmest(), after.warmest()) - Math.max(before.coldest(), after.coldest());
    return Optional.of(
        new BeforeAfter(
            before.nights(), after.nights(), step, step - half, step + half, met < ALIKE));
  }

  /**
   * The nights of one side: means, °C, and sums of squares and products about them, K².
   *
   * @param together of both lows
   */
  private record Side(
      int nights,
      double house,
      double outdoor,
      double houses,
      double outdoors,
      double together,
      double coldest,
      double warmest) {
    static Side of(List<Night> nights) {
      DoubleSummaryStatistics out = nights.stream().mapToDouble(Night::outdoor).summaryStatistics();
      double house = nights.stream().mapToDouble(Night::house).average().orElse(Double.NaN);
      double houses = 0;
      double outdoors = 0;
      double together = 0;
      for (Night n : nights) {
        double h = n.house() - house;
        double o = n.outdoor() - out.getAverage();
        houses += h * h;
        outdoors += o * o;
        together += h * o;
      }
      return new Side(
          nights.size(),
          house,
          out.getAverage(),
          houses,
          outdoors,
          together,
          out.getMin(),
          out.getMax());
    }
  }
}
