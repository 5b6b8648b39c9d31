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
}
