package nightbank.server.store;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.IntStream;
import nightbank.core.store.FaceName;
import nightbank.core.store.HeatStore;
import nightbank.core.store.model.StateFromProbes;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreState;
import org.jspecify.annotations.Nullable;

/** What a store holds by its newest readings. */
final class StoreNow {
  static final Set<ProbeView.Kind> BESIDE = Set.of(ProbeView.Kind.AIR, ProbeView.Kind.OUTDOOR);

  /** The core's store: its medium too may be the holding's own and change. */
  private record Described(HeatStore store, boolean makesHeat) {}

  private final Cache<Described, StateFromProbes> fields =
      Caffeine.newBuilder().maximumSize(200).build();

  StoreView.Now of(
      HeatStore core,
      boolean makesHeat,
      List<ProbeView> probes,
      Map<UUID, StoreView.Latest> latest) {
    List<StoreView.Latest> seen =
        probes.stream().map(p -> latest.get(p.id())).filter(l -> l != null).toList();
    double[] celsius = new double[core.probes().size()];
    Instant newest = null;
    boolean any = false;
    for (int i = 0; i < celsius.length; i++) {
      var l = latest.get(UUID.fromString(core.probes().get(i).id()));
      celsius[i] = l == null ? Double.NaN : l.celsius();
      any |= l != null;
      newest = l != null && (newest == null || l.at().isAfter(newest)) ? l.at() : newest;
    }
    if (!any) {
      return new StoreView.Now(null, null, null, null, null, seen);
    }
    double air = besides(probes, latest, celsius, core.floorCelsius());
    StoreState state =
        fields
            .get(
                new Described(core, makesHeat),
                d -> new StateFromProbes(core, StoreGrid.coarse(core), makesHeat))
            .of(celsius, air, air);
    return new StoreView.Now(
        newest,
        state.meanCelsius(),
        state.usableEnergy(core),
        known(core.surfaceCelsius(FaceName.TOP, top(state), air)),
        Sections.of(state),
        seen);
  }

  /** Mean of the mass's uppermost layer. */
  private static double top(StoreState state) {
    return IntStream.range(0, 10).mapToDouble(i -> state.at(Math.sqrt((i + 0.5) / 10), 1)).sum()
        / 10;
  }

  static @Nullable Double known(double celsius) {
    return Double.isNaN(celsius) ? null : celsius;
  }

  /** Air beside the store as last read; else no warmer than its coldest reading and its floor. */
  private static double besides(
      List<ProbeView> probes,
      Map<UUID, StoreView.Latest> latest,
      double[] celsius,
      double floorCelsius) {
    return probes.stream()
        .filter(p -> BESIDE.contains(p.kind()) && latest.containsKey(p.id()))
        .mapToDouble(p -> Objects.requireNonNull(latest.get(p.id())).celsius())
        .findFirst()
        .orElseGet(
            () ->
                Math.min(
                    floorCelsius,
                    Arrays.stream(celsius)
                        .filter(t -> !Double.isNaN(t))
                        .min()
                        .orElse(floorCelsius)));
  }
}
