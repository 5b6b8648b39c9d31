package nightbank.server.store;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import nightbank.core.medium.Medium;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.Fill;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.Layer;
import nightbank.core.store.Place;
import nightbank.core.store.Probe;
import nightbank.core.store.StoreCircuit;
import nightbank.core.usual.Usual;
import nightbank.server.book.Materials;
import nightbank.server.shared.Problem;
import nightbank.server.store.StoreDesign.FaceDesign;
import nightbank.server.store.StoreDesign.FillDesign;
import nightbank.server.store.StoreDesign.LayerDesign;
import nightbank.server.store.StoreDesign.LayerKind;
import org.jspecify.annotations.Nullable;

/** Designs to core records; every refusal names its field. */
final class StoreMapping {

  private static final int MOST_FILLS = 6;

  private StoreMapping() {}

  static HeatStore toCore(StoreDesign d, List<ProbeView> probes, Materials book) {
    if (d == null || d.shape() == null) {
      throw Problem.invalid("design.shape", "The shape is missing.", "Choose round or box.");
    }
    LidHours.check(d);
    Geometry geometry = geometry(d);
    Medium medium = medium("design.medium", d.medium(), book);
    Medium measured =
        Problem.field(
            "design.medium",
            () ->
                medium.measured(
                    d.measuredDensity(), d.measuredSpecificHeat(), d.measuredConductivity()));
    var faces =
        Map.of(
            FaceName.SIDE, face("design.side", d.side(), book),
            FaceName.TOP, face("design.top", d.top(), book),
            FaceName.FOOT, face("design.foot", d.foot(), book));
    HeatedZone zone = zone(d.zone());
    Place place = place(d.place());
    Optional<StoreCircuit> carrier = StoreCircuitMapping.toCore(d.led());
    List<Probe> placed = new ArrayList<>();
    for (ProbeView p : probes) {
      if (p.kind() == ProbeView.Kind.STORE) {
        placed.add(
            Problem.field(
                "probes",
                () -> new Probe(p.id().toString(), p.radiusFraction(), p.heightFraction())));
      }
    }
    List<Fill> fills = fills(d, book);
    HeatStore plain =
        Problem.field(
            d.count() < 1 || d.count() > 1000 ? "design.count" : "design.floorCelsius",
            () ->
                new HeatStore(
                    geometry,
                    d.count(),
                    measured,
                    faces,
                    place,
                    d.floorCelsius(),
                    zone,
                    placed,
                    carrier));
    return Problem.field("design.fills", () -> plain.withFills(fills));
  }

  private static Place place(StoreDesign.PlaceDesign p) {
    if (p == null || p.where() == null || p.footing() == null) {
      throw Problem.invalid(
          "design.place",
          "Nobody has said where it stands.",
          "Choose in the house, outdoors or in another room, and what it rests on.");
    }
    return Problem.field(
        "design.place",
        () ->
            new Place(
                p.where(),
                p.footing(),
                p.openToHouse() == null ? Set.of() : Set.copyOf(p.openToHouse()),
                or(p.groundConductivity(), Place.SOIL),
                or(p.coverMetres(), Place.USUAL_COVER),
                Usual.ROOM.or(p.roomCelsius())));
  }

  private static double or(@Nullable Double given, double usual) {
    return given == null ? usual : given;
  }

  private static HeatedZone zone(StoreDesign.@Nullable ZoneDesign z) {
    if (z == null) {
      return HeatedZone.everywhere();
    }
    return z.behind() != null
        ? HeatedZone.behind(z.behind())
        : Problem.field(
            "design.zone",
            () -> new HeatedZone(z.reachFraction(), z.lowFraction(), z.highFraction()));
  }

  private static Geometry geometry(StoreDesign d) {
    if (d.shape() == StoreDesign.Shape.CYLINDER) {
      return Problem.field(
          "design.diameterMetres",
          () -> new Geometry.Cylinder(number(d.diameterMetres()) / 2, d.heightMetres()));
    }
    return Problem.field(
        "design.lengthMetres",
        () ->
            new Geometry.Box(number(d.lengthMetres()), number(d.widthMetres()), d.heightMetres()));
  }

  private static double number(Double value) {
    return value == null ? Double.NaN : value;
  }

  private static Medium medium(String field, @Nullable String id, Materials book) {
    return book.medium(id)
        .orElseThrow(
            () ->
                Problem.invalid(
                    field, "There is no medium called " + id + ".", "Choose one from the list."));
  }

  private static List<Fill> fills(StoreDesign d, Materials book) {
    List<FillDesign> given = d.fills() == null ? List.of() : d.fills();
    if (given.size() > MOST_FILLS) {
      throw Problem.invalid(
          "design.fills", "More than " + MOST_FILLS + " fills.", "Put like ones together.");
    }
    List<Fill> fills = new ArrayList<>();
    for (int i = 0; i < given.size(); i++) {
      FillDesign f = given.get(i);
      String field = "design.fills." + i;
      Medium of = f.medium() == null ? Fill.HOLLOW : medium(field, f.medium(), book);
      fills.add(
          Problem.field(
              field,
              () ->
                  new Fill(
                      of, new HeatedZone(f.reachFraction(), f.lowFraction(), f.highFraction()))));
    }
    return fills;
  }

  private static Face face(String field, FaceDesign design, Materials book) {
    if (design == null) {
      return Face.bare();
    }
    Double measured = design.measuredTransmittance();
    if (measured != null && measured != 0) {
      return Problem.field(field, () -> Face.measured(measured));
    }
    List<Layer> layers = new ArrayList<>();
    List<LayerDesign> given = design.layers() == null ? List.of() : design.layers();
    if (given.size() > 12) {
      throw Problem.invalid(field, "More than twelve layers.", "Put like layers together.");
    }
    for (LayerDesign l : given) {
      layers.add(
          Problem.field(
              field,
              () ->
                  l.kind() == LayerKind.GAP
                      ? new Layer.ReflectiveGap(
                          l.thicknessMetres(),
                          Usual.DULL_EMISSIVITY.or(l.emissivity()),
                          Usual.DULL_EMISSIVITY.value())
                      : new Layer.Bulk(
                          book.insulation(l.material())
                              .orElseThrow(
                                  () ->
                                      new IllegalArgumentException(
                                          "there is no layer material called " + l.material())),
                          l.thicknessMetres(),
                          l.wet())));
    }
    return Face.of(layers.toArray(Layer[]::new));
  }
}
