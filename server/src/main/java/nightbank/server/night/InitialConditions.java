package nightbank.server.night;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.UUID;
import nightbank.core.evidence.ReadingSeries;
import nightbank.core.forecast.StartOfNight;
import nightbank.core.house.Greenhouse;
import nightbank.core.judgement.JudgedRun;
import nightbank.core.store.HeatStore;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreState;
import nightbank.core.system.PlantSystem;
import nightbank.server.book.Books;
import nightbank.server.book.Materials;
import nightbank.server.log.Readings;
import nightbank.server.part.PartDesign;
import nightbank.server.part.PartView;
import nightbank.server.part.Span;
import nightbank.server.plant.Plants;
import nightbank.server.run.Judgements;
import nightbank.server.store.StoreView;
import nightbank.server.store.Stores;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** How house and stores stand now, from what was last read, with what had to be assumed. */
@Component
class InitialConditions {
  private static final Duration LOOK_BACK = seconds(StartOfNight.LOOK_BACK);
  private static final Duration HEAP_LOOK_BACK = seconds(StartOfNight.HEAP_LOOK_BACK);
  private static final Duration FRESH = seconds(StartOfNight.FRESH);

  private final Stores stores;
  private final Books books;
  private final Readings readings;
  private final Judgements judgements;

  InitialConditions(Stores stores, Readings readings, Judgements judgements, Books books) {
    this.books = books;
    this.stores = stores;
    this.readings = readings;
    this.judgements = judgements;
  }

  private static Duration seconds(double s) {
    return Duration.ofSeconds((long) s);
  }

  private record Known(double celsius, Instant at) {}

  /** One store as it stands now. */
  record StoreStart(StoreView view, @Nullable Instant readAt, HeatStore store, StoreState state) {
    Plants.Standing standing() {
      return new Plants.Standing(view.id(), view.design().indoors(), store, state);
    }
  }

  /** The house as it stands, and the ground two metres below it, °C. */
  record Around(Greenhouse house, double ground) {}

  double evening(
      UUID holding, Double said, Double low, Instant now, List<TonightView.Assumption> assumed) {
    if (said != null) {
      return said;
    }
    Optional<Known> outdoor = last(holding, readings.outdoorProbes(holding), now);
    return taken("EVENING", StartOfNight.evening(celsius(outdoor), low), outdoor, assumed);
  }

  double air(
      UUID holding,
      UUID house,
      Instant now,
      double evening,
      Around around,
      List<TonightView.Assumption> assumed) {
    Optional<Known> air = last(holding, airProbes(holding, house), now);
    StartOfNight.Taken taken =
        StartOfNight.air(celsius(air), evening, around.house(), around.ground());
    return taken("AIR", taken, air, assumed);
  }

  double mass(
      UUID holding, UUID house, Instant now, double air, List<TonightView.Assumption> assumed) {
    double[] day = read(holding, airProbes(holding, house), now, Duration.ofDays(1));
    return taken("MASS", StartOfNight.mass(day, air), Optional.empty(), assumed);
  }

  private static OptionalDouble celsius(Optional<Known> known) {
    return known.stream().mapToDouble(Known::celsius).findFirst();
  }

  private static double taken(
      String what,
      StartOfNight.Taken taken,
      Optional<Known> read,
      List<TonightView.Assumption> assumed) {
    assumed.add(
        new TonightView.Assumption(
            what + "_" + taken.basis(), taken.celsius(), read.map(Known::at).orElse(null), ""));
    return taken.celsius();
  }

  /** Air in the house and outdoors over the last days, as far as it was read. */
  StartOfNight.Surrounding around(
      UUID holding, UUID house, Instant now, double air, double evening, double ground) {
    Duration days = Duration.ofDays(3);
    return new StartOfNight.Surrounding(
        StartOfNight.overDays(read(holding, airProbes(holding, house), now, days), air),
        StartOfNight.overDays(read(holding, readings.outdoorProbes(holding), now, days), evening),
        ground);
  }

  /** What the probe showed that was read most, thinned. */
  private double[] read(UUID holding, List<UUID> probes, Instant now, Duration back) {
    return readings.series(holding, probes, now.minus(back), now, 500).values().stream()
        .map(ReadingSeries::celsius)
        .max(Comparator.comparingInt(c -> c.length))
        .orElse(new double[0]);
  }

  private List<UUID> airProbes(UUID holding, UUID house) {
    return readings.airProbes(holding, house).keySet().stream().sorted().toList();
  }

  private Optional<Known> last(UUID holding, List<UUID> probes, Instant now) {
    return readings
        .newest(holding, Set.copyOf(probes))
        .filter(at -> at.isAfter(now.minus(FRESH)) && !at.isAfter(now))
        .flatMap(
            at ->
                probes.stream()
                    .map(p -> readings.series(holding, p, at, at, 1))
                    .filter(s -> s.size() > 0)
                    .findFirst()
                    .map(s -> new Known(s.celsius()[0], at)));
  }

