package nightbank.core.house;

/**
 * A heavy wall's body, inner side towards the house, as one-dimensional conduction.
 *
 * @param conductivity W/(m K)
 * @param heatPerCubicMetre ρ c, J/(m³ K)
 */
public record Slab(double thicknessMetres, double conductivity, double heatPerCubicMetre) {
  public Slab {
    if (!(thicknessMetres >= 0.02 && thicknessMetres <= 3)) {
      throw new IllegalArgumentException(
          "a wall must be 0.02 to 3 m thick, was " + thicknessMetres + " m");
    }
    if (!(conductivity >= 0.03 && conductivity <= 10)) {
      throw new IllegalArgumentException(
          "conductivity must lie between 0.03 and 10 W/(m K), was " + conductivity);
    }
    if (!(heatPerCubicMetre >= 1e4 && heatPerCubicMetre <= 1e7)) {
      throw new IllegalArgumentException(
          "heat per volume must lie between 1e4 and 1e7 J/(m³ K), was " + heatPerCubicMetre);
    }
  }

  public double resistance() {
    return thicknessMetres / conductivity;
  }
}
