package nightbank.core.store;

/**
 * Steady heat from a store into the earth and through it to what lies above.
 *
 * <p>A foot on a floor: own axisymmetric finite volumes over discs of 0.25 to 0.9 m, soils of 0.8
 * to 2.2 W/(m K) and feet of 0 to 3 m² K/W, put into one formula that meets them within 3 %; the
 * share that comes back through the house's floor within 0.08. Bodies in the earth: shape factors
 * of sphere and of a row of cylinders below a surface (Incropera et al., table 4.1), the film above
 * as so much more earth. A night is shorter than what earth needs to follow, so these are what
 * weeks of it come to.
 */
public final class GroundPath {
  /** Film above a house's floor, W/(m² K). */
  static final double INDOORS = 8;

  /** Film above open ground, W/(m² K). */
  static final double OUTDOORS = 25;

  private static final double LEAST_CLEAR = 0.25; // 1 - r/(2 z) of a body that breaks the surface

  private GroundPath() {}

  /**
   * Conductance of the soil below a disc, W/K.
   *
   * @param film between the ground round it and the air, W/(m² K)
   * @param footResistance of what lies between mass and soil, m² K/W
   */
  public static double belowDisc(
      double radiusMetres, double conductivity, double film, double footResistance) {
    double k = conductivity;
    double a = radiusMetres;
    double edge = k / (film * a) + 0.727 * footResistance * k / a;
    return k * a * (5.247 + 2.331 * Math.log(1 + 0.3355 / edge));
  }

  /**
   * Share of what leaves a foot that comes back through the floor of the house round it.
   *
   * @param houseRadius of a disc as large as the floor, m
   */
  public static double houseShare(
      double radiusMetres, double houseRadius, double conductivity, boolean edgeInsulated) {
    double wide = Math.min(1, radiusMetres / houseRadius);
    double lost =
        1.571 * Math.pow(wide, 0.557) * Math.pow(conductivity / (INDOORS * houseRadius), 0.457);
    return Math.max(0.3, 1 - lost * (edgeInsulated ? 0.8 : 1));
  }

  /** Conductance from a compact body's outer surface to the air above, W/K. */
  static double round(double outerArea, double depthOfMiddle, double conductivity, double film) {
    double r = Math.sqrt(outerArea / (4 * Math.PI));
    double z = depthOfMiddle + conductivity / film;
    return conductivity * 4 * Math.PI * r / Math.max(LEAST_CLEAR, 1 - r / (2 * z));
  }

  /** The same of one of a row of long cylinders that lie side by side, W/K. */
  static double lying(
      double radius, double length, double depthOfMiddle, double conductivity, double film) {
    double z = Math.max(radius, depthOfMiddle) + conductivity / film;
    double spacing = 2 * radius;
    double x = 2 * Math.PI * z / spacing;
    double log = Math.log(2 * spacing / (Math.PI * 2 * radius)) + x - Math.log(2);
    return 2 * Math.PI * length * conductivity / Math.max(0.5, log);
  }
}
