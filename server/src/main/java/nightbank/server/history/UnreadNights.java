package nightbank.server.history;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import nightbank.core.house.Greenhouse;
import nightbank.core.judgement.UnreadHours;
import nightbank.server.history.internal.NightAirRepository;
import nightbank.server.history.internal.NightLowRepository.Stretch;
import nightbank.server.house.Houses;
import nightbank.server.log.Readings;
import nightbank.server.weather.HourlyWeather;
import nightbank.server.weather.Weathers;
import org.springframework.stereotype.Component;

/** What the house's model says of stretches of nights in which nobody read its air. */
@Component
class UnreadNights {
  private static final int DAY = 86_400;
  private static final int BEFORE = 7200; // s before dusk: what was read then still tells

  private final NightAirRepository air;
  private final Houses houses;
  private final Readings readings;
  private final Weathers weathers;

  UnreadNights(NightAirRepository air, Houses houses, Readings readings, Weathers weathers) {
    this.air = air;
    this.houses = houses;
    this.readings = readings;
    this.weathers = weathers;
  }

  /**
   * Where the lows lie; nothing of a night before which nobody read, or whose weather is not known.
   */
  Map<LocalDate, UnreadHours.Range> lows(
      UUID holding, UUID house, Collection<UUID> probes, List<Stretch> unread) {
    Map<LocalDate, UnreadHours.Range> found = new HashMap<>();
    if (unread.isEmpty()) {
      return found;
    }
    Instant first = unread.get(0).from().minus(Duration.ofDays(1));
    Instant last = unread.get(unread.size() - 1).to();
    var inside = air.tenMinutes(holding, probes, first, last);
    var outside = air.tenMinutes(holding, readings.outdoorProbes(holding), first, last);
    var told = new TreeMap<Long, HourlyWeather>();
    weathers.recorded(holding, first, last).forEach(h -> told.put(NightWeather.at(h), h));
    Greenhouse greenhouse = houses.greenhouse(holding, house);
    var design = houses.get(holding, house).design();
    for (Stretch s : unread) {
      lastRead(inside, s)
          .flatMap(
              read ->
                  NightWeather.of(outside, told, read.getKey(), s.to().getEpochSecond())
                      .map(
                          weather ->
                              UnreadHours.of(
                                  greenhouse,
                                  weather,
                                  read.getValue(),
                                  lastDay(inside, read),
                                  houses.ground(holding, design, s.from()),
                                  s.to().getEpochSecond() - read.getKey())))
          .ifPresent(range -> found.put(s.evening(), range));
    }
    return found;
  }

  private static Optional<Map.Entry<Long, Double>> lastRead(
      TreeMap<Long, Double> inside, Stretch s) {
    return Optional.ofNullable(inside.floorEntry(s.from().getEpochSecond()))
        .filter(e -> e.getKey() >= s.from().getEpochSecond() - BEFORE);
  }

  /** Walls and floor follow the air by a day. */
  private static double lastDay(TreeMap<Long, Double> inside, Map.Entry<Long, Double> read) {
    return inside.subMap(read.getKey() - DAY, true, read.getKey(), true).values().stream()
        .mapToDouble(Double::doubleValue)
        .average()
        .orElse(read.getValue());
  }
}