  /** The stores of a house's place, and whatever else its parts name. */
  List<StoreStart> stores(
      UUID holding,
      UUID house,
      Instant now,
      StartOfNight.Surrounding around,
      List<PartView> parts,
      List<TonightQuestion.StoreRead> said,
      List<TonightView.Assumption> assumed) {
    Set<UUID> named = new HashSet<>();
    parts.forEach(p -> named.addAll(p.design().stores()));
    List<StoreStart> starts = new ArrayList<>();
    for (StoreView view : stores.all(holding)) {
      boolean here = house.equals(view.houseId()) || named.contains(view.id());
      if (here && !view.planned()) {
        Optional<Double> read =
            said.stream()
                .filter(r -> view.id().equals(r.id()))
                .map(TonightQuestion.StoreRead::celsius)
                .findFirst();
        starts.add(
            read.isPresent()
                ? typed(holding, view, now, read.get())
                : store(holding, view, now, around, parts, assumed));
      }
    }
    return starts;
  }

  private StoreStart typed(UUID holding, StoreView view, Instant now, double celsius) {
    HeatStore core = stores.core(holding, view.id()).store();
    return new StoreStart(view, now, core, StoreState.uniform(StoreGrid.coarse(core), celsius));
  }

  private StoreStart store(
      UUID holding,
      StoreView view,
      Instant now,
      StartOfNight.Surrounding around,
      List<PartView> parts,
      List<TonightView.Assumption> assumed) {
    var core = stores.core(holding, view.id());
    StoreGrid grid = StoreGrid.coarse(core.store());
    Instant readAt = view.now().at();
    if (readAt == null || !readAt.isAfter(now.minus(LOOK_BACK)) || readAt.isAfter(now)) {
      StoreState start = unread(view, core.store(), now, around, parts, books.materials(holding));
      assumed.add(
          new TonightView.Assumption(
              readAt == null ? "STORE_UNREAD" : "STORE_STALE",
              start.meanCelsius(),
              readAt,
              view.name()));
      return new StoreStart(view, readAt, core.store(), start);
    }
    if (readAt.isBefore(now.minus(FRESH))) {
      assumed.add(new TonightView.Assumption("STORE_AGE", null, readAt, view.name()));
    }
    Instant end = readAt.plusSeconds(1); // the last reading too
    Instant since = view.since();
    if (since != null && !since.isBefore(end)) { // it was another then
      double mean = Objects.requireNonNull(view.now().meanCelsius());
      return new StoreStart(view, readAt, core.store(), StoreState.uniform(grid, mean));
    }
    Instant from = readAt.minus(LOOK_BACK);
    var stretch =
        judgements.stretch(
            holding, view.id(), since == null || since.isBefore(from) ? from : since, end);
    Optional<JudgedRun> judged = stretch.judged();
    if (judged.isPresent()) {
      return new StoreStart(view, readAt, judged.get().learned(), judged.get().lastState());
    }
    return stretch
        .few()
        .filter(few -> few.answer().strain().isEmpty()) // else the last readings count for more
        .map(few -> new StoreStart(view, readAt, few.learned(), few.answer().last()))
        .orElseGet(
            () -> {
              double mean = Objects.requireNonNull(view.now().meanCelsius());
              return new StoreStart(view, readAt, core.store(), StoreState.uniform(grid, mean));
            });
  }

  /**
   * From its own balance where it makes heat, from the ground where it lies in it, else the air.
   */
  private static StoreState unread(
      StoreView view,
      HeatStore store,
      Instant now,
      StartOfNight.Surrounding around,
      List<PartView> parts,
      Materials materials) {
    StoreState even = StartOfNight.unread(store, around);
    List<PartView> rots =
        parts.stream()
            .filter(
                p ->
                    p.design() instanceof PartDesign.Heap h
                        && view.id().equals(h.storeId())
                        && h.fed() != null
                        && !h.fed().isEmpty())
            .toList();
    if (rots.isEmpty()) {
      return even;
    }
    Instant begin =
        rots.stream()
            .flatMap(p -> ((PartDesign.Heap) p.design()).fed().stream())
            .map(PartDesign.Fed::at)
            .filter(at -> at != null && at.isBefore(now))
            .min(Instant::compareTo)
            .orElse(now.minus(HEAP_LOOK_BACK));
    Instant from = begin.isBefore(now.minus(HEAP_LOOK_BACK)) ? now.minus(HEAP_LOOK_BACK) : begin;
    double seconds = Duration.between(from, now).toSeconds();
    PlantSystem alone =
        Plants.system(
            null,
            List.of(new Plants.Standing(view.id(), view.design().indoors(), store, even)),
            rots,
            new Span(from, seconds, ZoneOffset.UTC),
            Plants.Sunshine.NONE,
            materials);
    return StartOfNight.fed(alone, around, seconds);
  }
}
