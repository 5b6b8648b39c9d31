package nightbank.core.store.model;

import java.util.function.DoubleUnaryOperator;
import nightbank.core.medium.Medium;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;

/** How a store changes with time. One instance belongs to one thread. */
public interface StoreModel {
  /**
   * Moves on by one step with what was put and led into it since the last.
   *
   * @param seconds length of the step
   * @param around what lies beyond the faces
   */
  void step(double seconds, Surroundings around);

  /** A step with heat from the store's own source, W into all bodies together. */
  default void step(double seconds, Surroundings around, double sourceWatts) {
    put(OWN_ZONE, sourceWatts);
    step(seconds, around);
  }

  /** The zone that the store itself names. */
  int OWN_ZONE = 0;

  /** A zone that some other source heats, by a number of its own. */
  int zone(HeatedZone zone);

  /** Heat into a zone of all bodies during the coming step, W; more than one source adds up. */
  void put(int zone, double watts);

  /**
   * Heat into a zone during the coming step from something that is no hotter than so much: a part
   * takes up less the nearer it comes, and none that would make it hotter.
   *
   * @param band below the hottest within which less is taken up, K
   * @return W that are taken up
   */
  double heat(int zone, double watts, double hottestCelsius, double band, double seconds);

  /**
   * What a stream would come out at, were it led through in the coming step: linear in what it
   * comes in at, since the store is as it is at the step's start. Of a coil, along a pipe, through
   * stones; no part is cooled below the stream that cools it.
   *
   * @param capacityRate ṁ c, W/K
   * @param conductance UA between stream and mass, W/K
   * @param charging whether it comes in warmer than the store, which it then enters at the top
   */
  void respond(
      double seconds, double capacityRate, double conductance, boolean charging, Outlet out);

  /**
   * Leads the stream through in the coming step.
   *
   * @param inletCelsius as it comes in
   * @return heat that the stream carries off, W; below zero when it charges the store
   */
  double lead(
      double seconds,
      double capacityRate,
      double conductance,
      boolean charging,
      double inletCelsius);

  /** Outlet temperature as atZero + slope × inlet. */
  final class Outlet {
    public double atZero;
    public double slope;
  }

  /**
   * More of the same thrown on and mixed in.
   *
   * @param joulesPerKelvin heat capacity of what is added to all bodies
   */
  void mixIn(double joulesPerKelvin, double celsius);

  StoreState state();

  /** Mean over the heated zone, °C: what a coil or an element's thermostat feels. */
  default double zoneCelsius() {
    return zoneCelsius(OWN_ZONE);
  }

  double zoneCelsius(int zone);

  /** Mean of a quantity that goes with temperature, over the mass. */
  default double meanOf(DoubleUnaryOperator ofCelsius) {
    return ofCelsius.applyAsDouble(meanCelsius());
  }

  /** From now on heat into that zone goes by this, part by part, in proportion. */
  default void heatWhere(int zone, DoubleUnaryOperator ofCelsius) {}

  /** Heat that has left with the steam of drying since the start, J. */
  default double steamJoules() {
    return 0;
  }

  /** Heat from all bodies through a face in the last step, W; positive leaves the store. */
  double faceWatts(FaceName face);

  double meanCelsius();

  /** Hottest of its cells, °C. */
  double highestCelsius();

  /** Another face from now on, as when a lid is lifted. */
  void replace(FaceName name, Face face);

  /** Temperature at a position, °C. */
  double at(double radiusFraction, double heightFraction);

  /** Balance above the floor temperature, J; what counts is told at {@link StoreState}. */
  double usableEnergy();

  /** Heat content above 0 °C of all bodies, J; the quantity whose change the ledger closes. */
  double heatContent();

  /** The model that fits what the store is. */
  static StoreModel of(HeatStore store, StoreState start) {
    if (store.isBed()) {
      return new AirBed(store, start);
    }
    if (store.medium().kind() == Medium.Kind.WATER) {
      return start.grid().layers() > 1
          ? new LayeredTank(store, start)
          : new MixedStore(store, start);
    }
    return new ConductionStore(store, start);
  }
}
