package nightbank.core.house;

/**
 * An opening that nobody meant: round a door, along a vent, under a sill.
 *
 * <p>Air through it by the basic model of the ASHRAE Handbook of Fundamentals, chapter 16: Q = A_L
 * √(C_s ΔT + C_w v²) with C_s = 0.000145 for one storey; its C_w by classes of shelter is 0.00065
 * on the wind as it reaches the house. Q in L/s and A_L in cm². Good to a factor of 1.5.
 */
public record Gap(String name, double lengthMetres, double widthMetres) {
  static final double WIDEST = 2; // m

  private static final double STACK = 0.000145;
  private static final double WIND = 0.00065;

  public Gap {
    if (!(lengthMetres > 0 && lengthMetres <= 500 && widthMetres > 0 && widthMetres <= WIDEST)) {
      throw new IllegalArgumentException(
          "a gap must be up to 500 m long and up to 2 m wide, was "
              + lengthMetres
              + " m × "
              + widthMetres
              + " m");
    }
  }

  /** Air through an opening of so many square metres, m³/s. */
  static double through(double squareMetres, double excessKelvin, double wind) {
    return squareMetres == 0
        ? 0
        : squareMetres * 10 * Math.sqrt(STACK * Math.abs(excessKelvin) + WIND * wind * wind);
  }

  /**
   * Air through it, m³/s.
   *
   * @param wind at the house, m/s
   */
  public double cubicMetresPerSecond(double excessKelvin, double wind) {
    return through(lengthMetres * widthMetres, excessKelvin, wind);
  }
}
