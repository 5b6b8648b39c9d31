package nightbank.server.history;

import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import nightbank.core.weather.Weather;
import nightbank.server.weather.HourlyWeather;

/**
 * Air as it was read, and weather as files told it, over a span.
 *
 * @param inside means of ten minutes by their begin, of the thermometer that was read most
 * @param outside the same outdoors
 * @param told hours of weather files
 */
record AirLog(
    TreeMap<Long, Double> inside,
    TreeMap<Long, Double> outside,
    TreeMap<Long, HourlyWeather> told) {
  private static final int HOUR = 3600;
  private static final double LOGGED = 0.3; // share of ten minutes

  /**
   * From a moment to another: outdoors as logged there, else as a file told; wind and cloud as
   * told. Empty where neither reaches over the whole.
   */
  Optional<Weather> weather(long start, long end) {
    var logged = outside.subMap(start - HOUR, true, end + HOUR, true);
    var hours = told.subMap(start - HOUR, true, end + HOUR, true);
    boolean enough = logged.size() > LOGGED * ((end - start) / LedgerDays.STEP + 1);
    if (!enough && hours.size() < (end - start) / HOUR) {
      return Optional.empty();
    }
    int n = enough ? logged.size() : hours.size();
    double[] seconds = new double[n];
    double[] out = new double[n];
    double[] wind = new double[n];
    double[] cloud = new double[n];
    double[] dew = new double[n];
    int i = 0;
    for (long at : enough ? logged.keySet() : hours.keySet()) {
      HourlyWeather hour =
          Optional.ofNullable(told.floorEntry(at))
              .map(Map.Entry::getValue)
              .filter(h -> h.at().getEpochSecond() > start - 2 * HOUR)
              .orElse(null);
      seconds[i] = at - start;
      out[i] =
          enough
              ? Objects.requireNonNull(logged.get(at))
              : Objects.requireNonNull(hours.get(at)).celsius();
      wind[i] = hour == null || hour.wind() == null ? Weather.USUAL_WIND : hour.wind();
      cloud[i] = hour == null || hour.cloud() == null ? Weather.USUAL_CLOUD : hour.cloud();
      dew[i] = hour == null || hour.dewPoint() == null ? Double.NaN : hour.dewPoint();
      i++;
    }
    return Optional.of(new Weather(seconds, out, wind, cloud, dew));
  }
}
