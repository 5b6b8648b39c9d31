package nightbank.server.night;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import nightbank.core.store.HeatStore;
import nightbank.core.store.StoreGrid;
import nightbank.core.store.StoreState;
import nightbank.server.log.Readings;
import nightbank.server.plant.Plants;
import nightbank.server.run.Judgements;
import nightbank.server.store.StoreView;
import nightbank.server.store.Stores;
import org.springframework.stereotype.Component;

/** How house and stores stand now, from what was last read, with what had to be assumed. */
@Component
class Starts {
  private static final Duration LOOK_BACK = Duration.ofHours(72);
  private static final int FRESH_HOURS = 6;

  private final Stores stores;
  private final Readings readings;
  private final Judgements judgements;

  Starts(Stores stores, Readings readings, Judgements judgements) {
    this.stores = stores;
    this.readings = readings;
    this.judgements = judgements;
  }

  private record Known(double celsius, Instant at) {}

  /** One store as it stands now. */
  record StoreStart(StoreView view, Instant readAt, HeatStore store, StoreState state) {
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
    double guess = low + 6;
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
    double guess = evening + 4;
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

  List<StoreStart> stores(
      UUID holding,
      UUID house,
      Instant now,
      double air,
      List<TonightQuestion.StoreRead> said,
      List<TonightView.Assumption> assumed) {
    List<StoreStart> starts = new ArrayList<>();
    for (StoreView view : stores.all(holding)) {
      if (house.equals(view.houseId()) && !view.planned()) {
        Optional<Double> read =
            said.stream()
                .filter(r -> view.id().equals(r.id()))
                .map(TonightQuestion.StoreRead::celsius)
                .findFirst();
        starts.add(
            read.isPresent()
                ? typed(holding, view, now, read.get())
                : store(holding, view, now, air, assumed));
      }
    }
    return starts;
  }

  private StoreStart typed(UUID holding, StoreView view, Instant now, double celsius) {
    HeatStore core = stores.core(holding, view.id()).store();
    return new StoreStart(view, now, core, StoreState.uniform(StoreGrid.coarse(core), celsius));
  }

  private StoreStart store(
      UUID holding, StoreView view, Instant now, double air, List<TonightView.Assumption> assumed) {
    var core = stores.core(holding, view.id());
    StoreGrid grid = StoreGrid.coarse(core.store());
    Instant readAt = view.now().at();
    boolean recent = readAt != null && readAt.isAfter(now.minus(LOOK_BACK));
    if (!recent || readAt.isAfter(now)) {
      double flat = view.now().meanCelsius() == null ? air : view.now().meanCelsius();
      assumed.add(
          new TonightView.Assumption(
              readAt == null ? "STORE_UNREAD" : "STORE_STALE", flat, readAt, view.name()));
      return new StoreStart(view, readAt, core.store(), StoreState.uniform(grid, flat));
    }
    if (readAt.isBefore(now.minus(Duration.ofHours(FRESH_HOURS)))) {
      assumed.add(new TonightView.Assumption("STORE_AGE", null, readAt, view.name()));
    }
    var judged = judgements.judge(holding, core, readAt.minus(LOOK_BACK), readAt);
    if (judged.isPresent()) {
      HeatStore learned = judged.get().run().learned();
      return new StoreStart(view, readAt, learned, judged.get().run().lastState());
    }
    return new StoreStart(
        view, readAt, core.store(), StoreState.uniform(grid, view.now().meanCelsius()));
  }
}
