package nightbank.server.shared;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;

/**
 * Demo time: begins at the same moment of the demo year on any day, goes on for an hour so that
 * live readings have somewhere to go, and then stands still.
 */
public final class DemoClock extends Clock {
  static final Instant BEGIN = Instant.parse("2026-01-30T15:40:00Z");
  static final Duration LONGEST = Duration.ofHours(1);

  private final Clock real;
  private final boolean stands;
  private volatile Instant begun;
  private volatile Instant from = BEGIN;

  DemoClock(Clock real, boolean stands) {
    this.real = real;
    this.stands = stands;
    begun = real.instant();
  }

  /** Goes on from a moment that earlier readings have reached. */
  public void resume(Instant reached) {
    if (!stands && reached.isAfter(BEGIN)) {
      begun = real.instant();
      from = reached;
    }
  }

  @Override
  public Instant instant() {
    if (stands) {
      return BEGIN;
    }
    Instant now = from.plus(Duration.between(begun, real.instant()));
    Instant end = BEGIN.plus(LONGEST);
    return now.isAfter(end) ? end : now;
  }

  @Override
  public ZoneId getZone() {
    return ZoneOffset.UTC;
  }

  @Override
  public Clock withZone(ZoneId zone) {
    return Clock.fixed(instant(), zone);
  }
}
