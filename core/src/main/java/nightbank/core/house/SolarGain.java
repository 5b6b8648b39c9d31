package nightbank.core.house;

import java.time.Instant;
import nightbank.core.weather.Sun;
import nightbank.core.weather.Weather;

/** Sun that gets into a house along a stretch of weather. */
public final class SolarGain {
  private SolarGain() {}

  /**
   * At the weather's moments, W.
   *
   * @param start moment of the weather's second 0
   */
  public static double[] along(
      Greenhouse house, Weather weather, Instant start, double latitude, double longitude) {
    double[] at = weather.seconds();
    double[] watts = new double[at.length];
    for (int i = 0; i < at.length; i++) {
      Sun sun =
          Sun.at(start.plusSeconds((long) at[i]), latitude, longitude, weather.cloudAt(at[i]));
      for (SkinPart p : house.skin()) {
        watts[i] +=
            p.solarShare() == 0
                ? 0
                : p.areaSquareMetres()
                    * p.solarShare()
                    * sun.onPlane(p.tiltDegrees(), p.azimuthDegrees());
      }
    }
    return watts;
  }
}
