package nightbank.core.system;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.OptionalDouble;
import nightbank.core.store.FaceName;
import nightbank.core.store.model.StoreState;
import org.jspecify.annotations.Nullable;

/**
 * A charge of one store and the hours after it, tried in still air. Rows share {@code seconds};
 * heat in J: gained = stored + lost by faces + steam + given to circuits, to rounding.
 *
 * @param contact mean of the heated zone, what a coil or a thermostat feels, °C
 * @param storeWatts into the mass, mean over the time before each moment
 * @param frames states at a few moments, first and last among them
 * @param fuelJoules burnt
 * @param electricJoules used by elements, pumps, fans and heat pumps
 * @param gainJoules heat that entered the mass
 * @param outJoules what circuits took out where they emptied the store
 * @param roomJoules to the air at once
 * @param broughtJoules heat that fuel, power and streams brought, a heat pump's cold side included
 * @param flueJoules up the flue, or made where nothing took it up
 * @param storedJoules change of heat content from start to end
 * @param hottest hottest point that any part reached
 * @param reachedSeconds when the mean first reached the aim, empty if it never did
 * @param overheated every part that got hotter than it stands
 */
@RecordBuilder
public record Charge(
    double[] seconds,
    double[] mean,
    double[] contact,
    double[] hottestCelsius,
    double[] usableJoules,
    double[] storeWatts,
    List<Frame> frames,
    double fuelJoules,
    double electricJoules,
    double broughtJoules,
    double gainJoules,
    double outJoules,
    double roomJoules,
    double flueJoules,
    double storedJoules,
    double facesJoules,
    double steamJoules,
    double residualJoules,
    Spot hottest,
    OptionalDouble reachedSeconds,
    List<Overheated> overheated) {

  /** The store at one moment. */
  public record Frame(double second, StoreState state) {}

  /** A place and moment. */
  public record Spot(double celsius, double second, double radiusFraction, double heightFraction) {}

  /**
   * A part that gets hotter than it stands.
   *
   * @param face whose layer it is, absent for the mass, pipe or vessel
   * @param what its name
   * @param limitCelsius what it stands
   * @param celsius what it gets
   */
  public record Overheated(
      @Nullable FaceName face, String what, double limitCelsius, double celsius) {}

  /** Share of what was brought that entered the store. */
  public double efficiency() {
    return broughtJoules <= 0 ? Double.NaN : gainJoules / broughtJoules;
  }
}
