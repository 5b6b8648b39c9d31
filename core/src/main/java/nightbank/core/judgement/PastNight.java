package nightbank.core.judgement;

import nightbank.core.forecast.Verdict;

/**
 * A night as it was, from what was read and what was seen.
 *
 * @param lowestCelsius of the house's coldest thermometer, means over ten minutes
 * @param outdoorLowest the same outdoors, NaN when nobody read it
 * @param coldDegreeHours below the plants' limit, K h
 * @param iceSeen whether somebody saw ice or rime in the house
 */
public record PastNight(
    double lowestCelsius,
    double limitCelsius,
    double outdoorLowest,
    double coldDegreeHours,
    boolean iceSeen) {
  /** What a common thermometer may be wrong by, K (digital probes, estimate). */
  public static final double DOUBT = 0.5;

  /** So little over the limit is close: leaves are colder than the air on a clear night, K. */
  public static final double CLOSE = 1.0;

  /** Held, close or lost; ice seen outweighs a thermometer that hangs in a better place. */
  public Verdict verdict() {
    double margin = lowestCelsius - limitCelsius;
    if (margin < -DOUBT || (iceSeen && margin < CLOSE)) {
      return Verdict.LOST;
    }
    return margin < CLOSE || iceSeen ? Verdict.CLOSE : Verdict.HELD;
  }

  /** By how much the house stayed above outdoors, K; NaN when nobody read outdoors. */
  public double liftKelvin() {
    return lowestCelsius - outdoorLowest;
  }
}
