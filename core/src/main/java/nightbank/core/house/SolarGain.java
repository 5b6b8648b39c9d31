package nightbank.core.house;

import java.time.Instant;
import java.util.function.LongToDoubleFunction;
import nightbank.core.weather.Sun;
import nightbank.core.weather.Weather;

/** Sun that gets into a house along a stretch of weather. */
public final class SolarGain {
  private static final double UPRIGHT = 90; // degrees

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

  /** On level ground at the weather's moments, W/m². */
  public static double[] onLevel(
      Weather weather, Instant start, double latitude, double longitude) {
    return onPlane(0, 180, weather, start, latitude, longitude);
  }

  /**
   * On an upright face at the weather's moments, W/m².
   *
   * @param facing clockwise from north, degrees
   */
  public static double[] onUpright(
      double facing, Weather weather, Instant start, double latitude, double longitude) {
    return onPlane(UPRIGHT, facing, weather, start, latitude, longitude);
  }

  private static double[] onPlane(
      double tilt,
      double facing,
      Weather weather,
      Instant start,
      double latitude,
      double longitude) {
    double[] at = weather.seconds();
    double[] watts = new double[at.length];
    for (int i = 0; i < at.length; i++) {
      Instant moment = start.plusSeconds((long) at[i]);
      watts[i] = Sun.at(moment, latitude, longitude, weather.cloudAt(at[i])).onPlane(tilt, facing);
    }
    return watts;
  }

  /**
   * On an upright face that takes all of it up, W. Neglects hills, and panes before it.
   *
   * @param squareMetres of the face, times its absorptance
   * @param facing clockwise from north, degrees
   * @param epochSeconds moments
   * @param cloud share of the sky covered at a moment
   */
  public static double[] onUpright(
      double squareMetres,
      double facing,
      long[] epochSeconds,
      LongToDoubleFunction cloud,
      double latitude,
      double longitude) {
    double[] watts = new double[epochSeconds.length];
    for (int i = 0; i < watts.length; i++) {
      Instant at = Instant.ofEpochSecond(epochSeconds[i]);
      Sun sun = Sun.at(at, latitude, longitude, cloud.applyAsDouble(epochSeconds[i]));
      watts[i] = squareMetres * sun.onPlane(UPRIGHT, facing);
    }
    return watts;
  }
}
