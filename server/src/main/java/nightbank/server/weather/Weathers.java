package nightbank.server.weather;

import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import nightbank.server.holding.HoldingView;
import nightbank.server.holding.Holdings;
import nightbank.server.shared.InputChanged;
import nightbank.server.weather.internal.WeatherRepository;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is known of a holding's coming weather: a file handed over first, else a forecast. */
@Service
public class Weathers {
  private static final Logger LOG = LoggerFactory.getLogger(Weathers.class);
  private static final Duration FRESH = Duration.ofMinutes(30);
  private static final Duration REST_AFTER_FAILURE = Duration.ofMinutes(1);
  private static final int HOURS = 7 * 24 + 18;

  private final WeatherRepository repository;
  private final ForecastSource source;
  private final Holdings holdings;
  private final ApplicationEventPublisher events;
  private final Clock clock;
  private final Map<UUID, Instant> failedAt = new ConcurrentHashMap<>();

  Weathers(
      WeatherRepository repository,
      ForecastSource source,
      Holdings holdings,
      ApplicationEventPublisher events,
      Clock clock) {
    this.repository = repository;
    this.source = source;
    this.holdings = holdings;
    this.events = events;
    this.clock = clock;
  }

  /**
   * Known hours.
   *
   * @param source FORECAST, FILE, or NONE
   * @param knownAt when it was told, absent for none
   */
  public record Known(String source, @Nullable Instant knownAt, List<HourlyWeather> hours) {}

  /** Other weather is known than before. */
  public record Came(UUID holding) {}

  /** Hours of a stretch, from the hour before it; never fails for want of a service. */
  public Known between(UUID holding, Instant from, Instant to) {
    Instant first = from.minus(Duration.ofHours(1));
    List<HourlyWeather> file = repository.between(holding, "FILE", first, to);
    if (file.size() > 1) {
      return new Known("FILE", repository.knownAt(holding, "FILE", first).orElse(null), file);
    }
    refresh(holding, from);
    List<HourlyWeather> told = repository.between(holding, "FORECAST", first, to);
    return told.size() > 1
        ? new Known("FORECAST", repository.knownAt(holding, "FORECAST", first).orElse(null), told)
        : new Known("NONE", null, List.of());
  }

  /** What files told of a stretch that has passed. */
  public List<HourlyWeather> recorded(UUID holding, Instant from, Instant to) {
    return repository.between(holding, "FILE", from, to);
  }

  @Transactional
  public void keepFile(UUID holding, List<HourlyWeather> hours) {
    repository.save(holding, "FILE", hours, clock.instant());
    events.publishEvent(new Came(holding));
    hours.stream()
        .map(HourlyWeather::at)
        .min(Instant::compareTo)
        .ifPresent(
            first ->
                events.publishEvent(
                    InputChanged.sky(
                        holding,
                        first,
                        hours.stream().map(HourlyWeather::at).max(Instant::compareTo).get())));
  }

  /** Asks the service when its last word is old; one that failed is left alone for a while. */
  private void refresh(UUID holding, Instant from) {
    Instant now =
        Instant.now(); // real time: a demo's clock stands still, a failed service does not
    Optional<Instant> known = repository.knownAt(holding, "FORECAST", from);
    Instant failed = failedAt.get(holding);
    if (!source.available()
        || known.filter(k -> k.isAfter(clock.instant().minus(FRESH))).isPresent()
        || (failed != null && failed.isAfter(now.minus(REST_AFTER_FAILURE)))) {
      return;
    }
    try {
      HoldingView place = holdings.get(holding);
      repository.save(
          holding,
          "FORECAST",
          source.hourly(place.latitude(), place.longitude(), from, HOURS),
          clock.instant());
      failedAt.remove(holding);
      events.publishEvent(new Came(holding));
    } catch (IOException e) {
      failedAt.put(holding, now);
      LOG.info("no forecast for {}: {}", holding, e.getMessage());
    }
  }
}
