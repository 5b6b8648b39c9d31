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
    return HouseDesignBuilder.builder()
        .shape(a.shape())
        .skin(parts)
        .volumeCubicMetres(shape.volume())
        .airChangesPerHour(a.airChangesPerHour())
        .gaps(List.of())
        .innerMassKg(shape.floorArea() * Usual.BENCHES_AND_POTS.value())
        .innerMassMedium("granite")
        .innerMassAreaSquareMetres(0.3 * shape.floorArea())
        .floorAreaSquareMetres(shape.floorArea())
        .perimeterMetres(shape.perimeter())
        .edgeInsulated(false)
        .ventAboveCelsius(null)
        .screenResistance(null)
        .fleece(false)
        .plantLimitCelsius(a.plantLimitCelsius())
        .groundCelsius(null)
        .shelter(null)
        .stand(null)
        .wetness(null)
        .learned(null)
        .build();
  }

  private static Part part(HouseShape.Side s, SkinMaterial skin, Houses.Answers a) {
    if (s.atBack()) {
      return HouseDesignPartBuilder.builder()
          .name(s.name())
          .looks(Looks.SHELTERED)
          .areaSquareMetres(s.areaSquareMetres())
          .transmittance(Usual.BACK_WALL_TRANSMITTANCE.value())
          .material("stone-wall")
          .tiltDegrees(90.0)
          .azimuthDegrees(s.azimuthDegrees())
          .beyondCelsius(a.backCelsius())
          .secondSkin(false)
          .wallMedium("granite")
          .wallMetres(Usual.BACK_WALL_THICKNESS.value())
          .build();
    }
    return HouseDesignPartBuilder.builder()
        .name(s.name())
        .looks(s.tiltDegrees() < 75 ? Looks.UP : Looks.OUT)
        .areaSquareMetres(s.areaSquareMetres())
        .transmittance(skin.uValue().value())
        .material(skin.id())
        .tiltDegrees(s.tiltDegrees())
        .azimuthDegrees(s.azimuthDegrees())
        .beyondCelsius(null)
        .secondSkin(false)
        .wallMedium(null)
        .wallMetres(null)
        .build();
  }
}
