package nightbank.server.store;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;
import nightbank.core.store.FaceName;
import nightbank.core.store.Place;
import org.jspecify.annotations.Nullable;

/**
 * A store as its keeper describes it; SI, lengths in metres.
 *
 * @param diameterMetres of a cylinder
 * @param measuredDensity kg/m³, absent to take the table's
 * @param measuredSpecificHeat J/(kg K), absent to take the table's
 * @param measuredConductivity W/(m K), absent to take the table's
 * @param place where it stands
 * @param chargeToCelsius mean temperature it can be charged to
 * @param zone the part that its sources heat, absent for all of it
 * @param led what carries heat through it, absent when nothing does
 * @param build what it is made of besides, absent when nobody said
 * @param lidOff hours in which its top stands open every day, absent when it stays on
 * @param fills other media in parts of it, absent for none
 */
@RecordBuilder
@RecordBuilder.Options(buildMethodName = "made")
public record StoreDesign(
    Shape shape,
    Double diameterMetres,
    Double lengthMetres,
    Double widthMetres,
    double heightMetres,
    int count,
    String medium,
    Double measuredDensity,
    Double measuredSpecificHeat,
    Double measuredConductivity,
    FaceDesign side,
    FaceDesign top,
    FaceDesign foot,
    PlaceDesign place,
    double floorCelsius,
    double chargeToCelsius,
    @Nullable ZoneDesign zone,
    @Nullable FluidCircuitDesign led,
    @Nullable Build build,
    @Nullable LidHours lidOff,
    @Nullable List<FillDesign> fills) {
  public StoreDesign {
    side = side == null ? FaceDesign.BARE : side;
    top = top == null ? FaceDesign.BARE : top;
    foot = foot == null ? FaceDesign.BARE : foot;
  }

  /**
   * Another medium in a part of the body, or a hollow.
   *
   * @param medium from the catalogue or the book, absent for a hollow
   * @param reachFraction from the middle out, of the half width; 1 for a layer all across
   * @param lowFraction of the height, from the foot
   */
  public record FillDesign(
      @Nullable String medium, double reachFraction, double lowFraction, double highFraction) {}

  /**
   * Where a body stands.
   *
   * @param openToHouse faces of a body outside that look into the house all the same, absent for
   *     none
   * @param coverMetres of earth over what is buried or earth-covered, absent for the usual
   * @param roomCelsius of another room, absent elsewhere
   * @param groundConductivity of the soil, W/(m K), absent for the usual
   */
  public record PlaceDesign(
      Place.Where where,
      Place.Footing footing,
      @Nullable List<FaceName> openToHouse,
      @Nullable Double coverMetres,
      @Nullable Double roomCelsius,
      @Nullable Double groundConductivity) {}

  /** Whether it is filled with or wrapped in any of these. */
  boolean isOf(Set<String> materials) {
    return materials.contains(medium)
        || fills != null && fills.stream().anyMatch(f -> materials.contains(f.medium()))
        || Stream.of(side, top, foot)
            .map(FaceDesign::layers)
            .filter(Objects::nonNull)
            .flatMap(List::stream)
            .anyMatch(l -> l.material() != null && materials.contains(l.material()));
  }

  /** Whether any face of it looks into the house. */
  public boolean reachesHouse() {
    return indoors()
        || place != null && place.openToHouse() != null && !place.openToHouse().isEmpty();
  }

  /** Whether it stands in the house or under its floor. */
  public boolean indoors() {
    return place != null && place.where() == Place.Where.HOUSE;
  }

  /** Upright bodies; pipes in the ground are cylinders that lie along their pipe. */
  public enum Shape {
    CYLINDER,
    BOX
  }

  /**
   * Layers from the mass outwards.
   *
   * @param measuredTransmittance W/(m² K) in place of the layers, absent as a rule
   */
  public record FaceDesign(List<LayerDesign> layers, @Nullable Double measuredTransmittance) {
    public static final FaceDesign BARE = new FaceDesign(List.of(), null);
  }

  /**
   * One layer.
   *
   * @param material from the catalogue for BULK
   * @param emissivity of the shinier side for GAP
   */
  public record LayerDesign(
      LayerKind kind,
      @Nullable String material,
      double thicknessMetres,
      boolean wet,
      @Nullable Double emissivity) {}

  /** Bulk material, or a closed air gap behind foil. */
  public enum LayerKind {
    BULK,
    GAP
  }

  /**
   * A stream led through the store.
   *
   * @param lengthMetres of a coil's pipe in one body
   * @param diameterMetres of coil or bore
   * @param wallMetres of a coil's pipe
   * @param spacingMetres from turn to turn
   * @param grainMetres of stones that air is blown through
   * @param pipe part that the coil is made of, from the catalogue
   * @param pumped absent or true when pump or fan moves it; false to trust to rising water
   */
  public record FluidCircuitDesign(
      Way way,
      Carrying carrying,
      Double lengthMetres,
      Double diameterMetres,
      Double wallMetres,
      Double spacingMetres,
      Double grainMetres,
      @Nullable String pipe,
      Boolean pumped) {}

  /**
   * The part of a body that is heated.
   *
   * @param reachFraction how far from the middle, in fractions of the half width
   * @param behind the face that flame or sun strikes, in place of a core
   */
  public record ZoneDesign(
      double reachFraction, double lowFraction, double highFraction, @Nullable FaceName behind) {}

  /** How a stream goes through. */
  public enum Way {
    COIL,
    STONES,
    BORE
  }

  /** What streams. */
  public enum Carrying {
    WATER,
    AIR
  }

  /**
   * What else the rules ask about.
   *
   * @param parts pipes, vessels and glues by their ids in the catalogue
   * @param closedVessel no way out for steam
   * @param closedCoil neither open vent nor relief valve
   * @param bathed somebody bathes in the water
   */
  public record Build(
      List<String> parts,
      @Nullable Boolean closedVessel,
      @Nullable Boolean closedCoil,
      @Nullable Boolean bathed) {}
}
