package nightbank.core.store.model;

import nightbank.core.store.Place.Beyond;

/** Temperatures round a store at one moment, °C; filled anew each step so that nothing is made. */
public final class Surroundings {
  private static final int KINDS = Beyond.values().length;

  private final double[] celsius = new double[KINDS];

  /** One air all round and one earth below, as for a store looked at alone. */
  public static Surroundings of(double air, double ground) {
    return new Surroundings().set(air, ground);
  }

  public Surroundings set(double air, double ground) {
    return set(Beyond.HOUSE_AIR, air)
        .set(Beyond.OUTDOOR_AIR, air)
        .set(Beyond.ROOM_AIR, air)
        .set(Beyond.HOUSE_SOIL, ground)
        .set(Beyond.GROUND, ground);
  }

  public Surroundings set(Beyond what, double value) {
    celsius[what.ordinal()] = value;
    return this;
  }

  public double at(Beyond what) {
    return celsius[what.ordinal()];
  }
}
