package nightbank.core.store.model;

/** A stream led through a store that stands by itself. */
public final class Led {
  private Led() {}

  /** W that the stream carries off in the coming step. */
  public static double through(
      StoreModel model, double seconds, double rate, double conductance, double inlet) {
    return model.lead(seconds, rate, conductance, inlet > model.zoneCelsius(), inlet);
  }

  /** The same, and the step taken. */
  public static double stepped(
      StoreModel model, double seconds, double rate, double conductance, double inlet) {
    double watts = through(model, seconds, rate, conductance, inlet);
    model.step(seconds, Surroundings.of(0, 0));
    return watts;
  }
}
