package nightbank.server.house;

import java.util.List;
import nightbank.core.house.HouseShape;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.medium.SkinMaterial;
import nightbank.core.usual.Usual;
import nightbank.server.house.HouseDesign.Looks;
import nightbank.server.house.HouseDesign.Part;
import nightbank.server.shared.Problem;

/** A whole design from a few answers: shape, covering, how tight, what the plants stand. */
final class ShapedHouse {

  private ShapedHouse() {}

  static HouseDesign of(Houses.Answers a) {
    HouseShape shape = HouseMapping.shape(a.shape());
    SkinMaterial skin =
        MediumCatalogue.skin(a.material() == null ? "" : a.material())
            .orElseThrow(
                () ->
                    Problem.invalid(
                        "material", "There is no such covering.", "Choose one from the list."));
    List<Part> parts =
        shape.sides(a.shape().frontDegrees()).stream().map(s -> part(s, skin, a)).toList();
    return new HouseDesign(
        a.shape(),
        parts,
        shape.volume(),
        a.airChangesPerHour(),
        List.of(),
        shape.floorArea() * Usual.BENCHES_AND_POTS.value(),
        "granite",
        0.3 * shape.floorArea(),
        shape.floorArea(),
        shape.perimeter(),
        false,
        null,
        null,
        false,
        a.plantLimitCelsius(),
        null,
        null,
        null,
        null,
        null);
  }

  private static Part part(HouseShape.Side s, SkinMaterial skin, Houses.Answers a) {
    if (s.atBack()) {
      return new Part(
          s.name(),
          Looks.SHELTERED,
          s.areaSquareMetres(),
          Usual.BACK_WALL_TRANSMITTANCE.value(),
          "stone-wall",
          90.0,
          s.azimuthDegrees(),
          a.backCelsius(),
          false,
          "granite",
          Usual.BACK_WALL_THICKNESS.value());
    }
    return new Part(
        s.name(),
        s.tiltDegrees() < 75 ? Looks.UP : Looks.OUT,
        s.areaSquareMetres(),
        skin.uValue().value(),
        skin.id(),
        s.tiltDegrees(),
        s.azimuthDegrees(),
        null,
        false,
        null,
        null);
  }
}
