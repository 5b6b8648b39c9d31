package nightbank.core.forecast;

import java.util.List;
import java.util.OptionalDouble;
import java.util.function.ToDoubleFunction;
import nightbank.core.system.Action;

/** Until when what is to be done may be put off. */
final class PutOff {
  private static final double CLOSE = 900; // s

  private PutOff() {}

  /** The same, begun no sooner. */
  static Action notBefore(Action a, double from) {
    return new Action(
        a.kind(),
        a.of(),
        Math.max(from, a.fromSeconds()),
        Math.max(from, a.toSeconds()),
        a.amount(),
        a.moisture());
  }

  /**
   * The last moment until which all of it may wait, by halving; within a quarter of an hour.
   *
   * @param way what is to be done
   * @param dawn when the night is over, s
   * @param lowest what the plants feel at the coldest when that is done, °C
   * @param needed what they must not fall below, °C
   * @return empty where nothing is to be done
   */
  static OptionalDouble latest(
      List<Action> way, double dawn, ToDoubleFunction<List<Action>> lowest, double needed) {
    if (way.isEmpty()) {
      return OptionalDouble.empty();
    }
    double low = way.stream().mapToDouble(Action::fromSeconds).min().orElseThrow();
    double high = dawn;
    while (high - low > CLOSE) {
      double middle = (low + high) / 2;
      if (lowest.applyAsDouble(way.stream().map(a -> notBefore(a, middle)).toList()) >= needed) {
        low = middle;
      } else {
        high = middle;
      }
    }
    return OptionalDouble.of(low);
  }
}
