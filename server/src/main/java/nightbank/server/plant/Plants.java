package nightbank.server.plant;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import nightbank.core.house.Greenhouse;
import nightbank.core.source.CompostHeat;
import nightbank.core.source.FireLoad;
import nightbank.core.store.HeatStore;
import nightbank.core.store.model.StoreState;
import nightbank.core.system.FluidCircuit;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.PumpedHeat;
import nightbank.core.system.SystemSource;
import nightbank.core.system.SystemStore;
import nightbank.server.part.PartDesign;
import nightbank.server.part.PartMapping;
import nightbank.server.part.PartView;
import nightbank.server.part.Span;

/** Whole places for the core: house, stores as they stand, and parts. */
public final class Plants {
  private Plants() {}

  /** A store as it stands. */
  public record Standing(UUID id, boolean indoors, HeatStore store, StoreState state) {}

  /** Sun on the upright front of a house, W/m², at seconds after the start. */
  public record Sunshine(double[] seconds, double[] wattsPerSquareMetre) {
    public static final Sunshine NONE = new Sunshine(new double[] {0, 1}, new double[] {0, 0});
  }

  /**
   * A place for the core.
   *
   * @param house null where stores are looked at alone
   */
  public static PlantSystem system(
      Greenhouse house, List<Standing> stores, List<PartView> parts, Span span, Sunshine sun) {
    Map<UUID, Standing> byId = new HashMap<>();
    stores.forEach(s -> byId.put(s.id(), s));
    List<SystemSource> sources = new ArrayList<>();
    List<FluidCircuit> circuits = new ArrayList<>();
    List<PumpedHeat> pumps = new ArrayList<>();
    Map<UUID, List<CompostHeat.Batch>> fed = new HashMap<>();
    for (int i = 0; i < parts.size(); i++) {
      PartView p = parts.get(i);
      PartMapping to = new PartMapping(p.id(), "parts." + i, span);
      PartDesign d = p.design();
      if (d instanceof PartDesign.Fire f) {
        sources.add(to.fire(f, List.<FireLoad>of()));
      } else if (d instanceof PartDesign.Flames f) {
        sources.add(to.flames(f));
      } else if (d instanceof PartDesign.Heater h) {
        sources.add(to.heater(h));
      } else if (d instanceof PartDesign.Element e) {
        sources.add(to.element(e));
      } else if (d instanceof PartDesign.Sunlight s && byId.containsKey(s.storeId())) {
        HeatStore store = byId.get(s.storeId()).store();
        sources.add(to.sunlight(s, store, sun.seconds(), sun.wattsPerSquareMetre()));
      } else if (d instanceof PartDesign.Heap h && byId.containsKey(h.storeId())) {
        sources.add(to.heap(h, byId.get(h.storeId()).indoors()));
        fed.put(h.storeId(), to.batches(h));
      } else if (d instanceof PartDesign.Circuit c) {
        circuits.add(to.circuit(c));
      } else if (d instanceof PartDesign.HeatPump h) {
        pumps.add(to.pump(h));
      }
    }
    List<SystemStore> bodies = stores.stream().map(s -> body(s, fed.get(s.id()))).toList();
    return new PlantSystem(Optional.ofNullable(house), bodies, sources, circuits, pumps);
  }

  private static SystemStore body(Standing s, List<CompostHeat.Batch> fed) {
    HeatStore store = fed == null || fed.isEmpty() ? s.store() : CompostHeat.asFed(s.store(), fed);
    return new SystemStore(s.id().toString(), store, s.state());
  }
}
