package nightbank.server.part;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import nightbank.core.caution.StoreFacts;
import nightbank.core.source.ElectricHeat;
import nightbank.core.source.Flames;
import nightbank.core.source.Fuel;
import nightbank.core.source.Hearth;
import nightbank.core.source.HeatPump;
import nightbank.core.source.Share;
import nightbank.core.store.FluidStream;
import nightbank.core.usual.Usual;
import nightbank.server.part.PartDesign.EndDesign;
import nightbank.server.part.PartDesign.HeatTo;
import org.jspecify.annotations.Nullable;

/**
 * What the parts of a place say of one store's heat, as its runs and cautions ask it.
 *
 * @param kind what charges it first of all
 * @param watts into it at the most, all parts together; 0 when nobody knows
 * @param surplusWatts of them that run on what the sun gives over
 * @param pumps heat pumps that give to it, told apart since they give less the warmer it is
 * @param byStream whether a stream from elsewhere charges it
 * @param hearth how its fire splits its heat, a usual bench's without a fire
 * @param usualWood kg of one load, 0 without a fire
 * @param woodMoisture NaN without a fire
 * @param sunlit what the sun strikes, empty without sun
 * @param stream led through it, the first by name
 * @param ledToHouse whether a circuit leads from it into the house
 */
@RecordBuilder
public record StoreHeat(
    StoreFacts.SourceKind kind,
    double watts,
    double surplusWatts,
    List<Pumped> pumps,
    boolean byStream,
    Hearth hearth,
    double usualWood,
    double woodMoisture,
    Optional<PartDesign.Sunlight> sunlit,
    Optional<FluidStream> stream,
    boolean ledToHouse) {
  /** A heat pump and what it takes from, °C. */
  public record Pumped(HeatPump machine, double coldCelsius) {}

  public static StoreHeat none() {
    return of(new UUID(0, 0), List.of());
  }

  public static StoreHeat of(UUID store, List<PartView> all) {
    List<PartView> parts = all.stream().filter(p -> p.design().stores().contains(store)).toList();
    Gathered g = new Gathered(store);
    parts.forEach(p -> p.design().as(g));
    return StoreHeatBuilder.builder()
        .kind(g.kind)
        .watts(g.watts)
        .surplusWatts(g.surplusWatts)
        .pumps(List.copyOf(g.pumps))
        .byStream(g.byStream)
        .hearth(g.hearth)
        .usualWood(g.usualWood)
        .woodMoisture(g.woodMoisture)
        .sunlit(Optional.ofNullable(g.sunlit))
        .stream(Optional.ofNullable(g.stream))
        .ledToHouse(g.ledToHouse)
        .build();
  }

  /** Into it while it is so warm on the whole, W; surplus by its mean over its hours of sun. */
  public double wattsAt(double celsius) {
    double rated = pumps.stream().mapToDouble(p -> p.machine().electricWatts()).sum();
    double sum =
        watts
            - Usual.SMALL_HEAT_PUMP_FACTOR.value() * rated
            - (1 - ElectricHeat.SURPLUS_MEAN) * surplusWatts;
    for (Pumped p : pumps) {
      sum += p.machine().heatWatts(p.coldCelsius(), celsius);
    }
    return sum;
  }

  private static final class Gathered implements PartDesign.Cases<Void> {
    private final UUID store;
    private StoreFacts.SourceKind kind = StoreFacts.SourceKind.NONE;
    private double watts;
    private double surplusWatts;
    private final List<Pumped> pumps = new ArrayList<>();
    private boolean byStream;
    private Hearth hearth = Hearth.bench();
    private double usualWood;
    private double woodMoisture = Double.NaN;
    private PartDesign.@Nullable Sunlight sunlit;
    private @Nullable FluidStream stream;
    private boolean ledToHouse;

    Gathered(UUID store) {
      this.store = store;
    }

    @Override
    public Void fire(PartDesign.Fire d) {
      burns(d);
      return null;
    }

    @Override
    public Void flames(PartDesign.Flames d) {
      double each =
          new Flames(Share.allToHouse(), 1, d.gramsPerHour(), Fuel.of(d.fuel()).orElseThrow())
              .wattsEach();
      return found(StoreFacts.SourceKind.FLAMES, share(d.heats()) * d.count() * each);
    }

    @Override
    public Void heater(PartDesign.Heater d) {
      return found(StoreFacts.SourceKind.FLAMES, share(d.heats()) * d.watts());
    }

    @Override
    public Void element(PartDesign.Element d) {
      double into = share(d.heats()) * d.watts();
      surplusWatts += d.surplus() ? into : 0;
      return found(StoreFacts.SourceKind.ELEMENT, into);
    }

    @Override
    public Void sunlight(PartDesign.Sunlight d) {
      sunlit = d;
      return found(StoreFacts.SourceKind.SUN, 0);
    }

    @Override
    public Void heap(PartDesign.Heap d) {
      kind = StoreFacts.SourceKind.HEAP;
      return null;
    }

    @Override
    public Void circuit(PartDesign.Circuit d) {
      led(d);
      return null;
    }

    @Override
    public Void heatPump(PartDesign.HeatPump d) {
      if (store.equals(d.hot().storeId())) {
        found(StoreFacts.SourceKind.HEAT_PUMP, Usual.SMALL_HEAT_PUMP_FACTOR.value() * d.watts());
        Double cold = d.cold() == null ? null : d.cold().celsius();
        pumps.add(new Pumped(PartMapping.machine(d), Usual.COLD_SUPPLY.or(cold)));
      }
      return null;
    }

    @Override
    public Void animals(PartDesign.Animals d) {
      return null;
    }

    private Void found(StoreFacts.SourceKind what, double more) {
      kind = kind == StoreFacts.SourceKind.NONE ? what : kind;
      watts += more;
      return null;
    }

    private void burns(PartDesign.Fire f) {
      Hearth h = Hearth.of(f.hearth() == null ? "" : f.hearth()).orElseGet(Hearth::bench);
      double into = 0;
      double room = 0;
      for (HeatTo to : PartMapping.split(f.heats(), h)) {
        into += to.to() == PartDesign.To.STORE && store.equals(to.id()) ? to.share() : 0;
        room += to.to() == PartDesign.To.HOUSE ? to.share() : 0;
      }
      hearth = h.withSplit(into, room);
      usualWood = Usual.WOOD_LOAD.or(f.usualKilograms());
      woodMoisture = Usual.WOOD_MOISTURE.or(f.moisture());
      found(StoreFacts.SourceKind.FIRE, 0);
    }

    private double share(List<HeatTo> heats) {
      double sum = 0;
      for (HeatTo h : heats) {
        double of = h.share() == null ? 1.0 / heats.size() : h.share();
        sum += h.to() == PartDesign.To.STORE && store.equals(h.id()) ? of : 0;
      }
      return sum;
    }

    private void led(PartDesign.Circuit c) {
      boolean air = c.carries() == PartDesign.Carries.AIR;
      if (stream == null) {
        stream =
            new FluidStream(
                air ? FluidStream.Fluid.AIR : FluidStream.Fluid.WATER,
                c.kilogramsPerSecond(),
                c.machineWatts());
      }
      ledToHouse |= c.ends().stream().anyMatch(EndDesign::inHouse);
      boolean comes =
          c.ends().stream()
              .anyMatch(
                  e ->
                      e instanceof EndDesign.Held
                          || e instanceof EndDesign.Boiler
                          || e instanceof EndDesign.Collector);
      if (comes) {
        byStream = true;
        found(air ? StoreFacts.SourceKind.WARM_AIR : StoreFacts.SourceKind.WATER_LOOP, 0);
      }
    }
  }
}
