package nightbank.core.weather;

import java.util.Arrays;

/**
 * Weather along one stretch of time, linear between its points and level beyond them.
 *
 * @param seconds from the start, rising
 * @param outdoorCelsius air, °C
 * @param windMetresPerSecond at 10 m
 * @param cloud share of sky covered, 0 to 1
 * @param dewPointCelsius NaN where unknown
 * @param skyFactor by which the sky is colder below the air than its formula says, 1 at best guess
 */
public record Weather(
    double[] seconds,
    double[] outdoorCelsius,
    double[] windMetresPerSecond,
    double[] cloud,
    double[] dewPointCelsius,
    double skyFactor) {

  /** Wind at ten metres where nobody says, m/s: a cold night (estimate, 0.5 to 6). */
  public static final double USUAL_WIND = 2;

  /** Cloud where nobody says, share of the sky. */
  public static final double USUAL_CLOUD = 0.5;

  public Weather {
    seconds = seconds.clone();
    outdoorCelsius = outdoorCelsius.clone();
    windMetresPerSecond = windMetresPerSecond.clone();
    cloud = cloud.clone();
    dewPointCelsius = dewPointCelsius.clone();
    int n = seconds.length;
    if (n == 0
        || outdoorCelsius.length != n
        || windMetresPerSecond.length != n
        || cloud.length != n
        || dewPointCelsius.length != n) {
      throw new IllegalArgumentException("weather needs equal numbers of times and values");
    }
  }

  /** How well {@link Sky}'s formulas tell how far the sky lies below the air, ln. */
  public static final double SKY_UNSURE = 0.25;

  /** Weather under the sky of the formulas. */
  public Weather(
      double[] seconds, double[] outdoor, double[] wind, double[] cloud, double[] dewPoint) {
    this(seconds, outdoor, wind, cloud, dewPoint, 1);
  }

  /** Weather of unknown dew point. */
  public Weather(double[] seconds, double[] outdoor, double[] wind, double[] cloud) {
    this(seconds, outdoor, wind, cloud, unknown(seconds.length));
  }

  private static double[] unknown(int n) {
    double[] nothing = new double[n];
    Arrays.fill(nothing, Double.NaN);
    return nothing;
  }

  /**
   * A night known by an evening temperature and a low: a cosine from one to the other, and back up
   * over eight hours after it.
   */
  public static Weather typed(
      double eveningCelsius,
      double lowCelsius,
      double secondsToLow,
      double windMetresPerSecond,
      double cloud,
      double lengthSeconds) {
    int n = (int) Math.ceil(lengthSeconds / 900) + 1;
    double[] at = new double[n];
    double[] out = new double[n];
    double[] wind = new double[n];
    double[] sky = new double[n];
    for (int i = 0; i < n; i++) {
      at[i] = i * 900.0;
      double phase =
          at[i] <= secondsToLow
              ? at[i] / Math.max(1, secondsToLow)
              : 1 - Math.min(1, (at[i] - secondsToLow) / (8 * 3600));
      out[i] = lowCelsius + (eveningCelsius - lowCelsius) * (1 + Math.cos(Math.PI * phase)) / 2;
      wind[i] = windMetresPerSecond;
      sky[i] = cloud;
    }
    return new Weather(at, out, wind, sky);
  }

  public double outdoorAt(double second) {
    return linear(outdoorCelsius, second);
  }

  public double windAt(double second) {
    return linear(windMetresPerSecond, second);
  }

  public double cloudAt(double second) {
    return linear(cloud, second);
  }

  /** NaN where unknown. */
  public double dewPointAt(double second) {
    return linear(dewPointCelsius, second);
  }

  /** The sky's long-wave temperature, °C. */
  public double skyAt(double second) {
    double out = outdoorAt(second);
    return out + skyFactor * (Sky.celsius(out, dewPointAt(second), cloudAt(second)) - out);
  }

  private double linear(double[] values, double second) {
    return Interpolation.linear(seconds, values, second);
  }
}
