package nightbank.core.system;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nightbank.core.house.Greenhouse;
import nightbank.core.source.CompostHeat;
import nightbank.core.source.Receiver;
import nightbank.core.source.Share;

/**
 * A place as one: house, stores, sources, circuits, heat pumps, each with what switches it. Parts
 * are named by ids of their own; what points at a part that is not there is refused.
 */
public record PlantSystem(
    Optional<Greenhouse> house,
    List<SystemStore> stores,
    List<SystemSource> sources,
    List<FluidCircuit> circuits,
    List<PumpedHeat> pumps) {

  public PlantSystem {
    stores = List.copyOf(stores);
    sources = List.copyOf(sources);
    circuits = List.copyOf(circuits);
    pumps = List.copyOf(pumps);
    Set<String> ids = new HashSet<>();
    Stream.of(
            stores.stream().map(SystemStore::id),
            sources.stream().map(SystemSource::id),
            circuits.stream().map(FluidCircuit::id),
            pumps.stream().map(PumpedHeat::id))
        .flatMap(s -> s)
        .forEach(
            id -> {
              if (!ids.add(id)) {
                throw new IllegalArgumentException("two parts are called " + id);
              }
            });
  }

  public static PlantSystem of(Greenhouse house, List<SystemStore> stores) {
    return new PlantSystem(Optional.of(house), stores, List.of(), List.of(), List.of());
  }

  public PlantSystem withHouse(Greenhouse other) {
    return new PlantSystem(Optional.of(other), stores, sources, circuits, pumps);
  }

  public PlantSystem withStores(List<SystemStore> others) {
    return new PlantSystem(house, others, sources, circuits, pumps);
  }

  public PlantSystem withSources(List<SystemSource> others) {
    return new PlantSystem(house, stores, others, circuits, pumps);
  }

  public PlantSystem withCircuits(List<FluidCircuit> others) {
    return new PlantSystem(house, stores, sources, others, pumps);
  }

  public PlantSystem withPumps(List<PumpedHeat> others) {
    return new PlantSystem(house, stores, sources, circuits, others);
  }

  /**
   * The same place without some of its stores; circuits and heat pumps that need one of them go
   * with it, and what a source gave them it gives the house, if it stands there.
   */
  public PlantSystem without(Predicate<String> gone) {
    return new PlantSystem(
        house,
        stores.stream().filter(s -> !gone.test(s.id())).toList(),
        sources.stream().flatMap(s -> without(s, gone).stream()).toList(),
        circuits.stream().filter(c -> c.ends().stream().noneMatch(e -> at(e, gone))).toList(),
        pumps.stream().filter(p -> p.stores().noneMatch(gone)).toList());
  }

  private static boolean at(CircuitEnd end, Predicate<String> which) {
    return end.storeId().filter(which).isPresent();
  }

  private static Optional<SystemSource> without(SystemSource s, Predicate<String> gone) {
    List<Share> kept = new ArrayList<>();
    double freed = 0;
    double house = 0;
    for (Share share : s.source().shares()) {
      if (share.to().storeId().filter(gone).isPresent()) {
        freed += share.of();
      } else if (share.to() instanceof Receiver.House) {
        house += share.of();
      } else {
        kept.add(share);
      }
    }
    if (freed == 0) {
      return Optional.of(s);
    }
    double toHouse = house + (s.indoors() ? freed : 0);
    if (toHouse > 0) {
      kept.add(new Share(new Receiver.House(), Math.min(1, toHouse)));
    }
    return kept.isEmpty() ? Optional.empty() : s.source().heating(kept).map(s::with);
  }

  /** Ids of the circuits and heat pumps that take from a store or give to it. */
  public Set<String> led(String store) {
    Stream<String> through =
        circuits.stream()
            .filter(c -> c.ends().stream().anyMatch(e -> at(e, store::equals)))
            .map(FluidCircuit::id);
    Stream<String> pumped =
        pumps.stream().filter(p -> p.stores().anyMatch(store::equals)).map(PumpedHeat::id);
    return Stream.concat(through, pumped).collect(Collectors.toSet());
  }

  /** The same place with some circuits and heat pumps running only when they are switched on. */
  public PlantSystem byHand(Predicate<String> which) {
    Control off = Control.byHand();
    return withCircuits(circuits.stream().map(c -> which.test(c.id()) ? c.with(off) : c).toList())
        .withPumps(pumps.stream().map(p -> which.test(p.id()) ? p.with(off) : p).toList());
  }

  /** Whether a store is a heap that heats by its own rot. */
  public boolean rots(String store) {
    return sources.stream()
        .anyMatch(s -> s.source() instanceof CompostHeat rot && rot.store().equals(store));
  }

  /** Whether a part of this id is there. */
  public boolean has(String id) {
    return stores.stream().anyMatch(s -> s.id().equals(id))
        || sources.stream().anyMatch(s -> s.id().equals(id))
        || circuits.stream().anyMatch(c -> c.id().equals(id))
        || pumps.stream().anyMatch(p -> p.id().equals(id));
  }

  Optional<SystemStore> store(String id) {
    return stores.stream().filter(s -> s.id().equals(id)).findFirst();
  }

  /** Whether a circuit leads from a store to the house. */
  public boolean ledToHouse(String store) {
    return circuits.stream()
        .anyMatch(
            c ->
                c.ends().stream().anyMatch(e -> at(e, store::equals))
                    && c.ends().stream().anyMatch(CircuitEnd::inHouse));
  }

  /** Whether the heat of a store can reach the house, by its faces or by a circuit. */
  public boolean reachesHouse(SystemStore s) {
    return s.store().place().reachesHouse() || ledToHouse(s.id());
  }
}
