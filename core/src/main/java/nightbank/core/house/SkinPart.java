package nightbank.core.house;

/**
 * One part of a house's skin.
 *
 * @param areaSquareMetres outer area
 * @param transmittance nominal U at 4 m/s of wind, W/(m² K)
 * @param skyView share of the half-space above that is sky: 1 a flat roof, 0.5 a wall, 0 none
 */
public record SkinPart(String name, double areaSquareMetres, double transmittance, double skyView) {
  private static final double OUTER_RADIATIVE = 5; // W/(m² K), in the nominal film of 25

  public SkinPart {
    if (!(areaSquareMetres > 0 && areaSquareMetres <= 20_000)) {
      throw new IllegalArgumentException(
          "area must lie between 0 and 20000 m², was " + areaSquareMetres + " m²");
    }
    if (!(transmittance > 0 && transmittance <= 20)) {
      throw new IllegalArgumentException(
          "U must lie between 0 and 20 W/(m² K), was " + transmittance);
    }
    if (!(skyView >= 0 && skyView <= 1)) {
      throw new IllegalArgumentException("sky view must lie in 0 to 1, was " + skyView);
    }
  }

  /** 1/U(v) = 1/U - 0.04 + 1/(4 + 4 v + h_r), ISO 6946 annex A films. W/(m² K). */
  public double transmittanceInWind(double metresPerSecond) {
    return 1 / (1 / transmittance - 0.04 + 1 / outerFilm(metresPerSecond));
  }

  /** Heat drawn through this part by a sky colder than the air, W. */
  public double skyWatts(double metresPerSecond, double outdoor, double sky) {
    return areaSquareMetres
        * transmittanceInWind(metresPerSecond)
        / outerFilm(metresPerSecond)
        * OUTER_RADIATIVE
        * skyView
        * (outdoor - sky);
  }

  private static double outerFilm(double metresPerSecond) {
    return 4 + 4 * metresPerSecond + OUTER_RADIATIVE;
  }
}
