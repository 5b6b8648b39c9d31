package nightbank.server.history;

import java.time.Duration;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import nightbank.core.forecast.StartOfNight;
import nightbank.core.house.Greenhouse;
import nightbank.core.judgement.UnreadHours;
import nightbank.server.house.HouseDesign;
import nightbank.server.house.Houses;
import org.springframework.stereotype.Component;

/** What the house's model says of stretches of nights in which nobody read its air. */
@Component
class UnreadNights {
  private static final Duration DAY = Duration.ofDays(1);

  private final AirLogs logs;
  private final Houses houses;

  UnreadNights(AirLogs logs, Houses houses) {
    this.logs = logs;
    this.houses = houses;
  }

  /**
   * Where the lows lie; nothing of a night before which nobody read, or whose weather is not known.
   */
  Map<LocalDate, UnreadHours.Range> lows(UUID holding, UUID house, List<Stretch> unread) {
    Map<LocalDate, UnreadHours.Range> found = new HashMap<>();
    if (unread.isEmpty()) {
      return found;
    }
    AirLog log =
        logs.of(
            holding, house, unread.get(0).from().minus(DAY), unread.get(unread.size() - 1).to());
    Greenhouse greenhouse = houses.greenhouse(holding, house);
    HouseDesign design = houses.get(holding, house).design();
    for (Stretch s : unread) {
      double ground = houses.ground(holding, design, s.from());
      low(log, greenhouse, ground, s).ifPresent(range -> found.put(s.evening(), range));
    }
    return found;
  }

  private static Optional<UnreadHours.Range> low(
      AirLog log, Greenhouse house, double ground, Stretch s) {
    var read = log.inside().floorEntry(s.from().getEpochSecond());
    if (read == null || s.from().getEpochSecond() - read.getKey() > UnreadHours.BEFORE_DUSK) {
      return Optional.empty();
    }
    long end = s.to().getEpochSecond();
    double[] lastDay =
        log
            .inside()
            .subMap(read.getKey() - DAY.toSeconds(), true, read.getKey(), true)
            .values()
            .stream()
            .mapToDouble(Double::doubleValue)
            .toArray();
    double mass = StartOfNight.mass(lastDay, read.getValue()).celsius();
    return log.weather(read.getKey(), end)
        .map(
            weather ->
                UnreadHours.of(house, weather, read.getValue(), mass, ground, end - read.getKey()));
  }
}
