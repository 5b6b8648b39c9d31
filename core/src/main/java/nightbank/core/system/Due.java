package nightbank.core.system;

import java.util.Comparator;
import java.util.List;

/**
 * What of a plan is on at a moment, what comes then, and how long that stays so.
 *
 * @param on those that last and have begun, in order of their beginnings
 * @param next those that have not begun, in order
 * @param untilSeconds s, when the first of them ends or begins
 */
public record Due(List<Action> on, List<Action> next, double untilSeconds) {

  /**
   * What is due.
   *
   * @param nowSeconds s on the plan's clock
   * @param latestSeconds s, beyond which nothing is told
   */
  public static Due of(List<Action> plan, double nowSeconds, double latestSeconds) {
    List<Action> all =
        plan.stream().sorted(Comparator.comparingDouble(Action::fromSeconds)).toList();
    List<Action> on =
        all.stream()
            .filter(a -> a.kind().lasts())
            .filter(a -> a.fromSeconds() <= nowSeconds && a.toSeconds() > nowSeconds)
            .toList();
    List<Action> next = all.stream().filter(a -> a.fromSeconds() > nowSeconds).toList();
    double until = latestSeconds;
    for (Action a : on) {
      until = Math.min(until, a.toSeconds());
    }
    for (Action a : next) {
      until = Math.min(until, a.fromSeconds());
    }
    return new Due(on, next, until);
  }
}
