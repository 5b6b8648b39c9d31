package nightbank.standins.forecast;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Random;

/**
 * Invented weather for a place: a season by latitude, fronts every few days, clear spells that
 * swing more between day and night, inversions on still clear nights. The same place and hour
 * always have the same weather; a forecast of it errs more the further ahead it looks.
 */
final class InventedWeather {
  private final long seed;
  private final double latitude;
  private final double longitude;

  InventedWeather(long seed, double latitude, double longitude) {
    this.seed = seed ^ Double.hashCode(Math.rint(latitude * 10)) * 31L;
    this.latitude = latitude;
    this.longitude = longitude;
  }

  /** One hour of weather. */
  record Hour(
      Instant at, double celsius, double windMetresPerSecond, double cloud, double dewPoint) {}

  /** The weather itself. */
  Hour truth(Instant at) {
    double days = at.getEpochSecond() / 86_400.0;
    int year = at.atZone(ZoneOffset.UTC).getDayOfYear();
    double warmest = latitude >= 0 ? 201 : 19; // day of the year
    double season = Math.cos(2 * Math.PI * (year - warmest) / 365.25);
    double mean = 24.5 - 0.32 * Math.abs(latitude) + season * (2 + 0.13 * Math.abs(latitude));
    double front = wave(days, 3.7, 1) + 0.6 * wave(days, 1.9, 2);
    double cloud = Math.min(1, Math.max(0, 0.5 + 0.42 * wave(days, 2.6, 3) + 0.2 * front));
    double wind = Math.max(0.3, 3 + 2.6 * wave(days, 1.7, 4) + 1.5 * front * cloud);
    double hour = (days - Math.floor(days)) * 24 + longitude / 15;
    double swing = (1 - 0.8 * cloud) * 4.2 * Math.cos(2 * Math.PI * (hour - 14.5) / 24);
    boolean still = wind < 2 && cloud < 0.3 && swing < 0;
    double celsius = mean + 3.2 * front + swing - (still ? 1.5 : 0);
    double dew = celsius - 1 - 5 * (1 - cloud) * Math.max(0.2, 1 + swing / 6);
    return new Hour(at, celsius, wind, cloud, dew);
  }

  /** What a service would say of an hour, so many hours before. */
  Hour forecast(Instant at, double leadHours) {
    Hour t = truth(at);
    double lead = Math.sqrt(Math.max(0, leadHours) / 24);
    double days = at.getEpochSecond() / 86_400.0 + 1000 * Math.floor(leadHours / 6);
    double error = 1.1 * lead * wave(days, 0.8, 5);
    double sky = Math.min(1, Math.max(0, t.cloud + 0.2 * lead * wave(days, 0.9, 6)));
    return new Hour(
        at,
        t.celsius + error,
        Math.max(0, t.windMetresPerSecond * (1 + 0.3 * lead * wave(days, 1.1, 7))),
        sky,
        Math.min(t.dewPoint + error, t.celsius + error));
  }

  /** A seeded smooth wander about zero of unit size, by sums of waves with dice for phases. */
  private double wave(double days, double period, int which) {
    Random dice = new Random(seed * 31 + which);
    double sum = 0;
    for (int k = 0; k < 4; k++) {
      double length = period * (0.7 + 0.9 * dice.nextDouble());
      sum += Math.sin(2 * Math.PI * (days / length + dice.nextDouble()));
    }
    return sum / 2;
  }
}
