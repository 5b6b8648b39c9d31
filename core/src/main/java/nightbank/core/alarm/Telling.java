package nightbank.core.alarm;

import java.time.Duration;
import java.time.Instant;

/**
 * When an alarm is told: at once, then again and again until somebody has seen it; what can wait
 * not in quiet hours.
 *
 * @param again between one telling and the next, at least a minute
 */
public record Telling(QuietHours quiet, Duration again) {
  public Telling {
    if (again.compareTo(Duration.ofMinutes(1)) < 0) {
      throw new IllegalArgumentException("told again after a minute at the least");
    }
  }

  /** When it is told first. */
  public Instant first(Instant since, boolean cannotWait) {
    return cannotWait ? since : quiet.after(since);
  }

  /** When it is told next after a telling. */
  public Instant next(Instant told, boolean cannotWait) {
    return first(told.plus(again), cannotWait);
  }
}
