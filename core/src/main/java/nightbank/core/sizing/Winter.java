package nightbank.core.sizing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import nightbank.core.weather.Weather;
import org.hipparchus.distribution.continuous.NormalDistribution;

/** The nights of a winter in their order, each by its evening, its low and the day before it. */
public record Winter(List<Night> nights) {
  /** Of records: fewer nights tell too little of a winter. */
  public static final int FEWEST = 20;

  private static final int NIGHTS = 120; // mid-November to mid-March
  private static final long SEED = 17;

  /**
   * One night and the day before it, °C.
   *
   * @param dayCelsius mean outdoors while stores are charged
   */
  public record Night(
      double dayCelsius, double eveningCelsius, double lowCelsius, double wind, double cloud) {}

  public Winter {
    nights = List.copyOf(nights);
    if (nights.isEmpty() || nights.size() > 2000) {
      throw new IllegalArgumentException(
          "a winter must have 1 to 2000 nights, was " + nights.size());
    }
  }

  /** The winter of four months that goes by when nobody has a record of one. */
  public static Winter usual(double usualLow, double hardestLow) {
    return between(usualLow, hardestLow, NIGHTS, SEED);
  }

  /**
   * A winter from two numbers that growers know: lows spread normally round the usual one so that
   * one night in n is as hard as the hardest, cold spells lasting as they do (day to day
   * correlation 0.7, usual for temperate winters). Colder nights are clearer and calmer.
   *
   * @param seed the same seed gives the same winter
   */
  public static Winter between(double usualLow, double hardestLow, int nights, long seed) {
    if (!(hardestLow < usualLow)) {
      throw new IllegalArgumentException(
          "the hardest night must be colder than a usual one, was "
              + hardestLow
              + " against "
              + usualLow
              + " °C");
    }
    double spread =
        (usualLow - hardestLow)
            / -new NormalDistribution().inverseCumulativeProbability(1.0 / (nights + 1));
    Random random = new Random(seed);
    double[] walk = new double[nights];
    Integer[] order = new Integer[nights];
    double x = random.nextGaussian();
    for (int i = 0; i < nights; i++) {
      walk[i] = x;
      order[i] = i;
      x = 0.7 * x + Math.sqrt(1 - 0.49) * random.nextGaussian();
    }
    // the walk gives the order of cold and mild spells, the quantiles the temperatures
    java.util.Arrays.sort(order, (a, b) -> Double.compare(walk[a], walk[b]));
    double[] low = new double[nights];
    for (int rank = 0; rank < nights; rank++) {
      double share = (rank + 1.0) / (nights + 1);
      low[order[rank]] =
          usualLow + spread * new NormalDistribution().inverseCumulativeProbability(share);
    }
    List<Night> all = new ArrayList<>();
    for (double t : low) {
      double hard = Math.max(-1, Math.min(1, (usualLow - t) / (2 * spread)));
      all.add(new Night(t + 7, t + 5 + hard, t, 3 - 1.5 * hard, 0.5 - 0.4 * hard));
    }
    return new Winter(all);
  }

  private static final double LOW_AT = 7; // hour of the day
  private static final double WARMEST_AT = 15;
  private static final double DUSK = 18;

  /**
   * Its weather hour by hour from the first midnight on: warmest at three, each evening and low met
   * by a cosine, the low at seven.
   */
  public Weather weather() {
    int hours = 24 * nights.size() + 1;
    double[] at = new double[hours];
    double[] out = new double[hours];
    double[] wind = new double[hours];
    double[] cloud = new double[hours];
    for (int h = 0; h < hours; h++) {
      int day = Math.min(nights.size() - 1, h / 24);
      double hour = h - 24.0 * day;
      Night before = nights.get(Math.max(0, day - 1));
      Night coming = nights.get(day);
      at[h] = h * 3600.0;
      out[h] = celsius(before, coming, hour);
      wind[h] = hour < 12 ? before.wind : coming.wind;
      cloud[h] = hour < 12 ? before.cloud : coming.cloud;
    }
    return new Weather(at, out, wind, cloud);
  }

  private static double celsius(Night before, Night coming, double hour) {
    double warmest = Math.max(coming.dayCelsius, coming.eveningCelsius) + 1;
    double night = 24 + LOW_AT - DUSK;
    if (hour < LOW_AT) {
      return between(before.eveningCelsius, before.lowCelsius, (hour + 24 - DUSK) / night);
    }
    if (hour < WARMEST_AT) {
      return between(before.lowCelsius, warmest, (hour - LOW_AT) / (WARMEST_AT - LOW_AT));
    }
    return hour < DUSK
        ? between(warmest, coming.eveningCelsius, (hour - WARMEST_AT) / (DUSK - WARMEST_AT))
        : between(coming.eveningCelsius, coming.lowCelsius, (hour - DUSK) / night);
  }

  private static double between(double from, double to, double share) {
    return from + (to - from) * (1 - Math.cos(Math.PI * Math.max(0, Math.min(1, share)))) / 2;
  }

  /**
   * The nights of an hourly record, noon to noon by local standard time; nights with less than 18
   * hours are left out. Hours that lack wind or cloud are NaN and count as 2.5 m/s and half
   * covered.
   *
   * @param epochSeconds rising
   * @param offsetSeconds of local standard time
   * @return empty when fewer than so many nights are whole
   */
  public static Optional<Winter> ofHours(
      long[] epochSeconds,
      double[] celsius,
      double[] wind,
      double[] cloud,
      int offsetSeconds,
      int fewest) {
    List<Night> nights = new ArrayList<>();
    int from = 0;
    while (from < epochSeconds.length) {
      long night = noonOf(epochSeconds[from], offsetSeconds);
      int to = from;
      while (to < epochSeconds.length && noonOf(epochSeconds[to], offsetSeconds) == night) {
        to++;
      }
      if (to - from >= 18) {
        nights.add(night(from, to, epochSeconds, celsius, wind, cloud, offsetSeconds));
      }
      from = to;
    }
    return nights.size() < Math.max(1, fewest) ? Optional.empty() : Optional.of(new Winter(nights));
  }

  private static long noonOf(long second, int offset) {
    return Math.floorDiv(second + offset - 43_200, 86_400L);
  }

  private static Night night(
      int from, int to, long[] at, double[] celsius, double[] wind, double[] cloud, int offset) {
    double low = Double.POSITIVE_INFINITY;
    double evening = celsius[from];
    double day = 0;
    int dayHours = 0;
    double windy = 0;
    double covered = 0;
    for (int i = from; i < to; i++) {
      double hour = Math.floorMod(at[i] + offset, 86_400L) / 3600.0;
      low = Math.min(low, celsius[i]);
      if (hour >= 12 && hour <= 15.5) {
        day += celsius[i];
        dayHours++;
      }
      evening = hour >= 12 && hour <= 18.5 ? celsius[i] : evening;
      windy += (Double.isNaN(wind[i]) ? 2.5 : wind[i]) / (to - from);
      covered += (Double.isNaN(cloud[i]) ? 0.5 : cloud[i]) / (to - from);
    }
    return new Night(dayHours == 0 ? evening : day / dayHours, evening, low, windy, covered);
  }
}
