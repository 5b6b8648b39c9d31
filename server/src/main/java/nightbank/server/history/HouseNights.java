package nightbank.server.history;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import nightbank.core.fit.HouseFit;
import nightbank.core.fit.LearnedHouse;
import nightbank.core.fit.LoggedNight;
import nightbank.core.house.Greenhouse;
import nightbank.core.source.LitFire;
import nightbank.core.weather.Weather;
import nightbank.server.history.HouseLearnedView.LearnedNight;
import nightbank.server.history.HouseLearnedView.NightLeftOut;
import nightbank.server.holding.HoldingView;
import nightbank.server.holding.Holdings;
import nightbank.server.house.Houses;
import nightbank.server.log.EventLog;
import nightbank.server.log.EventView;
import nightbank.server.shared.Computed;
import nightbank.server.store.StoreView;
import nightbank.server.store.Stores;
import nightbank.server.store.Stores.CoreStore;
import org.springframework.stereotype.Service;

/** Gathers a house's logged nights and has the core learn the house from them. */
@Service
public class HouseNights {
  private static final int MOST_NIGHTS = 60; // the latest: a house changes
  private static final int STEP = LedgerDays.STEP;
  private static final long DUSK = 1800; // s after sunset: no sun gets in any more
  private static final double READ = 0.7; // share of moments
  private static final int DAY = 86_400;

  private final AirLogs logs;
  private final LedgerDays days;
  private final Houses houses;
  private final Stores stores;
  private final EventLog events;
  private final Holdings holdings;
  private final Clock clock;
  private final Computed<Optional<LearnedHouse>> learned = new Computed<>(50);

  HouseNights(
      AirLogs logs,
      LedgerDays days,
      Houses houses,
      Stores stores,
      EventLog events,
      Holdings holdings,
      Clock clock) {
    this.logs = logs;
    this.days = days;
    this.houses = houses;
    this.stores = stores;
    this.events = events;
    this.holdings = holdings;
    this.clock = clock;
  }

  public HouseLearnedView learned(UUID holding, UUID house, LocalDate from, LocalDate to) {
    HoldingView place = holdings.get(holding);
    ZoneId zone = ZoneId.of(place.zone());
    LocalDate last = PastNights.latest(from, to, clock, zone);
    LocalDate first = later(from, last.minusDays(MOST_NIGHTS - 1L));
    var kept = houses.get(holding, house);
    Greenhouse described = houses.described(holding, house);
    List<StoreView> own =
        stores.all(holding).stream()
            .filter(s -> !s.planned() && s.design().reachesHouse() && everIn(house, s))
            .toList();
    Map<UUID, Map<LocalDate, LedgerDay>> judged = new HashMap<>();
    int pending = 0;
    for (StoreView s : own) {
      LedgerDays.Days d = days.of(holding, s.id(), first, last, zone);
      pending += d.pending();
      judged.put(
          s.id(), d.known().stream().collect(Collectors.toMap(LedgerDay::evening, day -> day)));
    }
    if (pending > 0 || last.isBefore(first)) {
      return new HouseLearnedView(house, pending, null, List.of(), List.of());
    }
    Log log =
        log(
            holding,
            house,
            own,
            LedgerDay.noon(first, zone),
            LedgerDay.noon(last.plusDays(1), zone));
    List<NightLeftOut> leftOut = new ArrayList<>();
    List<LoggedNight> nights = new ArrayList<>();
    LocalDate read =
        log.inside().isEmpty()
            ? last
            : Instant.ofEpochSecond(log.inside().firstKey()).atZone(zone).toLocalDate();
    for (LocalDate e = later(first, read); !e.isAfter(last); e = e.plusDays(1)) {
      double ground = houses.ground(holding, kept.design(), LedgerDay.noon(e, zone));
      Instant noon = LedgerDay.noon(e, zone);
      List<StoreView> there = own.stream().filter(s -> house.equals(s.houseAt(noon))).toList();
      night(e, place, zone, ground, there, judged, log, leftOut).ifPresent(nights::add);
    }
    String print = HouseFit.fingerprint(described, nights);
    return view(house, learned.of(print, () -> HouseFit.of(described, nights)), own, leftOut);
  }

  private static boolean everIn(UUID house, StoreView s) {
    return house.equals(s.houseId())
        || s.earlier().stream().anyMatch(a -> house.equals(a.houseId()));
  }

  /** What was read and done over the whole span. */
  private record Log(AirLog air, Map<UUID, List<LitFire>> fires) {
    TreeMap<Long, Double> inside() {
      return air.inside();
    }
  }

  private Log log(UUID holding, UUID house, List<StoreView> own, Instant first, Instant last) {
    Instant before = first.minusSeconds(DAY);
    Map<UUID, CoreStore> cores = new HashMap<>();
    own.forEach(s -> cores.put(s.id(), stores.core(holding, s.id())));
    Map<UUID, List<LitFire>> fires = new HashMap<>();
    for (EventView e : events.between(holding, before, last)) {
      Optional.ofNullable(cores.get(e.storeId()))
          .flatMap(s -> EventLog.toCore(e).fire(s.heat().hearth(), s.heat().usualWood()))
          .ifPresent(f -> fires.computeIfAbsent(e.storeId(), k -> new ArrayList<>()).add(f));
    }
    return new Log(logs.of(holding, house, before, last), fires);
  }

