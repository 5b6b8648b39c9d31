package nightbank.core.house;

/**
 * One part of a house's skin.
 *
 * @param areaSquareMetres outer area
 * @param transmittance nominal U at 4 m/s of wind, W/(m² K)
 * @param skyView share of the half-space above that is sky: 1 a flat roof, 0.5 a wall, 0 none
 * @param solarShare share of the sun on it that gets in, angle and dirt included; 0 opaque
 * @param longWaveShare share of long-wave radiation that it lets straight through; 0.6 to 0.8 for
 *     plain polyethylene, under 0.05 for glass (ISO 9050; ASAE EP406)
 * @param tiltDegrees 0 lies flat, 90 stands upright
 * @param azimuthDegrees way it looks, clockwise from north
 * @param beyondCelsius temperature behind a shared wall; NaN for open air
 * @param screenResistance m² K/W that a night screen adds when drawn, 0.15 to 0.35; 0 without one
 */
public record SkinPart(
    String name,
    double areaSquareMetres,
    double transmittance,
    double skyView,
    double solarShare,
    double longWaveShare,
    double tiltDegrees,
    double azimuthDegrees,
    double beyondCelsius,
    double screenResistance) {
  static final double MOST_TRANSMITTANCE = 20; // W/(m² K)

  private static final double OUTER_RADIATIVE = 5; // W/(m² K), in the nominal film of 25
  private static final double SECOND_SKIN = 0.16; // m² K/W, still-air gap of 10 to 20 mm, ISO 6946
  private static final double INNER_FILM = 8; // W/(m² K), ISO 6946, mean of up and sideways

  public SkinPart {
    if (!(areaSquareMetres > 0 && areaSquareMetres <= 20_000)) {
      throw new IllegalArgumentException(
          "area must lie between 0 and 20000 m², was " + areaSquareMetres + " m²");
    }
    if (!(transmittance > 0 && transmittance <= MOST_TRANSMITTANCE)) {
      throw new IllegalArgumentException(
          "U must lie between 0 and 20 W/(m² K), was " + transmittance);
    }
    share("sky view", skyView);
    share("share of sun let in", solarShare);
    share("share of long waves let through", longWaveShare);
    if (!(screenResistance >= 0 && screenResistance <= 2)) {
      throw new IllegalArgumentException(
          "a screen's resistance must lie between 0 and 2 m² K/W, was " + screenResistance);
    }
    if (beyondCelsius < -40 || beyondCelsius > 60) {
      throw new IllegalArgumentException(
          "the room behind a wall must lie between -40 and 60 °C, was " + beyondCelsius);
    }
  }

  private static void share(String what, double value) {
    if (!(value >= 0 && value <= 1)) {
      throw new IllegalArgumentException(what + " must lie in 0 to 1, was " + value);
    }
  }

  /** An opaque part in the open air, without a screen. */
  public SkinPart(String name, double areaSquareMetres, double transmittance, double skyView) {
    this(name, areaSquareMetres, transmittance, skyView, 0, 0, 90, 180, Double.NaN, 0);
  }

  /** The same part letting in so much of the sun and of long waves. */
  public SkinPart glazed(double solar, double longWave) {
    return new SkinPart(
        name,
        areaSquareMetres,
        transmittance,
        skyView,
        solar,
        longWave,
        tiltDegrees,
        azimuthDegrees,
        beyondCelsius,
        screenResistance);
  }

  public SkinPart facing(double tilt, double azimuth) {
    return new SkinPart(
        name,
        areaSquareMetres,
        transmittance,
        skyView,
        solarShare,
        longWaveShare,
        tilt,
        azimuth,
        beyondCelsius,
        screenResistance);
  }

  /** The same part with a room of this temperature behind it; no sky, no wind. */
  public SkinPart against(double celsius) {
    return new SkinPart(
        name, areaSquareMetres, transmittance, 0, 0, 0, tiltDegrees, azimuthDegrees, celsius, 0);
  }

  public SkinPart screened(double resistance) {
    return new SkinPart(
        name,
        areaSquareMetres,
        transmittance,
        skyView,
        solarShare,
        longWaveShare,
        tiltDegrees,
        azimuthDegrees,
        beyondCelsius,
        resistance);
  }

  /** The same part with its U multiplied. */
  public SkinPart times(double factor) {
    return withTransmittance(transmittance * factor);
  }

  public SkinPart withTransmittance(double u) {
    return new SkinPart(
        name,
        areaSquareMetres,
        u,
        skyView,
        solarShare,
        longWaveShare,
        tiltDegrees,
        azimuthDegrees,
        beyondCelsius,
        screenResistance);
  }

  /** The same part with film or bubble sheet hung inside it. */
  public SkinPart withSecondSkin() {
    return withTransmittance(1 / (1 / transmittance + SECOND_SKIN));
  }

  /** Share of sky in what a plane in the open sees, a tenth of it hidden: 0.9 (1 + cos tilt)/2. */
  public static double openSky(double tiltDegrees) {
    return 0.9 * (1 + Math.cos(Math.toRadians(tiltDegrees))) / 2;
  }

  /** Whether a room lies behind it and not the open air. */
  public boolean shared() {
    return !Double.isNaN(beyondCelsius);
  }

  /** 1/U(v) = 1/U - 0.04 + 1/(4 + 4 v + h_r), ISO 6946 annex A films. W/(m² K). */
  public double transmittanceInWind(double metresPerSecond) {
    return transmittance(metresPerSecond, false);
  }

  /** As {@link #transmittanceInWind}, with the screen drawn or not. */
  public double transmittance(double metresPerSecond, boolean screenDrawn) {
    double more = screenDrawn ? screenResistance : 0;
    double outer = shared() ? 0.04 : 1 / outerFilm(metresPerSecond);
    return 1 / (1 / transmittance - 0.04 + outer + more);
  }

  /** Heat drawn through this part by a sky colder than the air, W. */
  public double skyWatts(double metresPerSecond, double outdoor, double sky, boolean screenDrawn) {
    return areaSquareMetres
        * transmittance(metresPerSecond, screenDrawn)
        / outerFilm(metresPerSecond)
        * OUTER_RADIATIVE
        * skyView
        * (outdoor - sky);
  }

  /** Temperature of its inner face, °C. */
  public double innerFace(
      double air, double metresPerSecond, double outdoor, double sky, boolean screenDrawn) {
    double u = transmittance(metresPerSecond, screenDrawn);
    double behind =
        shared()
            ? beyondCelsius
            : outdoor - OUTER_RADIATIVE / outerFilm(metresPerSecond) * skyView * (outdoor - sky);
    return air - u / INNER_FILM * (air - behind);
  }

  private static double outerFilm(double metresPerSecond) {
    return 4 + 4 * metresPerSecond + OUTER_RADIATIVE;
  }
}
