package nightbank.core.night;

import java.util.List;

/**
 * A simulated night. Temperatures in °C, heat in J; all rows share {@code seconds}.
 *
 * @param lowestCelsius coldest inside air
 * @param lowestAtSeconds when
 * @param coldDegreeHours Σ (limit - air) dt below the plants' limit, K h
 * @param billJoules what the house must be given to stay at the plants' limit, mass spent
 * @param lostJoules what the house lost to outdoors and sky
 * @param massJoules what the inner mass gave
 * @param residualJoules heat that the ledger cannot explain; rounding only
 */
public record NightResult(
    double[] seconds,
    double[] outdoor,
    double[] air,
    double[] mass,
    List<StoreNight> stores,
    double lowestCelsius,
    double lowestAtSeconds,
    double coldDegreeHours,
    double billJoules,
    double peakDemandWatts,
    double lostJoules,
    double massJoules,
    double residualJoules) {

  /**
   * One store through the night, as ledger columns in J.
   *
   * @param deliveredJoules reached the house while it needed heat
   * @param earlyJoules reached the house while it did not
   * @param lostJoules went to ground or open air
   */
  public record StoreNight(
      String id,
      double[] meanCelsius,
      double[] usableJoules,
      double[] toHouseWatts,
      double deliveredJoules,
      double earlyJoules,
      double lostJoules,
      double changeJoules) {}
}
