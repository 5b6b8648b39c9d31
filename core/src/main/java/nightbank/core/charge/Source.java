package nightbank.core.charge;

import nightbank.core.store.StoreModel;

/** What puts heat into a store. One instance belongs to one charge. */
public interface Source {
  /**
   * Moves on by one step. A stream is led through the model at once; other heat is told, to be put
   * in with the model's own step.
   *
   * @param second since the charge began, at the step's start
   */
  Given give(double second, double seconds, StoreModel model);

  /** When it has nothing more to give, s after the start. */
  double endsAt();

  /**
   * Heat of one step, mean W over all bodies.
   *
   * @param sourceWatts to be put into the heated zone
   * @param streamWatts put in already by a stream; negative when it empties the store
   * @param roomWatts to the house's air at once
   * @param inputWatts what fuel, mains, pump and stream brought
   */
  record Given(double sourceWatts, double streamWatts, double roomWatts, double inputWatts) {
    public static final Given NOTHING = new Given(0, 0, 0, 0);
  }
}
