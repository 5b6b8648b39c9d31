package nightbank.core.retrofit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import nightbank.core.house.Behind;
import nightbank.core.house.Floor;
import nightbank.core.house.Gap;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.GreenhouseBuilder;
import nightbank.core.house.InnerMass;
import nightbank.core.house.Keeps;
import nightbank.core.house.Optics;
import nightbank.core.house.SkinPart;
import nightbank.core.house.SkinPartBuilder;
import nightbank.core.retrofit.Retrofit.Kind;
import nightbank.core.retrofit.Retrofit.Need;
import nightbank.core.sizing.Pack;
import nightbank.core.system.Action;
import nightbank.core.system.SystemPlan;
import nightbank.core.usual.Usual;

/**
 * Changes to a house: its skin, its gaps, its foundation, its plants. Hours and amounts are what a
 * careful amateur does with hand tools; each constant says its range.
 */
final class HouseRetrofits {
  private static final double STOPPED = 0.15; // of a gap's width is left, 0.05 to 0.3
  private static final double TIGHTER = 0.7; // of the draught between panes is left, 0.5 to 0.9
  private static final double BARE_DRAUGHT = 0.3; // changes an hour that nobody can better
  private static final double BOARD_DEEP = 0.5; // m
  private static final double HARDIER = 3; // K

  private HouseRetrofits() {}

  static List<Retrofit> of(SystemPlan winter) {
    Greenhouse house = winter.house();
    List<Retrofit> all = new ArrayList<>();
    gaps(house).ifPresent(all::add);
    secondSkin(house).ifPresent(all::add);
    screen(winter).ifPresent(all::add);
    fleece(winter).ifPresent(all::add);
    edge(house).ifPresent(all::add);
    all.add(
        house(
            Kind.HARDIER_PLANTS,
            HARDIER,
            2,
            h -> h.withPlantLimit(h.plantLimitCelsius() - HARDIER)));
    half(house).ifPresent(all::add);
    return all;
  }

  private static Retrofit house(
      Kind kind, double amount, double hours, UnaryOperator<Greenhouse> change, Need... needs) {
    return new Retrofit(
        kind, "", amount, List.of(needs), hours, p -> changed(p, change.apply(p.house())));
  }

  /** With as much of the sun as the skin then lets in. */
  private static SystemPlan changed(SystemPlan p, Greenhouse house) {
    double before = letIn(p.house());
    double share = before == 0 ? 1 : letIn(house) / before;
    double[] sun = Arrays.stream(p.sunWatts()).map(w -> w * share).toArray();
    return p.withHouse(house).withSun(sun, p.irradiance());
  }

  private static double letIn(Greenhouse house) {
    return house.skin().stream().mapToDouble(p -> p.areaSquareMetres() * p.solarShare()).sum();
  }

  private static Optional<Retrofit> gaps(Greenhouse house) {
    double metres = house.gaps().stream().mapToDouble(Gap::lengthMetres).sum();
    if (metres == 0 && house.airChangesPerHour() <= BARE_DRAUGHT) {
      return Optional.empty();
    }
    return Optional.of(
        house(
            Kind.CLOSE_GAPS,
            metres,
            1 + 0.15 * metres,
            HouseRetrofits::tight,
            new Need("draught-strip", Math.max(5, metres), Pack.Unit.METRE)));
  }

  private static Greenhouse tight(Greenhouse h) {
    double changes = h.airChangesPerHour();
    return GreenhouseBuilder.builder(h)
        .gaps(
            h.gaps().stream()
                .map(g -> new Gap(g.name(), g.lengthMetres(), g.widthMetres() * STOPPED))
                .toList())
        .airChangesPerHour(Math.max(Math.min(changes, BARE_DRAUGHT), changes * TIGHTER))
        .build();
  }

  private static boolean clear(SkinPart p) {
    return p.solarShare() > 0 && !p.shared();
  }

  private static double clearArea(Greenhouse house) {
    return house.skin().stream()
        .filter(HouseRetrofits::clear)
        .mapToDouble(SkinPart::areaSquareMetres)
        .sum();
  }

  private static Optional<Retrofit> secondSkin(Greenhouse house) {
    double area = clearArea(house);
    return area == 0
        ? Optional.empty()
        : Optional.of(
            house(
                Kind.SECOND_SKIN,
                area,
                2 + 0.12 * area,
                h -> h.changed(p -> clear(p) ? lined(p) : p, 1),
                new Need("inner-film", 1.15 * area, Pack.Unit.SQUARE_METRE)));
  }

