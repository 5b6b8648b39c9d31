package nightbank.core.sizing;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * The smallest number of one candidate that holds the night, and what that comes to. Where none up
 * to the most does, figures are those of the most.
 *
 * @param count bodies
 * @param limit what bites below that number
 * @param lowestCelsius the plants' coldest then
 * @param usableJoules at dusk, above the floor temperature
 * @param powerAtDawnWatts to the house in the last step of the night
 * @param holdSeconds in steady cold of the night's low, three days at most; NaN where dominated
 * @param refillSeconds to make good what that night took, with the source at hand; NaN without one
 * @param cost NaN where a price is missing
 * @param dominated another is no heavier, no dearer, takes no more floor and fills no slower, and
 *     is better in one
 */
@RecordBuilder
public record Sized(
    Candidate candidate,
    int count,
    boolean holds,
    Limit limit,
    double lowestCelsius,
    double massKg,
    double floorSquareMetres,
    double loadKgPerSquareMetre,
    double usableJoules,
    double powerAtDawnWatts,
    double holdSeconds,
    double refillSeconds,
    double cost,
    boolean dominated) {

  /** Why one less would not do. */
  public enum Limit {
    /** More heat would help most. */
    ENERGY,
    /** A quicker way out would help most. */
    POWER,
    /** One is enough. */
    NONE,
    /** Dominated, so nobody asked. */
    UNASKED
  }

  Sized asDominated(boolean is) {
    return copy(limit, holdSeconds, is);
  }

  Sized holding(double seconds) {
    return copy(limit, seconds, dominated);
  }

  Sized limitedBy(Limit by) {
    return copy(by, holdSeconds, dominated);
  }

  private Sized copy(Limit by, double hold, boolean isDominated) {
    return SizedBuilder.builder(this).limit(by).holdSeconds(hold).dominated(isDominated).build();
  }
}
