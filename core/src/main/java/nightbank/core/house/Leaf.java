package nightbank.core.house;

/**
 * A leaf in the house: convection with the air on both sides, radiation with what is overhead and
 * with what lies below. Forced and natural convection of a leaf a few centimetres wide in still
 * air, 5 W/(m² K) a side (Jones, Plants and Microclimate, ch. 3; 4 to 8). Neglects transpiration,
 * which at night is small, and dew on the leaf, which would warm it.
 */
final class Leaf {
  private static final double CONVECTION = 5;
  private static final double RADIATION = 4.6; // 4 ε σ T³ near 2 °C, ε 0.96

  private Leaf() {}

  /**
   * The outermost leaf, °C.
   *
   * @param overhead of a black body that sends as much down as skin and sky
   * @param below bench or floor, or leaves about as warm as the air
   */
  static double celsius(double air, double overhead, double below) {
    return (2 * CONVECTION * air + RADIATION * (overhead + below))
        / (2 * CONVECTION + 2 * RADIATION);
  }
}
