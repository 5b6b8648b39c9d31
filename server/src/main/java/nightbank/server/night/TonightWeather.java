package nightbank.server.night;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import nightbank.core.weather.SunTimes;
import nightbank.core.weather.Weather;
import nightbank.server.shared.Problem;
import nightbank.server.weather.HourlyWeather;
import nightbank.server.weather.Weathers;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;

/** The weather of the night and the nights ahead, from what is typed and what was told. */
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

  /** The first night as it is reckoned, then what was told of the hours after it. */
  static Weather then(Weather tonight, double length, Weathers.Known known, Instant now) {
    Weather told =
        of(
            known,
            TonightQuestionBuilder.builder()
                .lowCelsius(null)
                .lowAt(null)
                .eveningCelsius(null)
                .cloud(null)
                .wind(null)
                .airCelsius(null)
                .floorCelsius(null)
                .stores(null)
                .actions(null)
                .quick(null)
                .design(null)
                .build(),
            now);
    double[] row = tonight.seconds();
    int first = (int) Arrays.stream(row).filter(s -> s < length).count();
    double[] later = Arrays.stream(told.seconds()).filter(s -> s > length + 3600).toArray();
    int skip = told.seconds().length - later.length;
    return new Weather(
        join(row, first, told.seconds(), skip),
        join(tonight.outdoorCelsius(), first, told.outdoorCelsius(), skip),
        join(tonight.windMetresPerSecond(), first, told.windMetresPerSecond(), skip),
        join(tonight.cloud(), first, told.cloud(), skip),
        join(tonight.dewPointCelsius(), first, told.dewPointCelsius(), skip));
  }

  private static double[] join(double[] a, int first, double[] b, int skip) {
    double[] all = Arrays.copyOf(a, first + b.length - skip);
    System.arraycopy(b, skip, all, first, b.length - skip);
    return all;
  }

  /** Tonight and the nights after it that the known hours reach through. */
  static List<SunTimes> nights(
      Weathers.Known known,
      SunTimes tonight,
      Instant now,
      double latitude,
      double longitude,
      int most) {
    List<SunTimes> nights = new ArrayList<>(List.of(tonight));
    List<HourlyWeather> hours = known.hours();
    Instant last = hours.isEmpty() ? now : hours.get(hours.size() - 1).at();
    Instant from = dawn(tonight, now).plus(Duration.ofHours(1));
    while (nights.size() < most) {
      SunTimes next = SunTimes.of(from, latitude, longitude);
      Instant dawn = dawn(next, from);
      if (dawn.isAfter(last.plus(Duration.ofHours(2)))) {
        break;
      }
      nights.add(next);
      from = dawn.plus(Duration.ofHours(1));
    }
    return nights;
  }

  /** When a night ends; where the sun does not rise, after so long. */
  static Instant dawn(SunTimes sun, Instant from) {
    return sun.sunrise().orElse(from.plus(Duration.ofHours(14)));
  }

  static Instant lowAt(TonightQuestion q, Instant now, Instant sunrise) {
    Instant early = sunrise.minus(Duration.ofHours(1));
    Instant soon = now.plus(Duration.ofMinutes(15));
    Instant lowAt = q.lowAt() != null ? q.lowAt() : early.isAfter(soon) ? early : soon;
    if (lowAt.isBefore(now) || lowAt.isAfter(now.plus(Duration.ofHours(30)))) {
      throw Problem.invalid(
          "lowAt",
          "The low must come within the next 30 hours.",
          "Give the hour of tonight's low.");
    }
    return lowAt;
  }

  static void check(TonightQuestion q) {
    range("lowCelsius", q.lowCelsius(), -50, 30, "°C");
    range("eveningCelsius", q.eveningCelsius(), -50, 40, "°C");
    range("airCelsius", q.airCelsius(), -50, 60, "°C");
    range("floorCelsius", q.floorCelsius(), -30, 60, "°C");
    range("cloud", q.cloud(), 0, 1, "");
    range("wind", q.wind(), 0, 40, "m/s");
    if (q.stores() != null) {
      for (int i = 0; i < q.stores().size(); i++) {
        range("stores." + i + ".celsius", q.stores().get(i).celsius(), -40, 1000, "°C");
      }
    }
  }

  private static void range(String field, Double v, double low, double high, String unit) {
    if (v != null && !(v >= low && v <= high)) {
      throw Problem.invalid(
          field,
          "It must lie between " + low + " and " + high + " " + unit + ", was " + v + ".",
          "Check the number and its sign.");
    }
  }

  private static double first(@Nullable Double typed, @Nullable Double told, double otherwise) {
    return typed != null ? typed : told != null ? told : otherwise;
  }
}
