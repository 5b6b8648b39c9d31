package nightbank.server.night;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import nightbank.core.weather.Weather;
import nightbank.server.shared.Problem;
import nightbank.server.weather.HourlyWeather;
import nightbank.server.weather.Weathers;
import org.springframework.http.HttpStatus;

/** The night's weather from what a file or a forecast told. */
final class TonightWeather {
  private TonightWeather() {}

  /** Notes what was told; refuses when it does not reach into the night at all. */
  static Weathers.Known told(
      Weathers.Known known, Instant end, List<TonightView.Assumption> assumed) {
    List<HourlyWeather> hours = known.hours();
    if (hours.size() < 2) {
      throw new Problem(
          HttpStatus.UNPROCESSABLE_ENTITY,
          "no-weather",
          "lowCelsius",
          "No forecast and no weather file reaches into tonight.",
          "Type tonight's low.");
    }
    HourlyWeather coldest = hours.get(0);
    for (HourlyWeather h : hours) {
      coldest = h.celsius() < coldest.celsius() ? h : coldest;
    }
    assumed.add(
        new TonightView.Assumption(
            known.source().equals("FILE") ? "WEATHER_FILE" : "WEATHER_FORECAST",
            coldest.celsius(),
            known.knownAt(),
            ""));
    Instant last = hours.get(hours.size() - 1).at();
    if (last.isBefore(end.minus(Duration.ofHours(2)))) {
      assumed.add(new TonightView.Assumption("WEATHER_ENDS", null, last, ""));
    }
    return known;
  }

  /** Linear between the hours, level beyond the last; what is typed of wind and sky counts more. */
  static Weather of(Weathers.Known known, TonightQuestion q, Instant now) {
    int n = known.hours().size();
    double[] seconds = new double[n];
    double[] celsius = new double[n];
    double[] wind = new double[n];
    double[] cloud = new double[n];
    double[] dew = new double[n];
    for (int i = 0; i < n; i++) {
      HourlyWeather h = known.hours().get(i);
      seconds[i] = h.at().getEpochSecond() - now.getEpochSecond();
      celsius[i] = h.celsius();
      wind[i] = first(q.wind(), h.wind(), Weather.USUAL_WIND);
      cloud[i] = first(q.cloud(), h.cloud(), Weather.USUAL_CLOUD);
      dew[i] = h.dewPoint() == null ? Double.NaN : h.dewPoint();
    }
    return new Weather(seconds, celsius, wind, cloud, dew);
  }

  private static double first(Double typed, Double told, double otherwise) {
    return typed != null ? typed : told != null ? told : otherwise;
  }
}
