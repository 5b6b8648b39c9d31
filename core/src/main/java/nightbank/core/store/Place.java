package nightbank.core.store;

/**
 * Where a store stands.
 *
 * @param indoors its side and top face the house's air; otherwise the open
 * @param onGround its foot rests on the ground; otherwise it is raised and faces the same air
 * @param buried it lies in the ground, which all its faces meet
 * @param groundConductivity W/(m K) of the soil under it (ISO 13370: 1.5 clay, 2.0 sand)
 */
public record Place(boolean indoors, boolean onGround, boolean buried, double groundConductivity) {
  /** Standing on a floor or raised. */
  public Place(boolean indoors, boolean onGround, double groundConductivity) {
    this(indoors, onGround, false, groundConductivity);
  }

  /** Pipes in the earth. */
  public static Place inGround() {
    return new Place(false, true, true, 1.5);
  }

  public static Place inHouse() {
    return new Place(true, false, 1.5);
  }

  public static Place onHouseFloor() {
    return new Place(true, true, 1.5);
  }

  public static Place outdoors() {
    return new Place(false, true, 1.5);
  }
}
