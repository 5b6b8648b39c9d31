package nightbank.server.part;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import nightbank.server.part.ControlDesign.SensorDesign;
import org.jspecify.annotations.Nullable;

/** A source, circuit or heat pump of a place as its keeper describes it. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
  @JsonSubTypes.Type(value = PartDesign.Fire.class, name = "FIRE"),
  @JsonSubTypes.Type(value = PartDesign.Flames.class, name = "FLAMES"),
  @JsonSubTypes.Type(value = PartDesign.Heater.class, name = "HEATER"),
  @JsonSubTypes.Type(value = PartDesign.Element.class, name = "ELEMENT"),
  @JsonSubTypes.Type(value = PartDesign.Sunlight.class, name = "SUNLIGHT"),
  @JsonSubTypes.Type(value = PartDesign.Heap.class, name = "HEAP"),
  @JsonSubTypes.Type(value = PartDesign.Circuit.class, name = "CIRCUIT"),
  @JsonSubTypes.Type(value = PartDesign.HeatPump.class, name = "HEAT_PUMP"),
  @JsonSubTypes.Type(value = PartDesign.Animals.class, name = "ANIMALS"),
})
public sealed interface PartDesign {

  /** What is to be done with each kind; a new kind has to be added here, and so everywhere. */
  interface Cases<R> {
    R fire(Fire design);

    R flames(Flames design);

    R heater(Heater design);

    R element(Element design);

    R sunlight(Sunlight design);

    R heap(Heap design);

    R circuit(Circuit design);

    R heatPump(HeatPump design);

    R animals(Animals design);
  }

  /** What these cases say of its kind. */
  <R> R as(Cases<R> cases);

  /** Where heat goes. */
  enum To {
    STORE,
    HOUSE,
    CIRCUIT
  }

  /**
   * One receiver of a source's heat.
   *
   * @param id of store or circuit, absent for the house
   * @param share of all its heat, absent for the usual: a hearth's own split, else equal parts;
   *     what is left of the whole goes up the flue
   */
  record HeatTo(To to, @Nullable UUID id, Double share) {}

  /**
   * A hearth that burns wood by loads.
   *
   * @param hearth from the catalogue
   * @param kilogramsPerHour that burn at once, absent for the hearth's usual
   * @param gasCelsius of what heats the mass, absent for the hearth's usual
   * @param roomAir whether its air comes from the house
   * @param usualKilograms of one load
   * @param moisture of its wood, absent for dry
   * @param indoors whether it stands in the house
   */
  record Fire(
      List<HeatTo> heats,
      String hearth,
      Double kilogramsPerHour,
      Double gasCelsius,
      boolean roomAir,
      Double usualKilograms,
      Double moisture,
      boolean indoors)
      implements PartDesign {
    @Override
    public <R> R as(Cases<R> cases) {
      return cases.fire(this);
    }
  }

  /**
   * Candles, wax burners, oil lamps.
   *
   * @param fuel from the catalogue
   */
  record Flames(
      List<HeatTo> heats,
      int count,
      double gramsPerHour,
      String fuel,
      boolean indoors,
      @Nullable ControlDesign control)
      implements PartDesign {
    @Override
    public <R> R as(Cases<R> cases) {
      return cases.flames(this);
    }
  }

  /**
   * A heater or boiler that burns bought fuel.
   *
   * @param fuel from the catalogue
   * @param efficiency absent without a flue
   */
  record Heater(
      List<HeatTo> heats,
      String fuel,
      double watts,
      Double efficiency,
      boolean flue,
      boolean indoors,
      @Nullable ControlDesign control)
      implements PartDesign {
    @Override
    public <R> R as(Cases<R> cases) {
      return cases.heater(this);
    }
  }

  /**
   * An electric element or heater.
   *
   * @param surplus runs on what the sun gives over
   */
  record Element(
      List<HeatTo> heats,
      double watts,
      boolean surplus,
      boolean indoors,
      @Nullable ControlDesign control)
      implements PartDesign {
    @Override
    public <R> R as(Cases<R> cases) {
      return cases.element(this);
    }
  }

  /**
   * Sun on a dark upright face of a store.
   *
   * @param absorptance absent for a dull dark face
   * @param squareMetres absent for half of its sides
   */
  record Sunlight(UUID storeId, Double absorptance, Double squareMetres) implements PartDesign {
    @Override
    public <R> R as(Cases<R> cases) {
      return cases.sunlight(this);
    }
  }

  /** A heap's own heat. */
  record Heap(@Nullable UUID storeId, List<Fed> fed) implements PartDesign {
    @Override
    public <R> R as(Cases<R> cases) {
      return cases.heap(this);
    }
  }

  /**
   * One feeding of a heap.
   *
   * @param feedstock from the catalogue
   */
  record Fed(String feedstock, double kilograms, Instant at) {}

  /** What is pumped round. */
  enum Carries {
    WATER,
    AIR
  }

  /**
   * Water or air moved round between its ends.
   *
   * @param kilogramsPerSecond real flow
   * @param machineWatts of pump or fan
   */
  record Circuit(
      Carries carries,
      double kilogramsPerSecond,
      double machineWatts,
      List<EndDesign> ends,
      @Nullable ControlDesign control)
      implements PartDesign {
    @Override
    public <R> R as(Cases<R> cases) {
      return cases.circuit(this);
    }
  }

  /**
   * A heat pump.
   *
   * @param coldestCelsius at which its cold side is spared, absent for the usual
   * @param hottestCelsius that its warm side reaches, absent for the usual
   */
  record HeatPump(
      double watts,
      NodeDesign cold,
      NodeDesign hot,
      Double coldestCelsius,
      Double hottestCelsius,
      @Nullable ControlDesign control)
      implements PartDesign {
    @Override
    public <R> R as(Cases<R> cases) {
      return cases.heatPump(this);
    }
  }

  /** Hens, rabbits or other beasts that sleep in the house. */
  record Animals(int count, double kilogramsEach) implements PartDesign {
    @Override
    public <R> R as(Cases<R> cases) {
      return cases.animals(this);
    }
  }

  /** What a heat pump takes from or gives to. */
  enum Node {
    STORE,
    HOUSE_AIR,
    OUTDOOR_AIR,
    HELD
  }

  /**
   * One side of a heat pump.
   *
   * @param celsius of what does not grow warmer or colder, absent otherwise
   */
  record NodeDesign(Node node, @Nullable UUID storeId, Double celsius) {}

  /** Where a circuit's fluid gives or takes heat. */
  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = EndDesign.Through.class, name = "THROUGH"),
    @JsonSubTypes.Type(value = EndDesign.Tank.class, name = "TANK"),
    @JsonSubTypes.Type(value = EndDesign.Radiator.class, name = "RADIATOR"),
    @JsonSubTypes.Type(value = EndDesign.UnderFloor.class, name = "UNDER_FLOOR"),
    @JsonSubTypes.Type(value = EndDesign.HouseAir.class, name = "HOUSE_AIR"),
    @JsonSubTypes.Type(value = EndDesign.OutdoorAir.class, name = "OUTDOOR_AIR"),
    @JsonSubTypes.Type(value = EndDesign.Boiler.class, name = "BOILER"),
    @JsonSubTypes.Type(value = EndDesign.Collector.class, name = "COLLECTOR"),
    @JsonSubTypes.Type(value = EndDesign.Held.class, name = "HELD"),
  })
  sealed interface EndDesign {
    /** Whether it gives to the house or takes from it. */
    default boolean inHouse() {
      return this instanceof Radiator || this instanceof UnderFloor || this instanceof HouseAir;
    }

    /** Through a store by its coil, its stones or its pipes. */
    record Through(UUID storeId) implements EndDesign {}

    /** Water drawn from a tank and poured back; heights from 0 foot to 1 top. */
    record Tank(UUID storeId, double takenAt, double returnedAt) implements EndDesign {}

    record Radiator(double wattsPerKelvin) implements EndDesign {}

    record UnderFloor(double wattsPerKelvin) implements EndDesign {}

    record HouseAir() implements EndDesign {}

    record OutdoorAir() implements EndDesign {}

    /** Heated by heaters or fires that name this circuit. */
    record Boiler(double highestCelsius) implements EndDesign {}

    /**
     * In the sun.
     *
     * @param opticalShare of the sun that it takes in, standing cold
     * @param lossWattsPerSquareMetreKelvin 3 glazed to 12 bare
     */
    record Collector(double squareMetres, double opticalShare, double lossWattsPerSquareMetreKelvin)
        implements EndDesign {}

    /** A stream, a supply, something that does not grow warmer or colder. */
    record Held(double celsius) implements EndDesign {}
  }

  /** Its kind as it is written. */
  default String kind() {
    return getClass()
        .getSimpleName()
        .replaceAll("([a-z])([A-Z])", "$1_$2")
        .toUpperCase(Locale.ROOT);
  }

  /** Where its heat goes; empty for what is no common source. */
  default List<HeatTo> heats() {
    return List.of();
  }

  /** Every store that it names. */
  default Set<UUID> stores() {
    Set<UUID> all = new HashSet<>();
    heats().stream().filter(h -> h != null && h.to() == To.STORE).map(HeatTo::id).forEach(all::add);
    if (this instanceof Sunlight s) {
      all.add(s.storeId());
    } else if (this instanceof Heap h) {
      all.add(h.storeId());
    } else if (this instanceof HeatPump p) {
      Stream.of(p.cold(), p.hot())
          .filter(n -> n != null && n.node() == Node.STORE)
          .map(NodeDesign::storeId)
          .forEach(all::add);
    } else if (this instanceof Circuit c) {
      for (EndDesign e : c.ends() == null ? List.<EndDesign>of() : c.ends()) {
        if (e instanceof EndDesign.Through t) {
          all.add(t.storeId());
        } else if (e instanceof EndDesign.Tank t) {
          all.add(t.storeId());
        }
      }
    }
    all.remove(null);
    return all;
  }

  /** Where a control feels. */
  static SensorDesign inStore(UUID store) {
    return new SensorDesign(ControlDesign.Where.STORE, store, null, null);
  }
}
