package nightbank.server.store;

import java.util.List;

/**
 * A store as its keeper describes it; SI, lengths in metres.
 *
 * @param diameterMetres of a cylinder
 * @param measuredDensity kg/m³, absent to take the table's
 * @param measuredSpecificHeat J/(kg K), absent to take the table's
 * @param measuredConductivity W/(m K), absent to take the table's
 * @param chargeToCelsius mean temperature it can be charged to
 */
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
    boolean indoors,
    boolean onGround,
    double floorCelsius,
    double chargeToCelsius,
    Source source) {

  /** Upright bodies. */
  public enum Shape {
    CYLINDER,
    BOX
  }

  /**
   * Layers from the mass outwards.
   *
   * @param measuredTransmittance W/(m² K) in place of the layers, absent as a rule
   */
  public record FaceDesign(List<LayerDesign> layers, Double measuredTransmittance) {}

  /**
   * One layer.
   *
   * @param material from the catalogue for BULK
   * @param emissivity of the shinier side for GAP
   */
  public record LayerDesign(
      LayerKind kind, String material, double thicknessMetres, boolean wet, Double emissivity) {}

  /** Bulk material, or a closed air gap behind foil. */
  public enum LayerKind {
    BULK,
    GAP
  }

  /**
   * Where heat comes from.
   *
   * @param powerWatts 0 when nobody knows
   * @param reachFraction how far from the middle it heats, in fractions of the half width
   */
  public record Source(
      SourceKind kind,
      double powerWatts,
      double reachFraction,
      double lowFraction,
      double highFraction) {}

  /** Kinds of charge. */
  public enum SourceKind {
    NONE,
    ELEMENT,
    FIRE,
    WATER_LOOP,
    WARM_AIR,
    SUN,
    HEAP
  }
}
