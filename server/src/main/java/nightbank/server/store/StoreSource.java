package nightbank.server.store;

import nightbank.core.source.Hearth;
import nightbank.core.store.FaceName;
import nightbank.core.store.HeatStore;
import nightbank.server.shared.Problem;

/** What runs of a store are judged by of its source. */
final class StoreSource {
  private static final double USUAL_WOOD = 6; // kg
  private static final double TAKEN_UP = 0.85; // of sun, by a dull dark face

  private StoreSource() {}

  /** How its fire splits its heat: the grower's own split, else the hearth's. */
  static Hearth hearth(SourceDesign s) {
    Hearth hearth =
        Hearth.of(s == null || s.hearth() == null ? "" : s.hearth()).orElseGet(Hearth::bench);
    boolean own = s != null && s.toStore() != null && s.toRoom() != null;
    return own
        ? Problem.field("design.source.toStore", () -> split(hearth, s.toStore(), s.toRoom()))
        : hearth;
  }

  private static Hearth split(Hearth hearth, double store, double room) {
    if (!(store >= 0 && room >= 0 && store + room <= 1)) {
      throw new IllegalArgumentException("store and room cannot take more than the whole fire");
    }
    return hearth.withSplit(store, room);
  }

  /** kg of a fire of a store that burns wood, 0 of any other. */
  static double usualWood(SourceDesign s) {
    return s != null && s.kind() == SourceDesign.Kind.FIRE ? or(s.woodKilograms(), USUAL_WOOD) : 0;
  }

  /** m² that take all sun up; 0 where the sun charges nothing. */
  static double sunlit(SourceDesign s, HeatStore store) {
    return s != null && s.kind() == SourceDesign.Kind.SUN
        ? or(s.absorptance(), TAKEN_UP)
            * or(s.sunlitSquareMetres(), store.faceArea(FaceName.SIDE) * store.count() / 2)
        : 0;
  }

  private static double or(Double value, double otherwise) {
    return value == null ? otherwise : value;
  }
}
