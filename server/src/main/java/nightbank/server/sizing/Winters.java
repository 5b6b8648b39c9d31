package nightbank.server.sizing;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import nightbank.core.sizing.Winter;
import nightbank.server.holding.HoldingView;
import nightbank.server.holding.Holdings;
import nightbank.server.weather.HourlyWeather;
import nightbank.server.weather.Weathers;
import org.springframework.stereotype.Component;

/** Winters of a holding, as its weather files have them. */
@Component
class Winters {
  private final Holdings holdings;
  private final Weathers weathers;
  private final Clock clock;

  Winters(Holdings holdings, Weathers weathers, Clock clock) {
    this.holdings = holdings;
    this.weathers = weathers;
    this.clock = clock;
  }

  /** The last two winters' nights from a weather file, when there are enough. */
  Optional<Winter> recorded(UUID holding) {
    Instant now = clock.instant();
    HoldingView place = holdings.get(holding);
    boolean north = place.latitude() >= 0;
    List<HourlyWeather> hours =
        weathers.recorded(holding, now.minus(Duration.ofDays(500)), now).stream()
            .filter(h -> winterly(h.at(), north))
            .toList();
    int n = hours.size();
    long[] at = new long[n];
    double[] celsius = new double[n];
    double[] wind = new double[n];
    double[] cloud = new double[n];
    for (int i = 0; i < n; i++) {
      HourlyWeather h = hours.get(i);
      at[i] = h.at().getEpochSecond();
      celsius[i] = h.celsius();
      wind[i] = h.wind() == null ? Double.NaN : h.wind();
      cloud[i] = h.cloud() == null ? Double.NaN : h.cloud();
    }
    int offset = ZoneId.of(place.zone()).getRules().getStandardOffset(now).getTotalSeconds();
    return n == 0
        ? Optional.empty()
        : Winter.ofHours(at, celsius, wind, cloud, offset, Winter.FEWEST);
  }

  /** October to April in the north, April to October in the south. */
  private static boolean winterly(Instant at, boolean north) {
    int month = at.atZone(ZoneOffset.UTC).getMonthValue();
    return north ? month >= 10 || month <= 4 : month >= 4 && month <= 10;
  }
}
