package nightbank.server.alarm;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;
import java.util.stream.Stream;
import nightbank.core.alarm.Falling;
import nightbank.core.alarm.QuietHours;
import nightbank.core.alarm.Signs;
import nightbank.core.caution.PartLimit;
import nightbank.core.evidence.ReadingSeries;
import nightbank.server.alarm.AlarmFacts.AlarmDoing;
import nightbank.server.alarm.AlarmFacts.ShortWood;
import nightbank.server.device.DeviceView;
import nightbank.server.device.Devices;
import nightbank.server.house.HouseView;
import nightbank.server.house.Houses;
import nightbank.server.log.Readings;
import nightbank.server.night.DoingWords;
import nightbank.server.night.Tonight;
import nightbank.server.night.TonightQuestion;
import nightbank.server.night.TonightView;
import nightbank.server.run.Loops;
import nightbank.server.shared.ForegroundPriority;
import nightbank.server.shared.Problem;
import nightbank.server.store.ProbeView;
import nightbank.server.store.StoreView;
import nightbank.server.store.Stores;
import nightbank.server.upkeep.WoodView;
import nightbank.server.upkeep.Woodpiles;
import org.springframework.stereotype.Component;

/** What is wrong in a holding now, by kind. */
@Component
class Troubles {
  private static final Duration WITHIN = Duration.ofHours(1);
  private static final Duration LATELY = Duration.ofHours(1); // a reading that still says something
  private static final Duration SINCE_WARM = Duration.ofDays(3);
  private static final int MOST_READINGS = 400;

  private final Tonight tonight;
  private final Houses houses;
  private final Stores stores;
  private final Readings readings;
  private final Devices devices;
  private final Loops loops;
  private final Woodpiles wood;
  private final ForegroundPriority priority;
  private final Clock clock;

  Troubles(
      Tonight tonight,
      Houses houses,
      Stores stores,
      Readings readings,
      Devices devices,
      Loops loops,
      Woodpiles wood,
      ForegroundPriority priority,
      Clock clock) {
    this.tonight = tonight;
    this.houses = houses;
    this.stores = stores;
    this.readings = readings;
    this.devices = devices;
    this.loops = loops;
    this.wood = wood;
    this.priority = priority;
    this.clock = clock;
  }

  /** All but the nights; quick. */
  List<Trouble> now(UUID holding) {
    Instant now = clock.instant();
    List<StoreView> built = stores.all(holding).stream().filter(s -> !s.planned()).toList();
    List<Trouble> all = new ArrayList<>();
    houses.all(holding).forEach(h -> air(holding, h, now).ifPresent(all::add));
    silent(holding, now).forEach(all::add);
    loops(holding).forEach(all::add);
    built.forEach(s -> hot(s, now).ifPresent(all::add));
    built.forEach(s -> heap(holding, s, now).ifPresent(all::add));
    wood(holding).ifPresent(all::add);
    return all;
  }

  private Optional<Trouble> air(UUID holding, HouseView house, Instant now) {
    double limit = house.design().plantLimitCelsius();
    return readings
        .series(
            holding,
            readings.airProbes(holding, house.id()).keySet(),
            now.minus(LATELY),
            now,
            MOST_READINGS)
        .values()
        .stream()
        .filter(s -> s.size() > 0)
        .map(s -> air(house, s, limit))
        .flatMap(Optional::stream)
        .max(Comparator.comparingInt(Trouble::grade));
  }

  private static Optional<Trouble> air(HouseView house, ReadingSeries s, double limit) {
    double[] at = Arrays.stream(s.epochSeconds()).asDoubleStream().toArray();
    OptionalDouble seconds = Falling.secondsTo(at, s.celsius(), limit);
    if (seconds.isEmpty() || seconds.getAsDouble() > WITHIN.toSeconds()) {
      return Optional.empty();
    }
    int last = s.size() - 1;
    Instant reached = Instant.ofEpochSecond(s.epochSeconds()[last] + (long) seconds.getAsDouble());
    AlarmFacts facts = AlarmFacts.of(house.name(), house.id(), s.celsius()[last], limit, reached);
    int grade = seconds.getAsDouble() == 0 ? 2 : 1;
    return Optional.of(new Trouble(AlarmKind.AIR, house.id().toString(), grade, true, facts));
  }

  private Stream<Trouble> silent(UUID holding, Instant now) {
    return devices.all(holding).stream()
        .filter(d -> d.revokedAt() == null)
        .filter(d -> !d.heardLately(now))
        .flatMap(d -> Stream.ofNullable(d.lastSeenAt()).map(seen -> silent(d, seen)));
  }

  private static Trouble silent(DeviceView d, Instant seen) {
    AlarmFacts facts = AlarmFacts.of(d.name(), null, null, null, seen);
    return new Trouble(AlarmKind.SILENT, d.id().toString(), 1, false, facts);
  }

  private Stream<Trouble> loops(UUID holding) {
    return loops.lately(holding).stream()
        .filter(l -> l.emptying())
        .map(
            l ->
                new Trouble(
                    AlarmKind.LOOP,
                    l.storeId().toString(),
                    1,
                    false,
                    AlarmFacts.of(
                        l.storeName(),
                        l.storeId(),
                        null,
                        null,
                        l.turnedAt() == null ? null : Instant.ofEpochSecond(l.turnedAt()))));
  }

