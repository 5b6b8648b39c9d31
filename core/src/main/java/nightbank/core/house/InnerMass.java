package nightbank.core.house;

/**
 * Floor, beds, walls and whatever else in the house is slow.
 *
 * @param capacity J/K
 * @param tie W/K between it and the air
 */
public record InnerMass(double capacity, double tie) {
  public InnerMass {
    if (!(capacity > 0 && capacity <= 1e11)) {
      throw new IllegalArgumentException(
          "heat capacity must lie between 0 and 1e11 J/K, was " + capacity);
    }
    if (!(tie >= 0 && tie <= 1e6)) {
      throw new IllegalArgumentException("tie must lie between 0 and 1e6 W/K, was " + tie);
    }
  }

  /** Film between still air and an inner surface, W/(m² K); ISO 6946, mean of up and sideways. */
  static final double INNER_FILM = 8;

  /**
   * A body of so much of a medium with so much of its surface open to the air. Neglects the
   * resistance inside it, so it overrates masses deeper than a hand's breadth.
   */
  public static InnerMass of(
      nightbank.core.medium.Medium medium, double kilograms, double areaSquareMetres) {
    return new InnerMass(
        kilograms * medium.enthalpy().specificHeat(10), areaSquareMetres * INNER_FILM);
  }
}
