package nightbank.core.weather;

import java.time.Instant;
import java.time.ZoneOffset;
import org.shredzone.commons.suncalc.SunPosition;

/**
 * Sun on a tilted plane: horizontal sun by Kasten and Czeplak (1980), 910 sin h - 30 W/m² under a
 * clear sky, less by 0.75 N^3.4 for cloud; the share that is diffuse grows from 0.15 when clear to
 * 1 when covered; ground reflects 0.2. Position by commons-suncalc. Good to 20 % in an hour;
 * neglects hills and trees.
 */
public final class Sun {
  private static final double GROUND = 0.2; // albedo of grass and soil

  private final double sine;
  private final double azimuth;
  private final double global;
  private final double diffuse;

  private Sun(double altitudeDegrees, double azimuthDegrees, double cloud) {
    sine = Math.sin(Math.toRadians(altitudeDegrees));
    azimuth = Math.toRadians(azimuthDegrees);
    double clear = Math.max(0, 910 * sine - 30);
    global = clear * (1 - 0.75 * Math.pow(cloud, 3.4));
    diffuse = global * (0.15 + 0.85 * Math.pow(cloud, 1.5));
  }

  public static Sun at(Instant moment, double latitude, double longitude, double cloud) {
    SunPosition p =
        SunPosition.compute().on(moment.atZone(ZoneOffset.UTC)).at(latitude, longitude).execute();
    return new Sun(p.getTrueAltitude(), p.getAzimuth(), cloud);
  }

  /**
   * Sun on a plane.
   *
   * @param tilt 0 flat, 90 upright
   * @param facing clockwise from north, degrees
   * @return W/m²
   */
  public double onPlane(double tilt, double facing) {
    if (global <= 0) {
      return 0;
    }
    double beta = Math.toRadians(tilt);
    double cosine = Math.sqrt(Math.max(0, 1 - sine * sine));
    double incidence =
        Math.cos(beta) * sine
            + Math.sin(beta) * cosine * Math.cos(azimuth - Math.toRadians(facing));
    double beam = (global - diffuse) / Math.max(0.05, sine);
    return Math.min(1000, beam * Math.max(0, incidence))
        + diffuse * (1 + Math.cos(beta)) / 2
        + global * GROUND * (1 - Math.cos(beta)) / 2;
  }
}
