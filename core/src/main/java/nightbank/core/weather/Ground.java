package nightbank.core.weather;

import java.time.Instant;
import java.time.ZoneOffset;

/**
 * Earth that no house has touched: a yearly wave damped and delayed with depth (Carslaw and Jaeger,
 * 2.6), T(z, t) = T_m - A e^(-z/d) cos(ω (t - t₀) - z/d) with d = √(2a/ω).
 *
 * <p>Mean and swing by latitude are own straight lines through station means of windward coasts
 * between 30° and 60°, lowered by 6.5 K/km of height: good to 4 K, inland swings are up to twice as
 * large. A grower's own figure is always better.
 */
public final class Ground {
  /** What the guess is worth, K, one standard deviation at two metres. */
  public static final double UNSURE = 2.5;

  /** Depth at which a house's floor rests on undisturbed earth, m. */
  public static final double DEEP = 2;

  private static final double DIFFUSIVITY = 0.55e-6; // m²/s, moist soil (0.3 to 0.8)
  private static final double YEAR = 365.25; // days
  private static final double COLDEST_DAY = 25; // of the air's wave, northern (15 to 40)
  private static final double LAPSE = 0.0065; // K/m

  private Ground() {}

  /** Yearly mean, °C. */
  public static double mean(double latitude, double heightMetres) {
    double line = 34 - 0.47 * Math.abs(latitude);
    return Math.max(-6, Math.min(27, line)) - LAPSE * heightMetres;
  }

  /** Half of the yearly swing at the surface, K. */
  public static double swing(double latitude) {
    return Math.max(1.5, Math.min(14, 0.17 * Math.abs(latitude)));
  }

  /** At a depth and moment, °C. */
  public static double celsius(
      double latitude, double heightMetres, Instant at, double depthMetres) {
    double omega = 2 * Math.PI / YEAR; // per day
    double depth = Math.sqrt(2 * DIFFUSIVITY * 86_400 / omega);
    double day = at.atZone(ZoneOffset.UTC).getDayOfYear() - COLDEST_DAY;
    double southern = latitude < 0 ? YEAR / 2 : 0;
    double phase = omega * (day - southern) - depthMetres / depth;
    return mean(latitude, heightMetres)
        - swing(latitude) * Math.exp(-depthMetres / depth) * Math.cos(phase);
  }
}
