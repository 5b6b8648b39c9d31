package nightbank.core.night;

import java.util.List;
import nightbank.core.store.StoreState;

/**
 * A simulated night. Temperatures in °C, heat in J; all rows share {@code seconds}.
 *
 * @param leaf the outermost leaf
 * @param plants what the plants feel: the colder of air and leaf, warmer under a cover
 * @param mass the floor's surface, or the first inner mass where there is no soil
 * @param lowestCelsius coldest that the plants feel
 * @param lowestAtSeconds when
 * @param coldDegreeHours Σ (limit - plants) dt below the plants' limit, K h
 * @param billJoules what the house must be given to stay at the plants' limit, mass spent
 * @param lostJoules what the house lost to outdoors, sky and ground
 * @param massJoules what inner masses and soil gave
 * @param ventedJoules thrown out by open vents
 * @param sunJoules sun that got in
 * @param roomJoules heat given to the air at once by fires
 * @param residualJoules heat that the ledger cannot explain; rounding only
 */
public record NightResult(
    double[] seconds,
    double[] outdoor,
    double[] air,
    double[] leaf,
    double[] plants,
    double[] mass,
    List<StoreNight> stores,
    double lowestCelsius,
    double lowestAtSeconds,
    double coldDegreeHours,
    double billJoules,
    double peakDemandWatts,
    double lostJoules,
    double massJoules,
    double ventedJoules,
    double sunJoules,
    double roomJoules,
    double residualJoules) {

  /**
   * One store through the night, as ledger columns in J: charged = change + delivered + early +
   * lost.
   *
   * @param chargedJoules put in by fire or element
   * @param deliveredJoules reached the house while it needed heat, by faces, pump or fan
   * @param earlyJoules reached the house while it did not
   * @param lostJoules went to ground, open air or off as steam
   * @param hottestCelsius hottest that any of it got
   * @param end as the night left it
   */
  public record StoreNight(
      String id,
      double[] meanCelsius,
      double[] usableJoules,
      double[] toHouseWatts,
      double chargedJoules,
      double deliveredJoules,
      double earlyJoules,
      double lostJoules,
      double changeJoules,
      double hottestCelsius,
      StoreState end) {}
}
