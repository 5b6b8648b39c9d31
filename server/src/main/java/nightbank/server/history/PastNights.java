package nightbank.server.history;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nightbank.core.evidence.EventKind;
import nightbank.core.forecast.Verdict;
import nightbank.core.judgement.PastNight;
import nightbank.server.history.internal.NightLowRepository;
import nightbank.server.history.internal.NightLowRepository.Low;
import nightbank.server.holding.Holdings;
import nightbank.server.house.Houses;
import nightbank.server.log.EventLog;
import nightbank.server.log.EventView;
import nightbank.server.log.Readings;
import nightbank.server.shared.Problem;
import nightbank.server.store.StoreView;
import nightbank.server.store.Stores;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** What became of past nights, from readings and from what was seen. */
@Service
public class PastNights {
  private static final int MORNING = 8; // o'clock: last night has ended by then
  private static final Duration LONGEST = Duration.ofDays(400);
  private static final Set<EventKind> SEEN = EnumSet.of(EventKind.SEEN, EventKind.ICE);

  private static final Set<EventKind> DONE =
      EnumSet.of(EventKind.DOOR, EventKind.VENT, EventKind.SCREEN);

  private final NightLowRepository lows;
  private final LedgerDays days;
  private final Houses houses;
  private final Stores stores;
  private final Readings readings;
  private final EventLog events;
  private final Holdings holdings;
  private final Clock clock;

  PastNights(
      NightLowRepository lows,
      LedgerDays days,
      Houses houses,
      Stores stores,
      Readings readings,
      EventLog events,
      Holdings holdings,
      Clock clock) {
    this.lows = lows;
    this.days = days;
    this.houses = houses;
    this.stores = stores;
    this.readings = readings;
    this.events = events;
    this.holdings = holdings;
    this.clock = clock;
  }

  public PastNightView of(UUID holding, UUID house, LocalDate from, LocalDate to) {
    ZoneId zone = ZoneId.of(holdings.get(holding).zone());
    Instant last = LedgerDay.noon(latest(from, to, clock, zone).plusDays(1), zone);
    double limit = houses.get(holding, house).design().plantLimitCelsius();
    Instant first = LedgerDay.noon(from, zone);
    var air = readings.airProbes(holding, house).keySet();
    var outdoors = readings.outdoorProbes(holding);
    var low =
        lows.of(
            holding,
            Stream.concat(air.stream(), outdoors.stream()).toList(),
            first,
            last,
            zone,
            limit);
    Map<LocalDate, Low> inside = coldest(low, air);
    Map<LocalDate, Low> outside = coldest(low, outdoors);
    List<StoreView> own =
        stores.all(holding).stream()
            .filter(s -> house.equals(s.houseId()) && !s.planned())
            .toList();
    Map<LocalDate, List<EventView>> noted = noted(holding, own, first, last, zone);
    Map<LocalDate, List<PastNightView.Paid>> paid = new HashMap<>();
    int pending = paid(holding, own, from, to, zone, inside.keySet(), paid);
    List<PastNightView.Night> nights = new ArrayList<>();
    int[] count = new int[Verdict.values().length];
    inside.entrySet().stream()
        .sorted(Map.Entry.comparingByKey())
        .forEach(
            e -> {
              PastNightView.Night n =
                  night(
                      e.getKey(),
                      e.getValue(),
                      outside.get(e.getKey()),
                      noted.getOrDefault(e.getKey(), List.of()),
                      paid.getOrDefault(e.getKey(), List.of()),
                      limit);
              count[Verdict.valueOf(n.verdict()).ordinal()]++;
              nights.add(n);
            });
    return new PastNightView(
        house,
        limit,
        nights,
        count[Verdict.HELD.ordinal()],
        count[Verdict.CLOSE.ordinal()],
        count[Verdict.LOST.ordinal()],
        pending);
  }