  private static Optional<Trouble> hot(StoreView store, Instant now) {
    OptionalDouble limit =
        Stores.parts(store.design()).stream().mapToDouble(PartLimit::highestCelsius).min();
    OptionalDouble hottest = hottest(store, now);
    if (limit.isEmpty()
        || hottest.isEmpty()
        || !Signs.nearsHighest(hottest.getAsDouble(), limit.getAsDouble())) {
      return Optional.empty();
    }
    AlarmFacts facts =
        AlarmFacts.of(store.name(), store.id(), hottest.getAsDouble(), limit.getAsDouble(), now);
    int grade = hottest.getAsDouble() < limit.getAsDouble() ? 1 : 2;
    return Optional.of(new Trouble(AlarmKind.HOT, store.id().toString(), grade, true, facts));
  }

  private static OptionalDouble hottest(StoreView store, Instant now) {
    return store.now().latest().stream()
        .filter(l -> l.at().isAfter(now.minus(LATELY)))
        .filter(l -> inside(store).contains(l.probeId()))
        .mapToDouble(StoreView.Latest::celsius)
        .max();
  }

  private static Set<UUID> inside(StoreView store) {
    return store.probes().stream()
        .filter(p -> p.kind() == ProbeView.Kind.STORE)
        .map(ProbeView::id)
        .collect(Collectors.toSet());
  }

  private Optional<Trouble> heap(UUID holding, StoreView store, Instant now) {
    OptionalDouble hottest = hottest(store, now);
    if (hottest.isEmpty() || !stores.core(holding, store.id()).makesHeat()) {
      return Optional.empty();
    }
    OptionalDouble before =
        readings
            .series(holding, inside(store), now.minus(SINCE_WARM), now, MOST_READINGS)
            .values()
            .stream()
            .flatMapToDouble(s -> DoubleStream.of(s.celsius()))
            .max();
    if (before.isEmpty() || !Signs.goesCold(hottest.getAsDouble(), before.getAsDouble())) {
      return Optional.empty();
    }
    AlarmFacts facts = AlarmFacts.of(store.name(), store.id(), hottest.getAsDouble(), null, now);
    return Optional.of(new Trouble(AlarmKind.HEAP, store.id().toString(), 1, false, facts));
  }

  /** Only where somebody keeps stacks: a fire may be fed from elsewhere. */
  private Optional<Trouble> wood(UUID holding) {
    WoodView w = wood.view(holding);
    if (w.stacks().isEmpty()
        || w.asked() == null
        || w.readyKilograms() >= w.asked().threeDaysKilograms()) {
      return Optional.empty();
    }
    ShortWood less = new ShortWood(w.readyKilograms(), w.asked().threeDaysKilograms());
    AlarmFacts facts = new AlarmFacts("", null, "", null, null, null, List.of(), null, less);
    int grade = w.readyKilograms() > 0 ? 1 : 2;
    return Optional.of(new Trouble(AlarmKind.WOOD, holding.toString(), grade, false, facts));
  }

  /**
   * Coming nights that are close or lost.
   *
   * @param unknown houses of whose night nothing can be said
   */
  record Nights(List<Trouble> troubles, Set<String> unknown) {}

  Nights nights(UUID holding, QuietHours quiet) {
    List<Trouble> troubles = new ArrayList<>();
    Set<String> unknown = new HashSet<>();
    for (HouseView h : houses.all(holding)) {
      priority.giveWay();
      try {
        TonightView night = tonight.ask(holding, h.id());
        if (!night.verdict().equals("HELD")) {
          troubles.add(night(h, night, quiet));
        }
      } catch (Problem nothingKnown) {
        unknown.add(h.id().toString());
      }
    }
    return new Nights(troubles, unknown);
  }

  private Trouble night(HouseView house, TonightView night, QuietHours quiet) {
    TonightView.AdviceView advice = night.advice();
    List<AlarmDoing> doings =
        advice == null
            ? List.of()
            : advice.actions().stream()
                .map(d -> doing(night, d))
                .sorted(Comparator.comparing(AlarmDoing::from))
                .toList();
    Instant latest = advice == null ? null : advice.latest();
    Instant deadline =
        doings.isEmpty() ? night.coldestAt() : latest == null ? doings.get(0).from() : latest;
    boolean lost = night.verdict().equals("LOST");
    boolean cannotWait =
        lost && (quiet.at(deadline) || quiet.after(clock.instant()).isAfter(deadline));
    AlarmFacts facts =
        new AlarmFacts(
            house.name(),
            house.id(),
            night.verdict(),
            night.coldestCelsius(),
            night.plantLimitCelsius(),
            night.coldestAt(),
            doings,
            latest,
            null);
    return new Trouble(AlarmKind.NIGHT, house.id().toString(), lost ? 2 : 1, cannotWait, facts);
  }

  private static AlarmDoing doing(TonightView night, TonightQuestion.Doing d) {
    String part =
        night.possible().stream()
            .filter(p -> d.of() != null && d.of().equals(p.of()))
            .findFirst()
            .map(TonightView.Possible::part)
            .orElse("");
    String name = DoingWords.name(night, d.of());
    return new AlarmDoing(d.kind(), name, part, d.from(), d.to(), d.amount());
  }
}
