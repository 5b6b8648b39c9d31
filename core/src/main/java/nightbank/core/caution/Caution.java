package nightbank.core.caution;

import java.util.List;
import nightbank.core.unit.Figure;

/**
 * A warning with its reason and what to do. Local codes and licensed trades come first.
 *
 * @param of the part or face that it concerns, blank for the whole
 * @param figures that reason and remedy speak of, in the order of their places
 */
public record Caution(
    Code code, Weight weight, String of, String reason, String remedy, List<Figure> figures) {

  /** How much hangs on it. */
  public enum Weight {
    /** People may be hurt. */
    DANGER,
    /** Things may break. */
    DAMAGE,
    /** It will not work as hoped. */
    NOTE
  }

  /** What is warned of. */
  public enum Code {
    TOO_HOT_FOR_MEDIUM,
    TOO_HOT_FOR_LAYER,
    TOO_HOT_FOR_PART,
    NEVER_CHARGED,
    SLOW_INSIDE,
    TIMBER_DISTANCE,
    DRYING_ON_METAL,
    CARBON_MONOXIDE,
    BACK_DRAUGHT,
    FLUE_BY_CODE,
    CHIMNEY_FIRE,
    HOT_FACES,
    DAMP_MUST_VENT,
    CLOSED_COIL,
    STEAM_SCALDS,
    GLOWING_CORE,
    FROST_BURSTS,
    LEGIONELLA,
    WATER_AND_MAINS,
    FLOOR_LOAD,
    MAY_TIP,
    LIME_BURNS,
    FINS_AND_REFRIGERANT,
    HEAP_GAS,
    HEAP_SPORES,
    HEAP_SELF_HEATING,
    GROUND_AIR,
    LIFTING,
    NO_THERMOSIPHON,
    COIL_DOES_NOT_FIT,
    NO_ROOM
  }
}
