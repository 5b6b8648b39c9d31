package nightbank.standins.croft;

import java.time.Duration;
import java.time.Instant;
import java.util.Random;

/**
 * Three invented weeks of hill weather at 57 N: a slow wander of the daily mean, cloud that comes
 * and goes with it, a clear cold spell in the middle and another beginning at the end.
 */
final class Winter {
  static final Instant BEGIN = Instant.parse("2026-01-08T00:00:00Z");
  static final Instant END = Instant.parse("2026-01-30T15:40:00Z");
  static final int STEP = 600;
  private static final double LATITUDE = Math.toRadians(57.2);

  private final double[] outdoor;
  private final double[] cloud;
  private final double[] wind;

  Winter(long seed) {
    Random dice = new Random(seed);
    int n = (int) (Duration.between(BEGIN, END).toSeconds() / STEP) + 2;
    outdoor = new double[n];
    cloud = new double[n];
    wind = new double[n];
    double mean = 2;
    double grey = 0.5;
    double blow = 1;
    double small = 0;
    for (int i = 0; i < n; i++) {
      double day = i * STEP / 86_400.0;
      double spell = spell(day, 11.2, 15) + spell(day, 20.6, 26);
      double dull = spell(day, 15.8, 18);
      mean += (2.2 - 8.6 * spell - mean) * STEP / 130_000.0 + 0.11 * dice.nextGaussian();
      grey += (0.55 - 0.4 * spell + 0.5 * dull - grey) * STEP / 20_000.0;
      grey += 0.05 * dice.nextGaussian();
      grey = Math.min(1, Math.max(0, grey));
      blow += (0.9 - 0.7 * spell - blow) * STEP / 30_000.0 + 0.08 * dice.nextGaussian();
      small += -small * 0.2 + 0.12 * dice.nextGaussian();
      double hour = 24 * (day - Math.floor(day));
      double swing = (1 - 0.75 * grey) * 3.4 * Math.cos(2 * Math.PI * (hour - 14.3) / 24);
      outdoor[i] = mean + swing + small;
      cloud[i] = grey;
      wind[i] = Math.max(0.2, 2.4 * Math.exp(blow - 0.9));
    }
  }

  /** 1 inside a stretch of days, with soft edges. */
  private static double spell(double day, double from, double to) {
    return 1 / (1 + Math.exp(-6 * (day - from))) / (1 + Math.exp(6 * (day - to)));
  }

  double outdoor(double second) {
    return at(outdoor, second);
  }

  double cloud(double second) {
    return at(cloud, second);
  }

  double wind(double second) {
    return at(wind, second);
  }

  private static double at(double[] row, double second) {
    double x = Math.max(0, Math.min(row.length - 1.001, second / STEP));
    int i = (int) x;
    return row[i] + (row[i + 1] - row[i]) * (x - i);
  }

  /** Sine of the sun's height from day angle and hour angle (Cooper 1969 declination). */
  static double sunHeight(double second) {
    double day = 8 + second / 86_400.0;
    double declination = Math.toRadians(23.45 * Math.sin(2 * Math.PI * (284 + day) / 365));
    double hourAngle = 2 * Math.PI * ((second % 86_400) / 86_400 - 0.5) - Math.toRadians(3.5);
    return Math.sin(LATITUDE) * Math.sin(declination)
        + Math.cos(LATITUDE) * Math.cos(declination) * Math.cos(hourAngle);
  }

  /** Sun on an upright southern face, W/m². */
  double sunOnGlass(double second) {
    double height = sunHeight(second);
    if (height <= 0) {
      return 0;
    }
    double clear = 620 * Math.pow(height, 0.25);
    return clear * (1 - 0.85 * Math.pow(cloud(second), 2)) * Math.min(1, height * 12);
  }
}
