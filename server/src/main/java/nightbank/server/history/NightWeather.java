package nightbank.server.history;

import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import nightbank.core.weather.Weather;
import nightbank.server.weather.HourlyWeather;

/**
 * Weather of a past night: outdoors as logged there, else as a file told; wind and cloud as told.
 */
final class NightWeather {
  private static final int HOUR = 3600;
  private static final double LOGGED = 0.3; // share of ten minutes

  private NightWeather() {}

  /**
   * From a moment on.
   *
   * @param outside means of ten minutes by their begin
   * @param told hours of weather files
   * @return empty where neither reaches over the whole
   */
  static Optional<Weather> of(
      TreeMap<Long, Double> outside, TreeMap<Long, HourlyWeather> told, long start, long end) {
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
              .filter(h -> at(h) > start - 2 * HOUR)
              .orElse(null);
      Double read = logged.get(at);
      seconds[i] = at - start;
      out[i] = enough && read != null ? read : Objects.requireNonNull(told.get(at)).celsius();
      wind[i] = hour == null || hour.wind() == null ? Weather.USUAL_WIND : hour.wind();
      cloud[i] = hour == null || hour.cloud() == null ? Weather.USUAL_CLOUD : hour.cloud();
      dew[i] = hour == null || hour.dewPoint() == null ? Double.NaN : hour.dewPoint();
      i++;
    }
    return Optional.of(new Weather(seconds, out, wind, cloud, dew));
  }

  static long at(HourlyWeather h) {
    return h.at().getEpochSecond();
  }
}
