package nightbank.core.fit;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import nightbank.core.store.HeatStore;

/**
 * A store as described and what was read of it by hand. Seconds count from any moment.
 *
 * @param readings in the order of time, however they were noted
 */
public record HandRecord(
    HeatStore store, Charge charge, Optional<Start> start, Around around, List<Reading> readings) {
  /** So high, in heights of its store, a spot is on the top. */
  public static final double TOP = 0.99;

  private static final double WARMED = 900; // s that go by before a source's noted hour

  /** What a thermometer is put to. */
  public enum At {
    STORE,
    SURFACE,
    AIR
  }

  /**
   * One reading.
   *
   * @param probe its place among the store's probes; of no use for air
   * @param sigma of the reading alone, K
   * @param atLeast whether it only tells that it was as hot as that or hotter
   */
  public record Reading(
      At at, int probe, double seconds, double celsius, double sigma, boolean atLeast) {
    public Reading(At at, int probe, double seconds, double celsius, double sigma) {
      this(at, probe, seconds, celsius, sigma, false);
    }

    /** By how much a model that reads so is off it, K. */
    double miss(double modelled) {
      double off = modelled - celsius;
      return atLeast ? Math.min(0, off) : off;
    }
  }

  /**
   * What charged it.
   *
   * @param watts into the store between its hours on the mean, 0 where nothing did
   * @param spread one standard deviation of ln watts
   * @param unsureSeconds one standard deviation of either hour
   */
  public record Charge(double from, double to, double watts, double spread, double unsureSeconds) {
    public static Charge none(double at) {
      return new Charge(at, at, 0, 0, 0);
    }

    boolean heats() {
      return watts > 0;
    }
  }

  /**
   * A store known to have stood warm or cold, alike all through.
   *
   * @param doubt one standard deviation, K
   */
  public record Start(double celsius, double doubt) {}

  /**
   * What was round it, as far as one may think; doubts are standard deviations, K.
   *
   * @param swing half of the day's
   * @param warmest second at which the air is warmest, any day
   */
  public record Around(
      double air,
      double airDoubt,
      double swing,
      double swingDoubt,
      double warmest,
      double ground) {}

  public HandRecord {
    readings = readings.stream().sorted(Comparator.comparingDouble(Reading::seconds)).toList();
  }

  double begin() {
    double first = readings.isEmpty() ? charge.from() : readings.get(0).seconds();
    return Math.min(first, start.isPresent() ? charge.from() : charge.from() - WARMED);
  }

  double last() {
    double read = readings.isEmpty() ? begin() : readings.get(readings.size() - 1).seconds();
    return Math.max(charge.to() + 60, read);
  }
}
