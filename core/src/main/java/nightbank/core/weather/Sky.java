package nightbank.core.weather;

/** The long-wave temperature of the sky. */
public final class Sky {
  private Sky() {}

  /**
   * Clear sky by Berdahl and Martin (1984), ε = 0.711 + 0.56 T_d/100 + 0.73 (T_d/100)², where the
   * dew point is known, else by Swinbank (1963), T_sky = 0.0552 T^1.5 in kelvin; mixed with the
   * air's temperature by cloud cover. Good to about 3 K and 5 K; neglects the height of the clouds.
   *
   * @param dewPointCelsius NaN when unknown
   * @param cloud share of sky covered, 0 to 1
   * @return °C
   */
  public static double celsius(double airCelsius, double dewPointCelsius, double cloud) {
    double kelvin = airCelsius + 273.15;
    double clear;
    if (Double.isNaN(dewPointCelsius)) {
      clear = 0.0552 * kelvin * Math.sqrt(kelvin) - 273.15;
    } else {
      double d = Math.min(dewPointCelsius, airCelsius) / 100;
      double emissivity = 0.711 + d * (0.56 + 0.73 * d);
      clear = kelvin * Math.sqrt(Math.sqrt(emissivity)) - 273.15;
    }
    return clear * (1 - cloud) + airCelsius * cloud;
  }
}
