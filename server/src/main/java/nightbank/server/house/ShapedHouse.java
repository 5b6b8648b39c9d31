package nightbank.server.house;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import nightbank.core.house.Floor;
import nightbank.core.house.HouseShape;
import nightbank.core.house.Keeps;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.medium.SkinMaterial;
import nightbank.core.usual.Usual;
import nightbank.server.house.HouseDesign.Looks;
import nightbank.server.house.HouseDesign.Part;
import nightbank.server.shared.Problem;
import org.jspecify.annotations.Nullable;

/** A whole design from a few answers: shape, covering, how tight, what the plants stand. */
final class ShapedHouse {
  private static final String GLASS = "double-glass";

  /** Walls as the table of skins names them, m thick. */
  private static final Map<String, Heavy> HEAVY =
      Map.of(
          "stone-wall", new Heavy("granite", Usual.BACK_WALL_THICKNESS.value()),
          "brick-wall", new Heavy("brick", 0.23),
          "earth-wall", new Heavy("cob", 0.4));

  /** What a heavy wall is built of, and how thick. */
  private record Heavy(String medium, double metres) {}

  private ShapedHouse() {}

  static HouseDesign of(Houses.Answers a) {
    HouseShape shape = HouseMapping.shape(a.shape());
    SkinMaterial skin = skin(a.material());
    List<Part> parts = new ArrayList<>();
    boolean room = a.room() != null && a.shape().kind() == HouseDesign.Shape.Kind.ROOM;
    for (HouseShape.Side s : shape.sides(a.shape().frontDegrees())) {
      parts.add(room ? wall(s, skin, a, shape) : part(s, skin, a));
    }
    if (room && a.room() == Houses.Room.DWELLING) {
      window(parts, shape);
    }
    Usual contents = room ? Usual.ROOM_CONTENTS : Usual.BENCHES_AND_POTS;
    return HouseDesignBuilder.builder()
        .shape(a.shape())
        .skin(parts)
        .volumeCubicMetres(shape.volume())
        .airChangesPerHour(a.airChangesPerHour())
        .gaps(List.of())
        .innerMassKg(shape.floorArea() * contents.value())
        .innerMassMedium(room ? "brick" : "granite")
        .innerMassAreaSquareMetres(room ? shape.floorArea() : 0.3 * shape.floorArea())
        .floorAreaSquareMetres(shape.floorArea())
        .perimeterMetres(room ? toTheOpen(parts, shape) : shape.perimeter())
        .edgeInsulated(false)
        .ventAboveCelsius(null)
        .screenResistance(null)
        .fleece(false)
        .plantLimitCelsius(a.plantLimitCelsius())
        .groundCelsius(null)
        .shelter(null)
        .stand(null)
        .wetness(room ? HouseDesign.Wetness.DRY : null)
        .keeps(a.keeps() == Keeps.PLANTS ? null : a.keeps())
        .learned(null)
        .build();
  }

  private static SkinMaterial skin(@Nullable String id) {
    return MediumCatalogue.skin(id == null ? "" : id)
        .orElseThrow(
            () ->
                Problem.invalid(
                    "material", "There is no such covering.", "Choose one from the list."));
  }

  private static Part part(HouseShape.Side s, SkinMaterial skin, Houses.Answers a) {
    return s.atBack()
        ? HouseDesignPartBuilder.builder(
                of(s, skin("stone-wall"), HEAVY.get("stone-wall"), Looks.SHELTERED))
            .transmittance(Usual.BACK_WALL_TRANSMITTANCE.value())
            .beyondCelsius(a.backCelsius())
            .build()
        : of(s, skin, null, s.tiltDegrees() < 75 ? Looks.UP : Looks.OUT);
  }

