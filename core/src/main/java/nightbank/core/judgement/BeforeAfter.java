package nightbank.core.judgement;

import java.util.List;
import java.util.Optional;
import org.hipparchus.distribution.continuous.TDistribution;
import org.hipparchus.stat.regression.OLSMultipleLinearRegression;

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
  private static final double ALIKE = 1; // K

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

  /**
   * Empty where either side has less than {@link #LEAST} nights, or all were equally cold.
   *
   * @param change the first evening with it, days since 1970
   */
  public static Optional<BeforeAfter> of(List<Night> nights, long change) {
    List<Night> before = nights.stream().filter(n -> n.day() < change).toList();
    List<Night> after = nights.stream().filter(n -> n.day() >= change).toList();
    if (before.size() < LEAST || after.size() < LEAST || within(before) + within(after) < 1e-9) {
      return Optional.empty();
    }
    var regression = new OLSMultipleLinearRegression();
    double[][] x = new double[nights.size()][];
    for (int i = 0; i < x.length; i++) {
      x[i] = new double[] {nights.get(i).outdoor(), nights.get(i).day() < change ? 0 : 1};
    }
    regression.newSampleData(nights.stream().mapToDouble(Night::house).toArray(), x);
    double step = regression.estimateRegressionParameters()[2];
    double t =
        new TDistribution(nights.size() - 3).inverseCumulativeProbability(0.5 + CONFIDENCE / 2);
    double half = t * regression.estimateRegressionParametersStandardErrors()[2];
    return Optional.of(
        new BeforeAfter(
            before.size(), after.size(), step, step - half, step + half, apart(before, after)));
  }

  /** Sum of squares of the outdoor lows about their mean, K². */
  private static double within(List<Night> nights) {
    double mean = nights.stream().mapToDouble(Night::outdoor).average().orElseThrow();
    return nights.stream().mapToDouble(n -> Math.pow(n.outdoor() - mean, 2)).sum();
  }

  private static boolean apart(List<Night> before, List<Night> after) {
    return Math.min(warmest(before), warmest(after)) - Math.max(coldest(before), coldest(after))
        < ALIKE;
  }

  private static double warmest(List<Night> nights) {
    return nights.stream().mapToDouble(Night::outdoor).max().orElseThrow();
  }

  private static double coldest(List<Night> nights) {
    return nights.stream().mapToDouble(Night::outdoor).min().orElseThrow();
  }
}
