package nightbank.server.house;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nightbank.core.fit.HouseFit;
import nightbank.core.house.Floor;
import nightbank.core.house.Gap;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.HouseShape;
import nightbank.core.house.InnerMass;
import nightbank.core.house.Keeps;
import nightbank.core.house.Optics;
import nightbank.core.house.Shelter;
import nightbank.core.house.SkinPart;
import nightbank.core.house.Slab;
import nightbank.core.house.Stand;
import nightbank.core.medium.Medium;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.medium.SkinMaterial;
import nightbank.core.usual.Usual;
import nightbank.server.house.HouseDesign.GapDesign;
import nightbank.server.house.HouseDesign.Looks;
import nightbank.server.house.HouseDesign.Part;
import nightbank.server.house.HouseDesign.Wetness;
import nightbank.server.shared.Problem;

/** Designs of houses to core records; every refusal names its field. */
final class HouseMapping {
  private static final double ROOF_TILT = 30;
  private static final double WALL = 10; // °C, for its heat capacity

  private HouseMapping() {}

  /** As its keeper reckons with it. */
  static Greenhouse toCore(HouseDesign d) {
    Greenhouse house = described(d);
    HouseDesign.LearnedFactors l = d.learned();
    return l == null
        ? house
        : Problem.field(
            "design.learned",
            () -> HouseFit.changed(house, l.skinFactor(), l.leakFactor(), l.massFactor()));
  }

  /** As described, whatever its nights have taught. */
  static Greenhouse described(HouseDesign d) {
    if (d == null || d.skin() == null || d.skin().isEmpty()) {
      throw Problem.invalid(
          "design.skin",
          "A house without a skin is the open air.",
          "Add at least one part: a roof or a wall with its area.");
    }
    if (d.skin().size() > 200 || d.gaps().size() > 100) {
      throw Problem.invalid("design.skin", "More than 200 parts.", "Put like parts together.");
    }
    List<SkinPart> parts = new ArrayList<>();
    for (int i = 0; i < d.skin().size(); i++) {
      Part p = d.skin().get(i);
      parts.add(Problem.field("design.skin." + i, () -> part(p, d.screenResistance())));
    }
    List<Gap> gaps = new ArrayList<>();
    for (int i = 0; i < d.gaps().size(); i++) {
      GapDesign g = d.gaps().get(i);
      gaps.add(
          Problem.field(
              "design.gaps." + i, () -> new Gap(g.name(), g.lengthMetres(), g.widthMetres())));
    }
    Medium mass =
        MediumCatalogue.medium(d.innerMassMedium() == null ? "soil" : d.innerMassMedium())
            .orElseThrow(
                () ->
                    Problem.invalid(
                        "design.innerMassMedium",
                        "There is no medium called " + d.innerMassMedium() + ".",
                        "Choose one from the list."));
    List<InnerMass> masses =
        d.innerMassKg() == 0
            ? List.of()
            : List.of(
                Problem.field(
                    "design.innerMassKg",
                    () -> InnerMass.of(mass, d.innerMassKg(), d.innerMassAreaSquareMetres())));
    Greenhouse house =
        Problem.field(
            "design",
            () ->
                Greenhouse.of(
                        parts, d.volumeCubicMetres(), d.airChangesPerHour(), d.plantLimitCelsius())
                    .withMasses(masses)
                    .withGaps(gaps)
                    .withStand(d.stand() == null ? Stand.OPEN : d.stand())
                    .withWindShare((d.shelter() == null ? Shelter.GARDEN : d.shelter()).windShare())
                    .withWetShare((d.wetness() == null ? Wetness.BEDS : d.wetness()).share)
                    .keeping(d.keeps() == null ? Keeps.PLANTS : d.keeps()));
    if (d.floorAreaSquareMetres() != null) {
      double perimeter = d.perimeterMetres() == null ? 0 : d.perimeterMetres();
      double edge = Boolean.TRUE.equals(d.edgeInsulated()) ? Floor.EDGE_INSULATED : Floor.EDGE_BARE;
      Greenhouse bare = house;
      house =
          Problem.field(
              "design.floorAreaSquareMetres",
              () -> bare.withFloor(new Floor(d.floorAreaSquareMetres(), perimeter, edge)));
    }
    return d.ventAboveCelsius() == null ? house : house.withVentAbove(d.ventAboveCelsius());
  }

  private static SkinPart part(Part p, Double screen) {
    Looks looks = p.looks() == null ? Looks.OUT : p.looks();
    double tilt = p.tiltDegrees() != null ? p.tiltDegrees() : looks == Looks.UP ? ROOF_TILT : 90;
    Optional<SkinMaterial> material =
        MediumCatalogue.skin(p.material() == null ? "" : p.material());
    SkinPart part =
        SkinPart.sheet(
                p.name(),
                p.areaSquareMetres(),
                material.map(HouseMapping::optics).orElse(Optics.OPAQUE),
                p.transmittance())
            .facing(tilt, p.azimuthDegrees() == null ? 180 : p.azimuthDegrees());
    if (p.wallMedium() != null) {
      part = part.massive(slab(p));
    }
    if (Boolean.TRUE.equals(p.secondSkin())) {
      part = part.withSecondSkin();
    }
    if (p.earthMetres() != null) {
      return part.banked(p.earthMetres());
    }
    if (p.beyondCelsius() != null) {
      return part.against(p.beyondCelsius());
    }
    if (looks == Looks.SHELTERED) {
      part = part.seeing(0);
    }
    double sun = material.map(m -> m.solarShare().value()).orElse(0.0);
    part =
        part.sunny(
            Boolean.TRUE.equals(p.secondSkin()) ? Usual.SECOND_SKIN_LETS_SUN.value() * sun : sun);
    return screen != null && sun > 0 ? part.screened(screen) : part;
  }

  private static Optics optics(SkinMaterial m) {
    double e = m.emissivity().value();
    return new Optics(m.longWaveShare().value(), e, e);
  }

  private static Slab slab(Part p) {
    Medium m =
        Optional.ofNullable(p.wallMedium())
            .flatMap(MediumCatalogue::medium)
            .orElseThrow(
                () ->
                    new IllegalArgumentException(
                        "there is no medium called " + p.wallMedium() + " for a wall"));
    if (p.wallMetres() == null) {
      throw new IllegalArgumentException("a heavy wall needs its thickness");
    }
    return new Slab(
        p.wallMetres(),
        m.conductivity().value(),
        m.density().value() * m.enthalpy().specificHeat(WALL));
  }

  static HouseShape shape(HouseDesign.Shape s) {
    if (s == null || s.kind() == null) {
      throw Problem.invalid("shape", "The shape is missing.", "Choose one of the drawings.");
    }
    return Problem.field(
        "shape",
        () ->
            switch (s.kind()) {
              case GABLE ->
                  new HouseShape.Gable(
                      s.lengthMetres(), s.widthMetres(), s.lowMetres(), s.highMetres());
              case LEAN_TO ->
                  new HouseShape.LeanTo(
                      s.lengthMetres(), s.widthMetres(), s.lowMetres(), s.highMetres());
              case TUNNEL ->
                  new HouseShape.Tunnel(s.lengthMetres(), s.widthMetres(), s.highMetres());
              case DOME -> new HouseShape.Dome(s.widthMetres(), s.highMetres());
              case FRAME ->
                  new HouseShape.Frame(
                      s.lengthMetres(), s.widthMetres(), s.lowMetres(), s.highMetres());
              case ROOM -> new HouseShape.Room(s.lengthMetres(), s.widthMetres(), s.highMetres());
            });
  }
}
