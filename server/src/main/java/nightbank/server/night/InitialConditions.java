package nightbank.server.night;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Place;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreState;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemSimulation;
import nightbank.core.usual.Usual;
import nightbank.core.weather.Weather;
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
  private static final Duration LOOK_BACK = Duration.ofHours(72);
  private static final Duration HEAP_LOOK_BACK = Duration.ofDays(30);
  private static final double HOUR = 3600;
  private static final int FRESH_HOURS = 6;

  private final Stores stores;
  private final Readings readings;
  private final Judgements judgements;

  InitialConditions(Stores stores, Readings readings, Judgements judgements) {
    this.stores = stores;
    this.readings = readings;
    this.judgements = judgements;
  }

  private record Known(double celsius, Instant at) {}

  /** One store as it stands now. */
  record StoreStart(StoreView view, @Nullable Instant readAt, HeatStore store, StoreState state) {
    Plants.Standing standing() {
      return new Plants.Standing(view.id(), view.design().indoors(), store, state);
    }
  }

  double evening(
      UUID holding, Double said, Double low, Instant now, List<TonightView.Assumption> assumed) {
    if (said != null) {
      return said;
    }
    Optional<Known> outdoor = last(holding, readings.outdoorProbes(holding), now);
    if (outdoor.isPresent()) {
      assumed.add(
          new TonightView.Assumption(
              "EVENING_READ", outdoor.get().celsius(), outdoor.get().at(), ""));
      return outdoor.get().celsius();
    }
    double guess = low + Usual.EVENING_OVER_LOW.value();
    assumed.add(new TonightView.Assumption("EVENING_GUESSED", guess, null, ""));
    return guess;
  }

  double air(
      UUID holding, UUID house, Instant now, double evening, List<TonightView.Assumption> assumed) {
    Optional<Known> air = last(holding, airProbes(holding, house), now);
    if (air.isPresent()) {
      assumed.add(new TonightView.Assumption("AIR_READ", air.get().celsius(), air.get().at(), ""));
      return air.get().celsius();
    }
    double guess = evening + Usual.HOUSE_OVER_EVENING.value();
    assumed.add(new TonightView.Assumption("AIR_GUESSED", guess, null, ""));
    return guess;
  }

  /** Walls and floor follow the air by a day: its mean over the last one, where it was read. */
  double mass(
      UUID holding, UUID house, Instant now, double air, List<TonightView.Assumption> assumed) {
    for (UUID probe : airProbes(holding, house)) {
      var day = readings.series(holding, probe, now.minus(Duration.ofDays(1)), now, 500);
      if (day.size() >= 12) {
        double mean = Arrays.stream(day.celsius()).average().orElseThrow();
        assumed.add(new TonightView.Assumption("MASS_FROM_DAY", mean, null, ""));
        return mean;
      }
    }
    assumed.add(new TonightView.Assumption("MASS_GUESSED", air, null, ""));
    return air;
  }

  /** Air in the house and outdoors over the last days, as far as it was read. */
  Surrounding around(
      UUID holding, UUID house, Instant now, double air, double evening, double ground) {
    return new Surrounding(
        lastDays(holding, airProbes(holding, house), now, air),
        lastDays(holding, readings.outdoorProbes(holding), now, evening),
        ground);
  }

  private double lastDays(UUID holding, List<UUID> probes, Instant now, double otherwise) {
    for (UUID probe : probes) {
      var days = readings.series(holding, probe, now.minus(Duration.ofDays(3)), now, 500);
      if (days.size() >= 12) {
        return Arrays.stream(days.celsius()).average().orElseThrow();
      }
    }
    return otherwise;
  }

  private List<UUID> airProbes(UUID holding, UUID house) {
    return readings.airProbes(holding, house).keySet().stream().sorted().toList();
  }

  private Optional<Known> last(UUID holding, List<UUID> probes, Instant now) {
    return readings
        .newest(holding, Set.copyOf(probes))
        .filter(at -> at.isAfter(now.minus(Duration.ofHours(FRESH_HOURS))) && !at.isAfter(now))
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
      Surrounding around,
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

  /**
   * What is known round stores that nobody read: air now and over the last days, ground, outdoors.
   */
  record Surrounding(double airCelsius, double outdoorCelsius, double groundCelsius) {}

  private StoreStart typed(UUID holding, StoreView view, Instant now, double celsius) {
    HeatStore core = stores.core(holding, view.id()).store();
    return new StoreStart(view, now, core, StoreState.uniform(StoreGrid.coarse(core), celsius));
  }

  private StoreStart store(
      UUID holding,
      StoreView view,
      Instant now,
      Surrounding around,
      List<PartView> parts,
      List<TonightView.Assumption> assumed) {
    var core = stores.core(holding, view.id());
    StoreGrid grid = StoreGrid.coarse(core.store());
    Instant readAt = view.now().at();
    if (readAt == null || !readAt.isAfter(now.minus(LOOK_BACK)) || readAt.isAfter(now)) {
      StoreState start = unread(view, core.store(), now, around, parts);
      assumed.add(
          new TonightView.Assumption(
              readAt == null ? "STORE_UNREAD" : "STORE_STALE",
              start.meanCelsius(),
              readAt,
              view.name()));
      return new StoreStart(view, readAt, core.store(), start);
    }
    if (readAt.isBefore(now.minus(Duration.ofHours(FRESH_HOURS)))) {
      assumed.add(new TonightView.Assumption("STORE_AGE", null, readAt, view.name()));
    }
    var judged = judgements.judge(holding, view.id(), readAt.minus(LOOK_BACK), readAt);
    if (judged.isPresent()) {
      HeatStore learned = judged.get().run().learned();
      return new StoreStart(view, readAt, learned, judged.get().run().lastState());
    }
    return new StoreStart(
        view,
        readAt,
        core.store(),
        StoreState.uniform(grid, Objects.requireNonNull(view.now().meanCelsius())));
  }

  /**
   * From its own balance where it makes heat, from the ground where it lies in it, else the air.
   */
  private static StoreState unread(
      StoreView view, HeatStore store, Instant now, Surrounding around, List<PartView> parts) {
    StoreGrid grid = StoreGrid.coarse(store);
    Place place = store.place();
    double air =
        switch (place.where()) {
          case HOUSE -> around.airCelsius();
          case ROOM -> place.roomCelsius();
          case OUTDOORS -> around.outdoorCelsius();
        };
    StoreState even = StoreState.uniform(grid, place.buried() ? around.groundCelsius() : air);
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
    double seconds = Math.max(HOUR, Duration.between(from, now).toSeconds());
    PlantSystem alone =
        Plants.system(
            null,
            List.of(new Plants.Standing(view.id(), view.design().indoors(), store, even)),
            rots,
            new Span(from, seconds, ZoneOffset.UTC),
            Plants.Sunshine.NONE);
    Weather still =
        new Weather(
            new double[] {0},
            new double[] {air},
            new double[] {Usual.CALM.value()},
            new double[] {0.5});
    return SystemSimulation.run(
            SystemPlan.of(alone, still, air, air, around.groundCelsius(), seconds, HOUR))
        .stores()
        .get(0)
        .end();
  }
}
