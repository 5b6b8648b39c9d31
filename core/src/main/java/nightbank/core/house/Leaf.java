package nightbank.core.house;

/**
 * A leaf in the house: convection with the air on both sides, radiation to skin (or through film to
 * the sky) above and to the floor below. Forced and natural convection of a leaf a few centimetres
 * wide in still air, 5 W/(m² K) a side (Jones, Plants and Microclimate, ch. 3; 4 to 8). Neglects
 * transpiration, which at night is small, and the leaves above one another: it is the outermost,
 * coldest leaf.
 */
final class Leaf {
  private static final double CONVECTION = 5;
  private static final double RADIATION = 4.6; // 4 ε σ T³ near 2 °C, ε 0.96

  private Leaf() {}

  static double celsius(
      Greenhouse house,
      double air,
      double floor,
      double wind,
      double outdoor,
      double sky,
      boolean screen) {
    double seen = 0;
    double area = 0;
    for (int i = 0; i < house.skin().size(); i++) {
      SkinPart p = house.skin().get(i);
      double inner = p.innerFace(air, wind, outdoor, sky, screen);
      boolean open = !(screen && p.screenResistance() > 0);
      double through = open ? p.longWaveShare() * p.skyView() : 0;
      // leaves lie level: what is overhead counts for more than what stands aside
      double weight =
          p.areaSquareMetres() * (0.3 + 0.7 * Math.cos(Math.toRadians(p.tiltDegrees())));
      seen += weight * ((1 - through) * inner + through * sky);
      area += weight;
    }
    double above = area > 0 ? seen / area : air;
    return (2 * CONVECTION * air + RADIATION * above + RADIATION * floor)
        / (2 * CONVECTION + 2 * RADIATION);
  }
}
