package nightbank.core.weather;

/** The long-wave temperature of the sky. */
public final class Sky {
  private Sky() {}

  /**
   * Swinbank (1963): T_sky = 0.0552 T^1.5 in kelvin under a clear sky, mixed with the air's
   * temperature by cloud cover. Good to about 5 K; neglects humidity.
   *
   * @return °C
   */
  public static double celsius(double airCelsius, double cloud) {
    double kelvin = airCelsius + 273.15;
    double clear = 0.0552 * kelvin * Math.sqrt(kelvin) - 273.15;
    return clear * (1 - cloud) + airCelsius * cloud;
  }
}
