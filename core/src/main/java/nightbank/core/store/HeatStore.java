package nightbank.core.store;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import java.util.stream.Stream;
import nightbank.core.medium.Medium;

/**
 * What a body of stored heat is: its mass, container faces, place and probes. Immutable.
 *
 * @param count how many equal bodies stand in the row
 * @param floorCelsius below it the store no longer helps
 * @param zone where heat enters
 * @param carrier what carries heat through it, where there is such a thing
 * @param fills other media in parts of it; of solids alone
 */
@RecordBuilder
public record HeatStore(
    Geometry geometry,
    int count,
    Medium medium,
    Map<FaceName, Face> faces,
    Place place,
    double floorCelsius,
    HeatedZone zone,
    List<Probe> probes,
    Optional<StoreCircuit> carrier,
    List<Fill> fills) {

  private static final double CORNERS = 0.6; // of a shell's outer corners, edges by 0.54 k L
  private static final double LAYERED = 0.5; // m³; smaller bodies mix by their own convection

  public HeatStore {
    Objects.requireNonNull(geometry);
    Objects.requireNonNull(medium);
    if (count < 1 || count > 1000) {
      throw new IllegalArgumentException("count must lie between 1 and 1000, was " + count);
    }
    if (!(floorCelsius >= -30 && floorCelsius <= 100)) {
      throw new IllegalArgumentException(
          "floor temperature must lie between -30 and 100 °C, was " + floorCelsius + " °C");
    }
    var all = new EnumMap<FaceName, Face>(FaceName.class);
    for (FaceName name : FaceName.values()) {
      all.put(name, faces.getOrDefault(name, Face.bare()));
    }
    faces = Map.copyOf(all);
    probes = List.copyOf(probes);
    fills = List.copyOf(fills);
    if (!fills.isEmpty()
        && (medium.kind() == Medium.Kind.WATER
            || carrier.filter(c -> c.passage() instanceof HeatExchanger.Bed).isPresent())) {
      throw new IllegalArgumentException("only a solid body has other media in parts of it");
    }
    for (int i = 0; i < fills.size(); i++) {
      for (int k = 0; k < i; k++) {
        if (fills.get(i).where().meets(fills.get(k).where())) {
          throw new IllegalArgumentException(
              "%s and %s lie in the same part of it"
                  .formatted(fills.get(k).medium().name(), fills.get(i).medium().name()));
        }
      }
    }
  }

  /** A store of one medium. */
  public HeatStore(
      Geometry geometry,
      int count,
      Medium medium,
      Map<FaceName, Face> faces,
      Place place,
      double floorCelsius,
      HeatedZone zone,
      List<Probe> probes,
      Optional<StoreCircuit> carrier) {
    this(geometry, count, medium, faces, place, floorCelsius, zone, probes, carrier, List.of());
  }

  /** A store that nothing is led through. */
  public HeatStore(
      Geometry geometry,
      int count,
      Medium medium,
      Map<FaceName, Face> faces,
      Place place,
      double floorCelsius,
      HeatedZone zone,
      List<Probe> probes) {
    this(geometry, count, medium, faces, place, floorCelsius, zone, probes, Optional.empty());
  }

  public static HeatStore of(Geometry geometry, Medium medium, Map<FaceName, Face> faces) {
    return new HeatStore(
        geometry,
        1,
        medium,
        faces,
        Place.inHouse(),
        5,
        HeatedZone.rod(),
        List.of(),
        Optional.empty());
  }

  public HeatStore withCount(int newCount) {
    return HeatStoreBuilder.builder(this).count(newCount).build();
  }

  public HeatStore withMedium(Medium newMedium) {
    return HeatStoreBuilder.builder(this).medium(newMedium).build();
  }

  public HeatStore withFaces(Map<FaceName, Face> newFaces) {
    return HeatStoreBuilder.builder(this).faces(newFaces).build();
  }

  /** The same store with one face changed. */
  public HeatStore withFace(FaceName name, Face face) {
    var changed = new EnumMap<FaceName, Face>(faces);
    changed.put(name, face);
    return withFaces(changed);
  }

  /** All faces let through so many times as much. */
  public HeatStore withFacesTimes(double factor) {
    return withFacesTimes(name -> factor);
  }

  /** The same with the transmittance of each face times a factor of its own. */
  public HeatStore withFacesTimes(ToDoubleFunction<FaceName> factor) {
    var changed = new EnumMap<FaceName, Face>(FaceName.class);
    faces.forEach((name, face) -> changed.put(name, face.times(factor.applyAsDouble(name))));
    return withFaces(changed);
  }

  public HeatStore withPlace(Place newPlace) {
    return HeatStoreBuilder.builder(this).place(newPlace).build();
  }

  public HeatStore withFloorCelsius(double celsius) {
    return HeatStoreBuilder.builder(this).floorCelsius(celsius).build();
  }

  public HeatStore withZone(HeatedZone newZone) {
    return HeatStoreBuilder.builder(this).zone(newZone).build();
  }

  public HeatStore withProbes(List<Probe> newProbes) {
    return HeatStoreBuilder.builder(this).probes(newProbes).build();
  }

  public HeatStore withCarrier(StoreCircuit newCarrier) {
    return HeatStoreBuilder.builder(this).carrier(Optional.of(newCarrier)).build();
  }

  public HeatStore withFills(List<Fill> newFills) {
    return HeatStoreBuilder.builder(this).fills(newFills).build();
  }

  /** All of its media with density and conductivity multiplied, for ensembles and fits. */
  public HeatStore scaled(double densityFactor, double conductivityFactor) {
    return HeatStoreBuilder.builder(this)
        .medium(medium.scaled(densityFactor, conductivityFactor))
        .fills(fills.stream().map(f -> f.scaled(densityFactor, conductivityFactor)).toList())
        .build();
  }

  /** What it is filled with, its own medium first. */
  public List<Medium> media() {
    return Stream.concat(Stream.of(medium), fills.stream().map(Fill::medium)).distinct().toList();
  }

  /** Media that its source heats, or that lie round what it heats. */
  public List<Medium> heatedMedia() {
    return Stream.concat(
            Stream.of(medium), fills.stream().filter(f -> f.where().meets(zone)).map(Fill::medium))
        .distinct()
        .toList();
  }

  /** Whether any of it holds water that heat can drive off. */
  public boolean dries() {
    return media().stream().anyMatch(Medium::dries);
  }

  /** Volume of a medium in all bodies, m³. */
  public double volumeOf(Medium of) {
    double volume = of.equals(medium) ? ownVolume() : 0;
    for (Fill f : fills) {
      volume += f.medium().equals(of) ? f.where().volumeShare(geometry) * geometry.volume() : 0;
    }
    return volume * count;
  }

  /** Of what a kilogram has, all of it. */
  private double overMedia(ToDoubleFunction<Medium> perKilogram) {
    if (fills.isEmpty()) {
      double kilograms = count * geometry.volume() * medium.density().value();
      return kilograms * perKilogram.applyAsDouble(medium);
    }
    double sum = 0;
    for (Medium m : media()) {
      sum += volumeOf(m) * m.density().value() * perKilogram.applyAsDouble(m);
    }
    return sum;
  }

  /** What no fill takes of one body, m³. */
  private double ownVolume() {
    double share = 1;
    for (Fill f : fills) {
      share -= f.where().volumeShare(geometry);
    }
    return Math.max(0, share) * geometry.volume();
  }

  /** Loose stones that air is blown through. */
  public boolean isBed() {
    return carrier.isPresent() && carrier.get().passage() instanceof HeatExchanger.Bed;
  }

  /** W/K through all faces of all bodies, evenly at one temperature in surroundings of one. */
  public double lossCoefficient(double celsius, double beyond) {
    double sum = 0;
    for (FaceName name : FaceName.values()) {
      sum += transmittance(name, celsius, beyond) * faceArea(name) * count;
    }
    return sum;
  }

  /** What leaves it leaves by the layer: water from its top, a bed of stones by its own draught. */
  public boolean isDrawnByLayers() {
    return isBed() || medium.kind() == Medium.Kind.WATER;
  }

  /** Water that settles in layers: bodies of half a cubic metre or more. */
  public boolean isLayered() {
    return medium.kind() == Medium.Kind.WATER && geometry.volume() >= LAYERED;
  }

  public Face face(FaceName name) {
    return Objects.requireNonNull(faces.get(name));
  }

  public double faceArea(FaceName name) {
    return name == FaceName.SIDE ? geometry.sideArea() : geometry.endArea();
  }

  /** Mass of all bodies, kg. */
  public double mass() {
    return overMedia(m -> 1);
  }

  /** Load on the floor under the mass, kg/m². */
  public double massPerFloorArea() {
    return mass() / (count * geometry.endArea());
  }

  /** Heat capacity of all bodies at a temperature, J/K. */
  public double heatCapacity(double celsius) {
    return overMedia(m -> m.enthalpy().specificHeat(celsius));
  }

  /**
   * Usable energy of all bodies if evenly at one temperature, J; never below zero.
   *
   * @see nightbank.core.store.model.StoreState#usableEnergy(HeatStore)
   */
  public double usableEnergyAt(double celsius) {
    return Math.max(0, overMedia(m -> m.enthalpy().between(floorCelsius, celsius)));
  }

  /**
   * A face's surface, °C; NaN where no room's air meets it.
   *
   * @param massCelsius where the mass ends
   * @param air of the room
   */
  public double surfaceCelsius(FaceName name, double massCelsius, double air) {
    Place.Beyond what = place.beyond(name);
    return what == Place.Beyond.HOUSE_AIR || what == Place.Beyond.ROOM_AIR
        ? face(name).outerCelsius(massCelsius, air, name, Math.sqrt(geometry.endArea()))
        : Double.NaN;
  }

  /**
   * Transmittance of a face to what lies beyond it, the path through soil included.
   *
   * @see GroundPath
   * @return W/(m² K)
   */
  public double transmittance(FaceName name, double massSurface, double beyond) {
    Face face = face(name);
    Place.Beyond what = place.beyond(name);
    boolean earth = what == Place.Beyond.HOUSE_SOIL || what == Place.Beyond.GROUND;
    if (!earth || face.fixedTransmittance() > 0) {
      return face.transmittance(massSurface, beyond, name, Math.sqrt(geometry.endArea()));
    }
    double film = place.where() == Place.Where.OUTDOORS ? GroundPath.OUTDOORS : GroundPath.INDOORS;
    boolean upright = name == FaceName.SIDE;
    if (place.footing() == Place.Footing.BURIED) {
      return face.factor() * buried(face, massSurface, beyond, upright, film);
    }
    if (name != FaceName.FOOT) {
      double cover = place.coverMetres() / place.groundConductivity() + 1 / film;
      return face.factor() * face.throughLayers(massSurface, beyond, upright, cover);
    }
    double end = geometry.endArea();
    double radius = Math.sqrt(end / Math.PI);
    double layers = face.layerResistance(massSurface, 0, false, massSurface > beyond);
    double soil = GroundPath.belowDisc(radius, place.groundConductivity(), film, layers);
    return face.factor() * face.throughLayers(massSurface, beyond, false, end / soil);
  }

  /** Layers grow outwards, so that their mean area is larger than the mass's own. */
  private double buried(Face face, double surface, double beyond, boolean upright, double film) {
    double side = face(FaceName.SIDE).thicknessMetres();
    double top = face(FaceName.TOP).thicknessMetres();
    double foot = face(FaceName.FOOT).thicknessMetres();
    double inner = geometry.sideArea() + 2 * geometry.endArea();
    double outer = inner + 2 * side * geometry.perimeter() + 7 * side * geometry.heightMetres();
    outer += (top + foot) * geometry.perimeter();
    double k = place.groundConductivity();
    double soil;
    if (carrier.isPresent() && carrier.get().passage() instanceof HeatExchanger.Bore) {
      double r = geometry.halfWidth();
      soil = GroundPath.lying(r, geometry.heightMetres(), place.coverMetres() + r, k, film);
    } else {
      double depth = place.coverMetres() + top + geometry.heightMetres() / 2;
      soil = GroundPath.round(outer, depth, k, film);
    }
    double grown = 1 + CORNERS * (outer - inner) / (2 * inner);
    return grown * face.throughLayers(surface, beyond, upright, grown * inner / soil);
  }
}