  /** A room's ceiling or wall by what lies behind it in such rooms. */
  private static Part wall(
      HouseShape.Side s, SkinMaterial outer, Houses.Answers a, HouseShape shape) {
    boolean above = s.tiltDegrees() < 45;
    boolean front = s.name().equals("Front");
    double deep = a.shape().highMetres() / 2;
    return switch (Objects.requireNonNull(a.room())) {
      case DWELLING -> front ? open(s, outer) : shared(s, a, above ? "bare-ceiling" : "boards");
      case GARAGE ->
          above
              ? open(s, skin("bare-ceiling"))
              : s.name().equals("Left end") && a.backCelsius() != null
                  ? shared(s, a, outer.id())
                  : open(s, outer);
      case CELLAR -> above ? shared(s, a, "bare-ceiling") : banked(s, outer, deep);
      case BERMED -> above ? turfed(s) : front ? open(s, skin(GLASS)) : banked(s, outer, deep);
      case MASONRY -> open(s, above ? skin("bare-ceiling") : outer);
    };
  }

  private static Part open(HouseShape.Side s, SkinMaterial of) {
    return of(s, of, HEAVY.get(of.id()), s.tiltDegrees() < 75 ? Looks.UP : Looks.OUT);
  }

  private static Part shared(HouseShape.Side s, Houses.Answers a, String of) {
    return HouseDesignPartBuilder.builder(of(s, skin(of), HEAVY.get(of), Looks.SHELTERED))
        .beyondCelsius(a.backCelsius() == null ? Usual.DWELLING.value() : a.backCelsius())
        .build();
  }

  private static Part banked(HouseShape.Side s, SkinMaterial of, double deep) {
    return HouseDesignPartBuilder.builder(of(s, of, HEAVY.get(of.id()), Looks.SHELTERED))
        .earthMetres(deep)
        .build();
  }

  private static Part turfed(HouseShape.Side s) {
    SkinMaterial under = skin("bare-ceiling");
    Heavy turf = new Heavy("soil", Usual.TURF.value());
    double over = turf.metres() / Floor.Soil.GARDEN.conductivity();
    return HouseDesignPartBuilder.builder(of(s, under, turf, Looks.UP))
        .transmittance(1 / (1 / under.uValue().value() + over))
        .build();
  }

  private static void window(List<Part> parts, HouseShape shape) {
    Part front = parts.get(1);
    double area =
        Math.min(0.5 * front.areaSquareMetres(), Usual.WINDOW_SHARE.value() * shape.floorArea());
    parts.set(
        1,
        HouseDesignPartBuilder.builder(front)
            .areaSquareMetres(front.areaSquareMetres() - area)
            .build());
    SkinMaterial glass = skin(GLASS);
    parts.add(
        HouseDesignPartBuilder.builder(front)
            .name("Window")
            .areaSquareMetres(area)
            .transmittance(glass.uValue().value())
            .material(glass.id())
            .wallMedium(null)
            .wallMetres(null)
            .build());
  }

  /** Foundation under walls that stand in the open, m. */
  private static double toTheOpen(List<Part> parts, HouseShape shape) {
    double area = 0;
    for (Part p : parts) {
      boolean wall = p.looks() != Looks.UP;
      boolean open = p.beyondCelsius() == null && p.earthMetres() == null;
      area += wall && open ? p.areaSquareMetres() : 0;
    }
    return area * shape.floorArea() / shape.volume();
  }

  private static Part of(HouseShape.Side s, SkinMaterial skin, @Nullable Heavy heavy, Looks looks) {
    return HouseDesignPartBuilder.builder()
        .name(s.name())
        .looks(looks)
        .areaSquareMetres(s.areaSquareMetres())
        .transmittance(skin.uValue().value())
        .material(skin.id())
        .tiltDegrees(s.tiltDegrees())
        .azimuthDegrees(s.azimuthDegrees())
        .beyondCelsius(null)
        .earthMetres(null)
        .secondSkin(false)
        .wallMedium(heavy == null ? null : heavy.medium())
        .wallMetres(heavy == null ? null : heavy.metres())
        .build();
  }
}
