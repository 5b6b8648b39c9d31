package nightbank.server.store;

import java.util.List;
import java.util.UUID;
import nightbank.core.store.FaceName;

/**
 * Where heat comes from. What a kind has no use for is absent.
 *
 * @param powerWatts of element, sun at its best or machine; 0 when nobody knows
 * @param reachFraction how far from the middle it heats, in fractions of the half width
 * @param behind the face that flame or sun strikes, in place of a core
 * @param hours that a charge lasts
 * @param thermostatCelsius that cuts an element or ends a pump's lift
 * @param surplus an element fed by surplus sun
 * @param hearth from the catalogue
 * @param woodMoisture wet-basis share
 * @param toStore the grower's own split of a fire or flame, absent to take the hearth's
 * @param bypassHours so long the flue gas goes past the mass at first
 * @param inletCelsius of a stream that charges
 * @param absorptance of a sunlit face
 * @param coldStoreId that a heat pump draws on
 * @param coldCelsius that it draws on where there is no such store
 * @param feeds what a heap got
 */
public record SourceDesign(
    Kind kind,
    double powerWatts,
    double reachFraction,
    double lowFraction,
    double highFraction,
    FaceName behind,
    Double hours,
    Double thermostatCelsius,
    Boolean surplus,
    String hearth,
    Double woodKilograms,
    Double woodMoisture,
    Double toStore,
    Double toRoom,
    Double bypassHours,
    Integer flames,
    Double gramsPerHour,
    Double inletCelsius,
    Double absorptance,
    Double sunlitSquareMetres,
    UUID coldStoreId,
    Double coldCelsius,
    List<Feed> feeds) {

  /** Kinds of charge. */
  public enum Kind {
    NONE,
    ELEMENT,
    FIRE,
    FLAMES,
    WATER_LOOP,
    WARM_AIR,
    HEAT_PUMP,
    SUN,
    HEAP
  }

  /**
   * One feeding.
   *
   * @param feedstock from the catalogue
   */
  public record Feed(String feedstock, double kilograms, double daysAgo) {}
}
