package nightbank.core.judgement;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Optional;
import java.util.stream.DoubleStream;

/**
 * A night as it was, as far as somebody looked.
 *
 * @param limitCelsius what the plants stand
 * @param lowestCelsius of the house's coldest thermometer, means over ten minutes; NaN when nobody
 *     read
 * @param minimumCelsius what a thermometer showed that keeps the lowest of this night alone, NaN
 *     without one
 * @param notBelowCelsius what the air cannot have been under by what else was seen: the lowest of
 *     several nights, a dish that did not freeze; NaN where nothing tells
 * @param unreadShare of the time from dusk to dawn, the longest stretch without a reading
 * @param model where the house's model puts the low of that stretch
 * @param outdoorLowest the lowest outdoors, NaN when nobody read it
 * @param coldDegreeHours below the plants' limit, as far as it was read, K h
 * @param iceSeen whether somebody saw ice or rime in the house
 */
@RecordBuilder
public record PastNight(
    double limitCelsius,
    double lowestCelsius,
    double minimumCelsius,
    double notBelowCelsius,
    double unreadShare,
    Optional<UnreadHours.Range> model,
    double outdoorLowest,
    double coldDegreeHours,
    boolean iceSeen) {
  /** What a common thermometer may be wrong by, K (digital probes, estimate). */
  public static final double DOUBT = 0.5;

  /** So little over the limit is close: leaves are colder than the air on a clear night, K. */
  public static final double CLOSE = 1.0;

  /**
   * A night is looked through when no longer stretch of it went unread: the air of a house falls by
   * less than a kelvin in a quarter of a night whose evening is read (estimate).
   */
  public static final double LOOKED = 0.25;

  /** What a dish of water that did not freeze overnight tells of the air, °C (estimate). */
  public static final double NO_ICE = -1.5;

  /** What became of a night. */
  public enum Outcome {
    HELD,
    CLOSE,
    LOST,
    /** Too little was looked at to say. */
    UNKNOWN
  }

  /** Whether its low is known from what was read, not from a model. */
  public boolean lookedThrough() {
    return !Double.isNaN(minimumCelsius)
        || !Double.isNaN(lowestCelsius) && unreadShare <= LOOKED
        || !Double.isNaN(lowestCelsius) && model.isPresent() && model.get().low() >= lowestCelsius;
  }

  /** The lowest that any thermometer showed, °C; NaN when none was read. */
  public double lowestShown() {
    return DoubleStream.of(lowestCelsius, minimumCelsius)
        .filter(c -> !Double.isNaN(c))
        .min()
        .orElse(Double.NaN);
  }

  /** Held, close or lost as far as it is known; ice seen outweighs a thermometer better placed. */
  public Outcome outcome() {
    double margin = lowestShown() - limitCelsius;
    if (margin < -DOUBT || iceSeen && (margin < CLOSE || iceTells())) {
      return Outcome.LOST;
    }
    if (lookedThrough()) {
      return margin < CLOSE || iceSeen ? Outcome.CLOSE : Outcome.HELD;
    }
    return notBelowCelsius >= limitCelsius + CLOSE && !iceSeen ? Outcome.HELD : Outcome.UNKNOWN;
  }

  /** Where the night was not looked through, ice tells of plants that don't stand it. */
  private boolean iceTells() {
    return !lookedThrough() && limitCelsius >= 0;
  }

  /** By how much the house stayed above outdoors, K; NaN where either is not known. */
  public double liftKelvin() {
    return lookedThrough() ? lowestShown() - outdoorLowest : Double.NaN;
  }
}
