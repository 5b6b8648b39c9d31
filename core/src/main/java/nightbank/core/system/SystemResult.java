package nightbank.core.system;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;
import nightbank.core.store.model.StoreState;

/**
 * A place through time. Temperatures in °C, heat in J; all rows share {@code seconds}, mean powers
 * are those of the time before each moment.
 *
 * @param leaf the outermost leaf
 * @param plants what the plants feel: the colder of air and leaf, warmer under a cover
 * @param floor the floor's surface, or the first inner mass where there is no soil
 * @param lowestCelsius coldest that the plants feel at any step
 * @param lowestAtSeconds when
 * @param coldDegreeHours Σ (limit - plants) dt below the plants' limit, K h
 * @param billJoules what the house must be given to stay at the plants' limit, mass spent
 * @param lostJoules what the house lost to outdoors, sky and ground
 * @param massJoules what inner masses, walls and soil gave
 * @param ventedJoules thrown out by open vents
 * @param sunJoules sun that got in
 * @param directJoules heat given to the house by sources themselves
 * @param residualJoules heat that the whole ledger cannot explain; rounding only
 * @param stepSeconds longest step that was taken
 */
@RecordBuilder
public record SystemResult(
    double[] seconds,
    double[] outdoor,
    double[] air,
    double[] leaf,
    double[] plants,
    double[] floor,
    List<StoreTrace> stores,
    List<SourceTrace> sources,
    List<CircuitTrace> circuits,
    List<PumpTrace> pumps,
    double lowestCelsius,
    double lowestAtSeconds,
    double coldDegreeHours,
    double billJoules,
    double peakDemandWatts,
    double lostJoules,
    double massJoules,
    double ventedJoules,
    double sunJoules,
    double directJoules,
    double residualJoules,
    double stepSeconds) {

  /**
   * One store, as ledger columns in J: charged + fed = change + delivered + early + lost + moved.
   *
   * @param intoWatts by sources, circuits and heat pumps, less what these took out
   * @param chargedJoules put in by sources
   * @param deliveredJoules reached the house while it needed heat, by faces or circuits
   * @param earlyJoules reached the house while it did not
   * @param lostJoules went to ground, open air, other rooms or off as steam
   * @param movedJoules went to other stores, boilers and uses by circuits and heat pumps, less what
   *     came from them
   * @param receivedJoules of that what came, as a column of its own
   * @param fedJoules came with what was mixed in
   * @param hottestCelsius hottest that any of it got
   * @param end as it was left
   */
  @RecordBuilder
  public record StoreTrace(
      String id,
      double[] meanCelsius,
      double[] usableJoules,
      double[] toHouseWatts,
      double[] intoWatts,
      double chargedJoules,
      double deliveredJoules,
      double earlyJoules,
      double lostJoules,
      double movedJoules,
      double receivedJoules,
      double fedJoules,
      double changeJoules,
      double hottestCelsius,
      double residualJoules,
      StoreState end) {}

  /**
   * One source: released = to stores + to house + to circuits + vented + lost.
   *
   * @param watts released
   * @param fuelJoules burnt, by lower heating value
   * @param electricJoules used
   * @param lostJoules up the flue, or made where nothing took it up
   * @param leftJoules of its fuel that is still there
   */
  @RecordBuilder
  public record SourceTrace(
      String id,
      double[] watts,
      double releasedJoules,
      double toStoresJoules,
      double toHouseJoules,
      double toCircuitsJoules,
      double ventedJoules,
      double lostJoules,
      double fuelJoules,
      double electricJoules,
      double leftJoules,
      double runSeconds,
      int starts) {}

  /**
   * One circuit.
   *
   * @param watts moved: what its giving ends gave
   * @param toHouseJoules to air and floor of the house
   * @param movedJoules that its giving ends gave
   * @param electricJoules of pump or fan
   */
  public record CircuitTrace(
      String id,
      double[] watts,
      double[] netJoulesByEnd,
      double movedJoules,
      double toHouseJoules,
      double electricJoules,
      double runSeconds,
      int starts) {}

  /** One heat pump. */
  public record PumpTrace(
      String id,
      double[] watts,
      double hotJoules,
      double coldJoules,
      double electricJoules,
      double runSeconds,
      int stops) {
    /** Heat given over electricity so far; NaN where it never ran. */
    public double performance() {
      return electricJoules > 0 ? hotJoules / electricJoules : Double.NaN;
    }
  }

  public Optional<StoreTrace> store(String id) {
    return stores.stream().filter(s -> s.id().equals(id)).findFirst();
  }

  /** Whether a circuit or heat pump of this id ran at all. */
  public boolean ran(String id) {
    return circuits.stream().anyMatch(c -> c.id().equals(id) && c.runSeconds() > 0)
        || pumps.stream().anyMatch(p -> p.id().equals(id) && p.runSeconds() > 0);
  }

  public Optional<SourceTrace> source(String id) {
    return sources.stream().filter(s -> s.id().equals(id)).findFirst();
  }

  /** All power that machines used, J. */
  public double electricJoules() {
    return sources.stream().mapToDouble(SourceTrace::electricJoules).sum()
        + circuits.stream().mapToDouble(CircuitTrace::electricJoules).sum()
        + pumps.stream().mapToDouble(PumpTrace::electricJoules).sum();
  }

  /** All fuel that was burnt, J. */
  public double fuelJoules() {
    return sources.stream().mapToDouble(SourceTrace::fuelJoules).sum();
  }
}
