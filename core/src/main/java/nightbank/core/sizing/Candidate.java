package nightbank.core.sizing;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nightbank.core.caution.PartLimit;
import nightbank.core.medium.InsulationMaterial;
import nightbank.core.medium.Medium;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.Layer;
import nightbank.core.store.Place;

/**
 * One body that may be set up as often as the night needs it.
 *
 * @param one a single body
 * @param wrapMillimetres of wool on side and top, 0 for bare
 * @param fullCelsius mean at dusk after a day's charge
 */
public record Candidate(
    ContainerKind container,
    Medium medium,
    double wrapMillimetres,
    HeatStore one,
    double fullCelsius,
    List<PartLimit> parts) {
  private static final InsulationMaterial WOOL =
      MediumCatalogue.insulation("stone-wool").orElseThrow();

  /**
   * How stores are charged in this house.
   *
   * @param waterCelsius that water can be brought to
   * @param solidCelsius that sand and stone can be brought to
   */
  public record Reach(double waterCelsius, double solidCelsius) {}

  Candidate with(HeatStore other) {
    return new Candidate(container, medium, wrapMillimetres, other, fullCelsius, parts);
  }

  /** Every pairing of container and medium that makes sense, bare and wrapped. */
  public static List<Candidate> all(
      List<Medium> media, double[] wraps, Reach reach, double floorCelsius, Place place) {
    List<Candidate> all = new ArrayList<>();
    for (ContainerKind c : ContainerKind.all()) {
      for (Medium m : media) {
        if (c.holds(m)) {
          for (double wrap : wraps) {
            all.add(of(c, m, wrap, reach, floorCelsius, place));
          }
        }
      }
    }
    return all;
  }

  private static Candidate of(
      ContainerKind c, Medium m, double wrap, Reach reach, double floorCelsius, Place place) {
    boolean water = m.kind() == Medium.Kind.WATER;
    double aim = water ? reach.waterCelsius() : reach.solidCelsius();
    double stands = c.vessel().map(PartLimit::highestCelsius).orElse(m.highestCelsius().value());
    double full = Math.min(aim, Math.min(stands, m.highestCelsius().value()));
    Face face = wrap > 0 ? Face.of(new Layer.Bulk(WOOL, wrap / 1000, false)) : Face.bare();
    HeatStore one =
        new HeatStore(
            c.geometry(),
            1,
            m,
            Map.of(FaceName.SIDE, face, FaceName.TOP, face, FaceName.FOOT, Face.bare()),
            place,
            floorCelsius,
            water ? HeatedZone.everywhere() : HeatedZone.rod(),
            List.of(),
            Optional.empty());
    return new Candidate(c, m, wrap, one, full, c.vessel().stream().toList());
  }
}
