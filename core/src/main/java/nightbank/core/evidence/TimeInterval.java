package nightbank.core.evidence;

import java.util.List;

/** From one epoch second up to another, {@link Long#MAX_VALUE} while it lasts still. */
public record TimeInterval(long from, long to) {
  public TimeInterval {
    if (to < from) {
      throw new IllegalArgumentException("a stretch must not end before it begins");
    }
  }

  public boolean at(long epochSecond) {
    return from <= epochSecond && epochSecond < to;
  }

  /** Seconds of a span that lie in any of some stretches which do not overlap. */
  static long within(List<TimeInterval> some, long begin, long end) {
    long sum = 0;
    for (TimeInterval s : some) {
      sum += Math.max(0, Math.min(end, s.to) - Math.max(begin, s.from));
    }
    return sum;
  }
}
