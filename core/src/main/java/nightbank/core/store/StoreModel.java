package nightbank.core.store;

import nightbank.core.medium.Medium;

/** How a store changes with time. One instance belongs to one thread. */
public interface StoreModel {
  /**
   * Moves on by one step.
   *
   * @param seconds length of the step
   * @param airCelsius air round side and top
   * @param groundCelsius deep ground below; used when the foot rests on it
   * @param sourceWatts heat put in by the source into all bodies together
   */
  void step(double seconds, double airCelsius, double groundCelsius, double sourceWatts);

  StoreState state();

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

  /** The model that fits the store's medium. */
  static StoreModel of(HeatStore store, StoreState start) {
    return store.medium().kind() == Medium.Kind.WATER
        ? new MixedStore(store, start)
        : new ConductionStore(store, start);
  }
}