  /** The coldest of several thermometers speaks for the night. */
  private static Map<LocalDate, Low> coldest(
      Map<UUID, Map<LocalDate, Low>> low, Collection<UUID> probes) {
    Map<LocalDate, Low> coldest = new HashMap<>();
    for (UUID probe : probes) {
      low.getOrDefault(probe, Map.of())
          .forEach(
              (evening, l) ->
                  coldest.merge(evening, l, (a, b) -> a.celsius() <= b.celsius() ? a : b));
    }
    return coldest;
  }

  /** The last evening of a span whose night has ended; a span that cannot be is refused. */
  static LocalDate latest(LocalDate from, LocalDate to, Clock clock, ZoneId zone) {
    if (from == null || to == null || to.isBefore(from)) {
      throw Problem.invalid("from", "The first night must come before the last.", "Check both.");
    }
    if (Duration.ofDays(to.toEpochDay() - from.toEpochDay()).compareTo(LONGEST) > 0) {
      throw Problem.invalid("to", "400 nights at most.", "Take one winter.");
    }
    LocalDate ended = clock.instant().atZone(zone).minusHours(MORNING).toLocalDate().minusDays(1);
    return to.isAfter(ended) ? ended : to;
  }

  private static PastNightView.Night night(
      LocalDate evening,
      Low in,
      @Nullable Low out,
      List<EventView> noted,
      List<PastNightView.Paid> paid,
      double limit) {
    List<String> seen =
        noted.stream().filter(e -> SEEN.contains(e.kind())).map(PastNights::words).toList();
    boolean ice = noted.stream().anyMatch(e -> e.kind() == EventKind.ICE);
    double outdoor = out == null ? Double.NaN : out.celsius();
    PastNight night = new PastNight(in.celsius(), limit, outdoor, in.coldDegreeHours(), ice);
    return PastNightViewNightBuilder.builder()
        .evening(evening)
        .verdict(night.verdict().name())
        .lowestCelsius(in.celsius())
        .lowestAt(in.at())
        .outdoorLowest(out == null ? null : outdoor)
        .liftKelvin(out == null ? null : night.liftKelvin())
        .coldDegreeHours(in.coldDegreeHours())
        .seen(seen)
        .done(
            noted.stream()
                .filter(e -> DONE.contains(e.kind()))
                .map(e -> new PastNightView.Done(e.at(), e.kind(), e.way(), e.note()))
                .toList())
        .paid(paid)
        .build();
  }

  private static String words(EventView e) {
    return e.note().isBlank() && e.kind() == EventKind.ICE ? "Ice" : e.note();
  }

  private Map<LocalDate, List<EventView>> noted(
      UUID holding, List<StoreView> stores, Instant first, Instant last, ZoneId zone) {
    Map<LocalDate, List<EventView>> noted = new HashMap<>();
    Set<UUID> own = stores.stream().map(StoreView::id).collect(Collectors.toSet());
    for (EventView e : events.between(holding, first, last)) {
      if ((e.storeId() == null || own.contains(e.storeId()))
          && (SEEN.contains(e.kind()) || DONE.contains(e.kind()))) {
        LocalDate evening = e.at().atZone(zone).minusHours(12).toLocalDate();
        noted.computeIfAbsent(evening, k -> new ArrayList<>()).add(e);
      }
    }
    return noted;
  }

  private int paid(
      UUID holding,
      List<StoreView> stores,
      LocalDate from,
      LocalDate to,
      ZoneId zone,
      Set<LocalDate> evenings,
      Map<LocalDate, List<PastNightView.Paid>> into) {
    int pending = 0;
    for (StoreView s : stores) {
      LedgerDays.Days d = days.of(holding, s.id(), from, to, zone);
      pending += d.pending();
      for (LedgerDay day : d.known()) {
        if (day.judged() && evenings.contains(day.evening())) {
          into.computeIfAbsent(day.evening(), k -> new ArrayList<>())
              .add(new PastNightView.Paid(s.id(), s.name(), day.delivered()));
        }
      }
    }
    return pending;
  }
}
