package nightbank.core.store;

import java.util.function.DoubleUnaryOperator;
import nightbank.core.medium.Medium;

/** How a store changes with time. One instance belongs to one thread. */
public interface StoreModel {
  /**
   * Moves on by one step.
   *
   * @param seconds length of the step
   * @param around what lies beyond the faces
   * @param sourceWatts heat put in by the source into all bodies together
   */
  void step(double seconds, Surroundings around, double sourceWatts);

  /**
   * Lets a stream through: of a coil, along a pipe, through stones. The direction of heat follows
   * from the temperatures. Water without a coil takes it as if mixed.
   *
   * @param capacityRate ṁ c, W/K
   * @param conductance UA between stream and mass, W/K
   * @param inletCelsius as it comes in
   * @return heat that the stream carries off, W; negative when it charges the store
   */
  double pass(double seconds, double capacityRate, double conductance, double inletCelsius);

  /**
   * More of the same thrown on and mixed in.
   *
   * @param joulesPerKelvin heat capacity of what is added to all bodies
   */
  void mixIn(double joulesPerKelvin, double celsius);

  StoreState state();

  /** Mean over the heated zone, °C: what a coil or an element's thermostat feels. */
  double zoneCelsius();

  /** Mean of a quantity that goes with temperature, over the mass. */
  default double meanOf(DoubleUnaryOperator ofCelsius) {
    return ofCelsius.applyAsDouble(meanCelsius());
  }

  /** From now on the source's heat goes where this is large, in proportion, instead of the zone. */
  default void heatWhere(DoubleUnaryOperator ofCelsius) {}

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

  /** Balance above the floor temperature, J. */
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