  private static SkinPart lined(SkinPart p) {
    return p.withSecondSkin().sunny(p.solarShare() * Usual.SECOND_SKIN_LETS_SUN.value());
  }

  private static Optional<Retrofit> screen(SystemPlan winter) {
    Greenhouse house = winter.house();
    boolean has = house.skin().stream().anyMatch(p -> p.screenResistance() > 0);
    double area = clearArea(house);
    if (has || area == 0) {
      return Optional.empty();
    }
    double drawn = house.floor().map(Floor::areaSquareMetres).orElse(area / 2);
    return Optional.of(
        new Retrofit(
            Kind.SCREEN,
            "",
            drawn,
            List.of(new Need("night-screen", 1.2 * drawn, Pack.Unit.SQUARE_METRE)),
            4 + 0.25 * drawn,
            p -> Nightly.done(screened(p), Action.Kind.SCREEN, "", Nightly.DUSK, false)));
  }

  private static SystemPlan screened(SystemPlan p) {
    return p.withHouse(
        p.house().changed(s -> clear(s) ? s.screened(Usual.SCREEN_RESISTANCE.value()) : s, 1));
  }

  private static Optional<Retrofit> fleece(SystemPlan winter) {
    if (winter.house().keeps() != Keeps.PLANTS) {
      return Optional.empty();
    }
    double area = winter.house().floor().map(Floor::areaSquareMetres).orElse(10.0);
    return Optional.of(
        new Retrofit(
            Kind.FLEECE,
            "",
            area,
            List.of(new Need("fleece", 1.2 * area, Pack.Unit.SQUARE_METRE)),
            0.5,
            p -> Nightly.done(p, Action.Kind.COVER, "", Nightly.DUSK, true)));
  }

  private static Optional<Retrofit> edge(Greenhouse house) {
    return house
        .floor()
        .filter(f -> f.perimeterMetres() > 0)
        .filter(f -> f.edgeWattsPerMetreKelvin() > Floor.EDGE_INSULATED)
        .map(
            f ->
                house(
                    Kind.EDGE_BOARD,
                    f.perimeterMetres(),
                    2 + 1.2 * f.perimeterMetres(),
                    h -> h.withFloor(boarded(h.floor().orElseThrow())),
                    new Need("xps", f.perimeterMetres() * BOARD_DEEP, Pack.Unit.SQUARE_METRE)));
  }

  private static Floor boarded(Floor f) {
    return new Floor(f.areaSquareMetres(), f.perimeterMetres(), Floor.EDGE_INSULATED, f.soil());
  }

  /** The half where the stores stand; what lies beyond the film is as cold as outdoors. */
  private static Optional<Retrofit> half(Greenhouse house) {
    double across = 0.5 * Math.pow(house.volumeCubicMetres(), 2.0 / 3);
    if (house.volumeCubicMetres() < 10 || clearArea(house) == 0) {
      return Optional.empty();
    }
    return Optional.of(
        house(
            Kind.HALF_HOUSE,
            across,
            3 + 0.3 * across,
            h -> halved(h, across),
            new Need("inner-film", 1.2 * across, Pack.Unit.SQUARE_METRE)));
  }

  private static Greenhouse halved(Greenhouse h, double across) {
    List<SkinPart> skin =
        new ArrayList<>(
            h.skin().stream()
                .map(
                    p ->
                        SkinPartBuilder.builder(p)
                            .areaSquareMetres(p.areaSquareMetres() / 2)
                            .build())
                .toList());
    skin.add(
        SkinPartBuilder.builder(SkinPart.sheet("Film across", across, Optics.FILM, 6.8))
            .skyView(0)
            .behind(Behind.OPEN)
            .build());
    return GreenhouseBuilder.builder(h)
        .skin(skin)
        .volumeCubicMetres(h.volumeCubicMetres() / 2)
        .airCapacity(h.airCapacity() / 2)
        .gaps(
            h.gaps().stream()
                .map(g -> new Gap(g.name(), g.lengthMetres() / 2, g.widthMetres()))
                .toList())
        .masses(h.masses().stream().map(m -> new InnerMass(m.capacity() / 2, m.tie() / 2)).toList())
        .floor(
            h.floor()
                .map(
                    f ->
                        new Floor(
                            f.areaSquareMetres() / 2,
                            f.perimeterMetres() / 2,
                            f.edgeWattsPerMetreKelvin(),
                            f.soil())))
        .build();
  }
}
