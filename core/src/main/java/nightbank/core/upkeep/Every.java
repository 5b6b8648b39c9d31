package nightbank.core.upkeep;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.MonthDay;
import java.time.Period;
import java.time.ZoneId;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * How often something comes round: by whichever of what is told comes first.
 *
 * @param days since it was done
 * @param fires lit since
 * @param kilograms of wood burnt since
 * @param on the day of every year before which it is to be done
 */
public record Every(
    @Nullable Integer days,
    @Nullable Integer fires,
    @Nullable Double kilograms,
    @Nullable MonthDay on) {
  private static final double SOON = 0.8; // of the way
  private static final int SOON_DAYS = 14; // before a day of the year
  private static final int MOST_DAYS = 3660;
  private static final Period COUNTS = Period.ofDays(90); // before the day, as done for it
  private static final Duration MISSED = Duration.ofDays(180 + 90); // told for half a year after it

  public Every {
    if (days == null && fires == null && kilograms == null && on == null) {
      throw new IllegalArgumentException("a task must come round by something");
    }
    if (days != null && (days < 1 || days > MOST_DAYS)) {
      throw new IllegalArgumentException("days between must be 1 to 3660, were " + days);
    }
    if (fires != null && (fires < 1 || fires > 10_000)) {
      throw new IllegalArgumentException("fires between must be 1 to 10000, were " + fires);
    }
    if (kilograms != null && !(kilograms >= 1 && kilograms <= 100_000)) {
      throw new IllegalArgumentException(
          "wood between must be 1 to 100000 kg, was " + kilograms + " kg");
    }
  }

  static Every days(int days) {
    return new Every(days, null, null, null);
  }

  static Every year(int month, int day) {
    return new Every(null, null, null, MonthDay.of(month, day));
  }

  /** How pressing it is. */
  public enum State {
    NOT_YET,
    SOON,
    DUE
  }

  /**
   * Where it stands.
   *
   * @param way 0 just done, 1 due; more than that when late
   * @param at when days or the date alone make it due; empty where only fires and wood count
   */
  public record Due(State state, double way, Optional<Instant> at) {}

  /**
   * Where it stands.
   *
   * @param done last; null where it never was, which makes it due but for what waits for its season
   * @param firesSince lit since then
   * @param kilogramsSince burnt since then
   */
  public Due due(
      @Nullable Instant done, Instant now, int firesSince, double kilogramsSince, ZoneId zone) {
    Instant day = on == null ? null : next(on, done == null ? now.minus(MISSED) : done, zone);
    if (done == null) {
      return day == null ? new Due(State.DUE, 1, Optional.of(now)) : told(season(now, day), day);
    }
    double way = day == null ? 0 : season(now, day);
    Instant at = day;
    if (days != null) {
      Instant end = done.plus(Duration.ofDays(days));
      double gone = Duration.between(done, now).toSeconds();
      way = Math.max(way, gone / Duration.ofDays(days).toSeconds());
      at = at == null || end.isBefore(at) ? end : at;
    }
    way = fires == null ? way : Math.max(way, (double) firesSince / fires);
    way = kilograms == null ? way : Math.max(way, kilogramsSince / kilograms);
    return told(way, at);
  }

  /**
   * When it will be due if it goes on at the pace since it was last done; empty where nothing has
   * happened since.
   *
   * @param way as {@link Due#way()} has it
   */
  public static Optional<Instant> atPace(Instant done, Instant now, double way) {
    double gone = Duration.between(done, now).toSeconds();
    return way > 0 && gone > 0 && gone / way < Duration.ofDays(MOST_DAYS).toSeconds()
        ? Optional.of(done.plusSeconds(Math.round(gone / way)))
        : Optional.empty();
  }

  private static Due told(double way, @Nullable Instant at) {
    State state = way >= 1 ? State.DUE : way >= SOON ? State.SOON : State.NOT_YET;
    return new Due(state, Math.max(0, way), Optional.ofNullable(at));
  }

  /** Soon in the fortnight before the day, due from it on. */
  private static double season(Instant now, Instant day) {
    double left = Duration.between(now, day).toSeconds() / 86_400.0;
    return left > SOON_DAYS ? 0 : 1 - (1 - SOON) * left / SOON_DAYS;
  }

  /** The first such day that what was done does not count for, at its beginning. */
  private static Instant next(MonthDay day, Instant done, ZoneId zone) {
    LocalDate last = done.atZone(zone).toLocalDate();
    LocalDate next = day.atYear(last.getYear());
    while (!next.isAfter(last.plus(COUNTS))) {
      next = day.atYear(next.getYear() + 1);
    }
    return next.atStartOfDay(zone).toInstant();
  }
}
