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
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import nightbank.core.evidence.EventKind;
import nightbank.core.judgement.BeforeAfter;
import nightbank.core.judgement.KeptLows;
import nightbank.core.judgement.PastNight;
import nightbank.core.judgement.PastNightBuilder;
import nightbank.core.judgement.UnreadHours;
import nightbank.server.history.internal.NightLowRepository;
import nightbank.server.history.internal.NightLowRepository.Low;
import nightbank.server.holding.HoldingView;
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
  private static final Duration READ_LATE = Duration.ofHours(12); // after the noon that ends it
  private static final Set<EventKind> SEEN =
      EnumSet.of(EventKind.SEEN, EventKind.ICE, EventKind.NO_ICE);

  /** What tells of a night even where no thermometer does. */
  private static final Set<EventKind> TELLS = EnumSet.of(EventKind.ICE, EventKind.NO_ICE);

  private static final Set<EventKind> DONE =
      EnumSet.of(EventKind.DOOR, EventKind.VENT, EventKind.SCREEN);

  private final NightLowRepository lows;
  private final UnreadNights model;
  private final LedgerDays days;
  private final Houses houses;
  private final Stores stores;
  private final Readings readings;
  private final EventLog events;
  private final Holdings holdings;
  private final Clock clock;

  PastNights(
      NightLowRepository lows,
      UnreadNights model,
      LedgerDays days,
      Houses houses,
      Stores stores,
      Readings readings,
      EventLog events,
      Holdings holdings,
      Clock clock) {
    this.lows = lows;
    this.model = model;
    this.days = days;
    this.houses = houses;
    this.stores = stores;
    this.readings = readings;
    this.events = events;
    this.holdings = holdings;
    this.clock = clock;
  }

  public PastNightView of(UUID holding, UUID house, LocalDate from, LocalDate to) {
    HoldingView place = holdings.get(holding);
    ZoneId zone = ZoneId.of(place.zone());
    double limit = houses.get(holding, house).design().plantLimitCelsius();
    List<StoreView> own = own(holding, house);
    List<Told> told = told(holding, house, own, dark(place, zone, from, to), zone, limit);
    Map<LocalDate, List<PastNightView.Paid>> paid = new HashMap<>();
    int pending =
        paid(
            holding,
            own,
            from,
            to,
            zone,
            told.stream().map(Told::evening).collect(Collectors.toSet()),
            paid);
    int[] count = new int[PastNight.Outcome.values().length];
    told.forEach(t -> count[t.night().outcome().ordinal()]++);
    List<PastNightView.Night> nights =
        told.stream().map(t -> view(t, paid.getOrDefault(t.evening(), List.of()))).toList();
    return new PastNightView(
        house,
        limit,
        nights,
        count[PastNight.Outcome.HELD.ordinal()],
        count[PastNight.Outcome.CLOSE.ordinal()],
        count[PastNight.Outcome.LOST.ordinal()],
        count[PastNight.Outcome.UNKNOWN.ordinal()],
        pending,
        PastNightView.Hardest.of(nights, pending == 0),
        PastNightView.Since.of(nights));
  }

  /** Nights of which both the house's low and that outdoors were read. */
  public List<BeforeAfter.Night> read(UUID holding, UUID house, LocalDate from, LocalDate to) {
    HoldingView place = holdings.get(holding);
    ZoneId zone = ZoneId.of(place.zone());
    double limit = houses.get(holding, house).design().plantLimitCelsius();
    List<Told> told =
        told(holding, house, own(holding, house), dark(place, zone, from, to), zone, limit);
    return PastNightView.Since.read(told.stream().map(t -> view(t, List.of())).toList());
  }

  private List<StoreView> own(UUID holding, UUID house) {
    return stores.all(holding).stream()
        .filter(s -> house.equals(s.houseId()) && !s.planned())
        .toList();
  }

  private List<Stretch> dark(HoldingView place, ZoneId zone, LocalDate from, LocalDate to) {
    LocalDate latest = latest(from, to, clock, zone);
    return latest.isBefore(from)
        ? List.of()
        : from.datesUntil(latest.plusDays(1)).map(e -> Stretch.dark(e, place, zone)).toList();
  }

  /** A night, and what it is told by. */
  private record Told(PastNight night, @Nullable Low in, Stretch unread, List<EventView> noted) {
    LocalDate evening() {
      return unread.evening();
    }

    Told by(UnreadHours.@Nullable Range range) {
      return new Told(
          PastNightBuilder.builder(night).model(Optional.ofNullable(range)).build(),
          in,
          unread,
          noted);
    }
  }

  /** Nights that anything tells of; those that nobody looked through by the model as well. */
  private List<Told> told(
      UUID holding,
      UUID house,
      List<StoreView> own,
      List<Stretch> dark,
      ZoneId zone,
      double limit) {
    if (dark.isEmpty()) {
      return List.of();
    }
    Instant first = LedgerDay.noon(dark.get(0).evening(), zone);
    Instant last = LedgerDay.noon(dark.get(dark.size() - 1).evening().plusDays(1), zone);
    var air = readings.airProbes(holding, house).keySet();
    var outdoors = readings.outdoorProbes(holding);
    var read = lows.read(holding, air, outdoors, dark, first, last, zone, limit);
    Map<LocalDate, Low> inside = coldest(read.lows(), air);
    Map<LocalDate, Low> outside = coldest(read.lows(), outdoors);
    Map<LocalDate, List<EventView>> noted = noted(holding, own, first, last, zone);
    KeptLows kept =
        KeptLows.of(
            dark.stream().map(Stretch::seconds).toList(),
            lows.kept(
                holding,
                readings.lowestProbes(holding, house),
                first.minusSeconds(KeptLows.LONGEST),
                last.plus(READ_LATE)));
    List<Told> nights = new ArrayList<>();
    for (int i = 0; i < dark.size(); i++) {
      LocalDate e = dark.get(i).evening();
      List<EventView> all = noted.getOrDefault(e, List.of());
      boolean told =
          inside.containsKey(e)
              || !Double.isNaN(kept.alone(i))
              || all.stream().anyMatch(n -> TELLS.contains(n.kind()));
      if (told) {
        Stretch unread = read.unread().getOrDefault(e, dark.get(i));
        PastNight n =
            PastNightBuilder.builder(night(limit, inside.get(e), outside.get(e), all))
                .minimumCelsius(kept.alone(i))
                .notBelowCelsius(kept.notBelow(i, thawed(all)))
                .unreadShare(unread.share(dark.get(i)))
                .build();
        nights.add(new Told(n, inside.get(e), unread, all));
      }
    }
    Map<LocalDate, UnreadHours.Range> modelled =
        model.lows(
            holding,
            house,
            nights.stream().filter(t -> !t.night().lookedThrough()).map(Told::unread).toList());
    return nights.stream().map(t -> t.by(modelled.get(t.evening()))).toList();
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

  /** By thermometers and ice alone. */
  private static PastNight night(
      double limit, @Nullable Low in, @Nullable Low out, List<EventView> noted) {
    return PastNightBuilder.builder()
        .limitCelsius(limit)
        .lowestCelsius(in == null ? Double.NaN : in.celsius())
        .minimumCelsius(Double.NaN)
        .notBelowCelsius(Double.NaN)
        .unreadShare(1)
        .model(Optional.empty())
        .outdoorLowest(out == null ? Double.NaN : out.celsius())
        .coldDegreeHours(in == null ? 0 : in.coldDegreeHours())
        .iceSeen(noted.stream().anyMatch(e -> e.kind() == EventKind.ICE))
        .build();
  }

  private static double thawed(List<EventView> noted) {
    return noted.stream().anyMatch(e -> e.kind() == EventKind.NO_ICE)
        ? PastNight.NO_ICE
        : Double.NaN;
  }

  private static PastNightView.Night view(Told t, List<PastNightView.Paid> paid) {
    PastNight n = t.night();
    Low in = t.in();
    boolean gap = !n.lookedThrough();
    return PastNightViewNightBuilder.builder()
        .evening(t.evening())
        .verdict(n.outcome().name())
        .lowestCelsius(told(n.lowestShown()))
        .lowestAt(in != null && in.celsius() <= n.lowestShown() ? in.at() : null)
        .notBelowCelsius(told(n.notBelowCelsius()))
        .unreadFrom(gap ? t.unread().from() : null)
        .unreadTo(gap ? t.unread().to() : null)
        .model(
            n.model()
                .filter(m -> gap)
                .map(m -> new PastNightView.Model(m.low(), m.high()))
                .orElse(null))
        .outdoorLowest(told(n.outdoorLowest()))
        .liftKelvin(told(n.liftKelvin()))
        .coldDegreeHours(n.coldDegreeHours())
        .seen(
            t.noted().stream().filter(e -> SEEN.contains(e.kind())).map(PastNights::words).toList())
        .done(
            t.noted().stream()
                .filter(e -> DONE.contains(e.kind()))
                .map(e -> new PastNightView.Done(e.at(), e.kind(), e.way(), e.note()))
                .toList())
        .paid(paid)
        .build();
  }

  private static @Nullable Double told(double celsius) {
    return Double.isNaN(celsius) ? null : (Double) celsius;
  }

  private static String words(EventView e) {
    return switch (e.kind()) {
      case ICE -> e.note().isBlank() ? "Ice" : e.note();
      case NO_ICE -> e.note().isBlank() ? "No ice on the dish" : e.note();
      default -> e.note();
    };
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