  private static Optional<LoggedNight> night(
      LocalDate evening,
      HoldingView place,
      ZoneId zone,
      double ground,
      List<StoreView> own,
      Map<UUID, Map<LocalDate, LedgerDay>> judged,
      Log log,
      List<NightLeftOut> leftOut) {
    Instant noon = LedgerDay.noon(evening, zone);
    Stretch dark = Stretch.dark(evening, place, zone);
    long dusk = dark.from().getEpochSecond() + DUSK;
    long dawn = dark.to().getEpochSecond();
    Long start = log.inside().ceilingKey(dusk / STEP * STEP);
    int moments = start == null ? 0 : (int) ((dawn - start) / STEP) + 1;
    if (moments < 2
        || start - dusk > 2 * DUSK
        || read(log.inside(), start, dawn) < READ * moments) {
      leftOut.add(new NightLeftOut(evening, NightLeftOut.Reason.AIR_UNREAD, ""));
      return Optional.empty();
    }
    Optional<Weather> weather = log.air().weather(start, dawn);
    if (weather.isEmpty()) {
      leftOut.add(new NightLeftOut(evening, NightLeftOut.Reason.OUTDOORS_UNREAD, ""));
      return Optional.empty();
    }
    List<LoggedNight.Gain> gains = new ArrayList<>();
    for (StoreView s : own) {
      LedgerDay day = judged.getOrDefault(s.id(), Map.of()).get(evening);
      if (day == null || day.toHouse() == null) {
        leftOut.add(new NightLeftOut(evening, NightLeftOut.Reason.STORE_UNREAD, s.name()));
        return Optional.empty();
      }
      gains.add(gain(s, day, (int) ((start - noon.getEpochSecond()) / STEP), moments, start, log));
    }
    double[] inside = new double[moments];
    for (int k = 0; k < moments; k++) {
      inside[k] = log.inside().getOrDefault(start + (long) k * STEP, Double.NaN);
    }
    double mass =
        log.inside().subMap(start - DAY, start).values().stream()
            .mapToDouble(Double::doubleValue)
            .average()
            .orElse(inside[0]);
    return Optional.of(
        new LoggedNight(evening.toString(), weather.get(), STEP, inside, gains, mass, ground));
  }

  private static int read(TreeMap<Long, Double> air, long from, long to) {
    return air.subMap(from, true, to, true).size();
  }

  private static LoggedNight.Gain gain(
      StoreView s, LedgerDay day, int offset, int moments, long start, Log log) {
    double[] watts = new double[moments];
    double before = 0;
    for (int k = 0; k < moments; k++) {
      int step = offset + k - 1; // the step that ends at this moment
      Double judged = step >= 0 && step < day.toHouse().length ? day.toHouse()[step] : null;
      before = judged == null ? before : judged;
      watts[k] = before;
      long middle = start + (long) k * STEP - STEP / 2;
      for (LitFire lit : log.fires().getOrDefault(s.id(), List.of())) {
        watts[k] += lit.watts(middle) * lit.toRoom();
      }
    }
    return new LoggedNight.Gain(s.id().toString(), watts);
  }

  private static HouseLearnedView view(
      UUID house, Optional<LearnedHouse> learned, List<StoreView> own, List<NightLeftOut> leftOut) {
    if (learned.isEmpty()) {
      return new HouseLearnedView(house, 0, null, List.of(), leftOut);
    }
    LearnedHouse l = learned.get();
    Map<String, String> names =
        own.stream().collect(Collectors.toMap(s -> s.id().toString(), StoreView::name));
    List<LearnedNight> nights = new ArrayList<>();
    for (LearnedHouse.NightLearned n : l.nights()) {
      nights.add(
          new LearnedNight(
              LocalDate.parse(n.id()),
              n.lossTimes(),
              n.unlike(),
              n.changesPerHour() > 0 ? n.changesPerHour() : null,
              n.lowestWithout(),
              n.lowest() - n.lowestWithout(),
              n.shares().stream()
                  .map(
                      s ->
                          new HouseLearnedView.StoreWorth(
                              UUID.fromString(s.of()),
                              Objects.requireNonNull(names.get(s.of())),
                              s.kelvin()))
                  .toList()));
    }
    return new HouseLearnedView(
        house,
        0,
        new HouseLearnedView.HouseLearned(
            l.nights().size(),
            nights.get(nights.size() - 1).evening(),
            l.describedWattsPerKelvin(),
            factor(l.loss()),
            factor(l.skin()),
            factor(l.leak()),
            factor(l.mass()),
            l.scatterKelvin()),
        nights,
        leftOut);
  }

  private static HouseLearnedView.LearnedFactor factor(LearnedHouse.Factor f) {
    return new HouseLearnedView.LearnedFactor(f.value(), f.low(), f.high());
  }

  private static LocalDate later(LocalDate a, LocalDate b) {
    return a.isAfter(b) ? a : b;
  }
}
