package nightbank.server.plant;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import nightbank.server.store.Appraisal;
import nightbank.server.store.StoreView;
import org.jspecify.annotations.Nullable;

/**
 * A simulated charge; rows share {@code seconds}, heat in J.
 *
 * @param contact mean of the heated part, °C
 * @param storeWatts into the mass
 * @param fuelJoules burnt
 * @param electricJoules used by elements, pumps, fans and heat pumps
 * @param cost of fuel and power at the holding's prices; absent where a price is missing
 * @param broughtJoules heat that fuel, power and streams brought
 * @param flueJoules up the flue
 * @param efficiency share of what was brought that entered the mass, absent without any
 * @param reachedSeconds when the aim was reached, absent if never
 * @param frames how it looked inside, first to last
 */
@RecordBuilder
public record ChargeView(
    List<Double> seconds,
    List<Double> mean,
    List<Double> contact,
    List<Double> hottest,
    List<Double> usableJoules,
    List<Double> storeWatts,
    double fuelJoules,
    double electricJoules,
    Double cost,
    double broughtJoules,
    double gainJoules,
    double outJoules,
    double roomJoules,
    double flueJoules,
    double storedJoules,
    double facesJoules,
    double steamJoules,
    double residualJoules,
    Double efficiency,
    Double reachedSeconds,
    double chargeSeconds,
    Spot hottestSpot,
    List<Overheated> overheated,
    List<Appraisal.CautionView> cautions,
    List<Frame> frames) {

  /** The hottest place and moment. */
  public record Spot(double celsius, double second, double radiusFraction, double heightFraction) {}

  /**
   * A part that gets too hot.
   *
   * @param face absent for what sits inside
   */
  public record Overheated(
      @Nullable String face, String what, double limitCelsius, double celsius) {}

  /** The inside at one moment. */
  public record Frame(double second, StoreView.Section section) {}
}
