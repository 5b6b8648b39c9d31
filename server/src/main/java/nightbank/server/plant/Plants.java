package nightbank.server.plant;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import nightbank.core.house.Greenhouse;
import nightbank.core.source.CompostHeat;
import nightbank.core.store.HeatStore;
import nightbank.core.store.model.StoreState;
import nightbank.core.system.FluidCircuit;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.PumpedHeat;
import nightbank.core.system.SystemSource;
import nightbank.core.system.SystemStore;
import nightbank.server.book.Materials;
import nightbank.server.part.PartDesign;
import nightbank.server.part.PartMapping;
import nightbank.server.part.PartView;
import nightbank.server.part.Span;
import org.jspecify.annotations.Nullable;

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
      @Nullable Greenhouse house,
      List<Standing> stores,
      List<PartView> parts,
      Span span,
      Sunshine sun,
      Materials materials) {
    Gathering all = new Gathering(stores, span, sun, materials);
    for (int i = 0; i < parts.size(); i++) {
      all.part(parts.get(i), "parts." + i);
    }
    List<SystemStore> bodies = stores.stream().map(s -> body(s, all.fed.get(s.id()))).toList();
    return new PlantSystem(
        Optional.ofNullable(house), bodies, all.sources, all.circuits, all.pumps);
  }

  private static SystemStore body(Standing s, @Nullable List<CompostHeat.Batch> fed) {
    HeatStore store = fed == null || fed.isEmpty() ? s.store() : CompostHeat.asFed(s.store(), fed);
    return new SystemStore(s.id().toString(), store, s.state());
  }

  /** Parts as the core has them; what belongs to a store that is not here is left out. */
  private static final class Gathering implements PartDesign.Cases<Void> {
    private final Map<UUID, Standing> byId = new HashMap<>();
    private final List<SystemSource> sources = new ArrayList<>();
    private final List<FluidCircuit> circuits = new ArrayList<>();
    private final List<PumpedHeat> pumps = new ArrayList<>();
    private final Map<UUID, List<CompostHeat.Batch>> fed = new HashMap<>();
    private final Span span;
    private final Sunshine sun;
    private final Materials materials;

    @SuppressWarnings("NullAway.Init") // with every part
    private PartMapping to;

    Gathering(List<Standing> stores, Span span, Sunshine sun, Materials materials) {
      stores.forEach(s -> byId.put(s.id(), s));
      this.span = span;
      this.sun = sun;
      this.materials = materials;
    }

    void part(PartView p, String field) {
      to = new PartMapping(p.id(), field, span, materials);
      p.design().as(this);
    }

    private Void source(SystemSource source) {
      sources.add(source);
      return null;
    }

    @Override
    public Void fire(PartDesign.Fire d) {
      return source(to.fire(d, List.of()));
    }

    @Override
    public Void flames(PartDesign.Flames d) {
      return source(to.flames(d));
    }

    @Override
    public Void heater(PartDesign.Heater d) {
      return source(to.heater(d));
    }

    @Override
    public Void element(PartDesign.Element d) {
      return source(to.element(d));
    }

    @Override
    public Void sunlight(PartDesign.Sunlight d) {
      Standing at = byId.get(d.storeId());
      return at == null
          ? null
          : source(to.sunlight(d, at.store(), sun.seconds(), sun.wattsPerSquareMetre()));
    }

    @Override
    public Void heap(PartDesign.Heap d) {
      Standing at = byId.get(d.storeId());
      if (at == null) {
        return null;
      }
      fed.put(d.storeId(), to.batches(d));
      return source(to.heap(d, at.indoors()));
    }

    @Override
    public Void circuit(PartDesign.Circuit d) {
      circuits.add(to.circuit(d));
      return null;
    }

    @Override
    public Void heatPump(PartDesign.HeatPump d) {
      pumps.add(to.pump(d));
      return null;
    }

    @Override
    public Void animals(PartDesign.Animals d) {
      return source(to.animals(d));
    }
  }
}
