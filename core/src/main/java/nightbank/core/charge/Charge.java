package nightbank.core.charge;

import java.util.List;
import java.util.OptionalDouble;
import nightbank.core.store.FaceName;
import nightbank.core.store.StoreState;

/**
 * A simulated charge and the hours after it. Rows share {@code seconds}; heat in J: input = stored
 * + room + lost by faces + steam + residual, machines' waste counted as room.
 *
 * @param contact mean of the heated zone, what a coil or a thermostat feels, °C
 * @param storeWatts into the mass, mean over the step before each moment
 * @param frames states at a few moments, first and last among them
 * @param storedJoules change of heat content from start to end
 * @param gainJoules heat that entered the mass
 * @param outJoules what streams took out where they emptied the store
 * @param hottest hottest point that any part reached
 * @param reachedSeconds when the mean first reached the aim, empty if it never did
 * @param overheated every part that got hotter than it stands
 */
public record Charge(
    double[] seconds,
    double[] mean,
    double[] contact,
    double[] hottestCelsius,
    double[] usableJoules,
    double[] storeWatts,
    List<Frame> frames,
    double inputJoules,
    double gainJoules,
    double outJoules,
    double roomJoules,
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
  public record Overheated(FaceName face, String what, double limitCelsius, double celsius) {}

  /** Share of the input that is still in the store when the source stops. */
  public double efficiency() {
    return inputJoules <= 0 ? Double.NaN : gainJoules / inputJoules;
  }
}
