package nightbank.core.store;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import nightbank.core.medium.Enthalpy;
import nightbank.core.medium.Medium;

/**
 * What a body of stored heat is: its mass, container faces, place and probes. Immutable.
 *
 * @param count how many equal bodies stand in the row
 * @param floorCelsius below it the store no longer helps
 * @param zone where heat enters
 * @param carrier what carries heat through it, where there is such a thing
 */
public record HeatStore(
    Geometry geometry,
    int count,
    Medium medium,
    Map<FaceName, Face> faces,
    Place place,
    double floorCelsius,
    HeatedZone zone,
    List<Probe> probes,
    Optional<StoreCircuit> carrier) {

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
    return new HeatStore(
        geometry, newCount, medium, faces, place, floorCelsius, zone, probes, carrier);
  }

  public HeatStore withMedium(Medium newMedium) {
    return new HeatStore(
        geometry, count, newMedium, faces, place, floorCelsius, zone, probes, carrier);
  }

  public HeatStore withFaces(Map<FaceName, Face> newFaces) {
    return new HeatStore(
        geometry, count, medium, newFaces, place, floorCelsius, zone, probes, carrier);
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
    return new HeatStore(
        geometry, count, medium, faces, newPlace, floorCelsius, zone, probes, carrier);
  }

  public HeatStore withFloorCelsius(double celsius) {
    return new HeatStore(geometry, count, medium, faces, place, celsius, zone, probes, carrier);
  }

  public HeatStore withZone(HeatedZone newZone) {
    return new HeatStore(
        geometry, count, medium, faces, place, floorCelsius, newZone, probes, carrier);
  }

  public HeatStore withProbes(List<Probe> newProbes) {
    return new HeatStore(
        geometry, count, medium, faces, place, floorCelsius, zone, newProbes, carrier);
  }

  public HeatStore withCarrier(StoreCircuit newCarrier) {
    return new HeatStore(
        geometry, count, medium, faces, place, floorCelsius, zone, probes, Optional.of(newCarrier));
  }

  /** Loose stones that air is blown through. */
  public boolean isBed() {
    return carrier.isPresent() && carrier.get().passage() instanceof HeatExchanger.Bed;
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
    return count * geometry.volume() * medium.density().value();
  }

  /** Load on the floor under the mass, kg/m². */
  public double massPerFloorArea() {
    return geometry.heightMetres() * medium.density().value();
  }

  /** Heat capacity of all bodies at a temperature, J/K. */
  public double heatCapacity(double celsius) {
    return mass() * medium.enthalpy().specificHeat(celsius);
  }

  /**
   * Usable energy of all bodies if evenly at one temperature, J; never below zero.
   *
   * @see nightbank.core.store.model.StoreState#usableEnergy(HeatStore)
   */
  public double usableEnergyAt(double celsius) {
    Enthalpy h = medium.enthalpy();
    return Math.max(0, mass() * h.between(floorCelsius, celsius));
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
