package nightbank.core.medium;

/** Heat content of a medium as a function of temperature. */
public interface Enthalpy {
  /**
   * Specific enthalpy above that at 0 °C.
   *
   * @param celsius temperature, °C
   * @return J/kg
   */
  double joulesPerKg(double celsius);

  /**
   * Slope of the enthalpy.
   *
   * @param celsius temperature, °C
   * @return J/(kg K), always positive
   */
  double specificHeat(double celsius);

  /** Heat to bring one kilogram from one temperature to another, J/kg; negative when cooling. */
  default double between(double fromCelsius, double toCelsius) {
    return joulesPerKg(toCelsius) - joulesPerKg(fromCelsius);
  }

  /** Whether the specific heat is the same at every temperature. */
  default boolean isConstant() {
    return false;
  }
}
