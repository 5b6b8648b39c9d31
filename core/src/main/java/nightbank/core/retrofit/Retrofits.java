package nightbank.core.retrofit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
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
import nightbank.core.medium.InsulationMaterial;
import nightbank.core.medium.Medium;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.retrofit.Retrofit.Kind;
import nightbank.core.retrofit.Retrofit.Need;
import nightbank.core.sizing.Pack;
import nightbank.core.source.CompostHeat;
import nightbank.core.source.ElectricHeat;
import nightbank.core.source.FireLoad;
import nightbank.core.source.WoodFire;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.FluidStream;
import nightbank.core.store.HeatExchanger;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Layer;
import nightbank.core.store.Place;
import nightbank.core.store.StoreCircuit;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreState;
import nightbank.core.system.Action;
import nightbank.core.system.CircuitEnd;
import nightbank.core.system.Control;
import nightbank.core.system.FluidCircuit;
import nightbank.core.system.Guard;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.Sensor;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemSource;
import nightbank.core.system.SystemStore;
import nightbank.core.usual.Usual;

/**
 * The changes that fit a place as it stands. Amounts and hours are what a careful amateur does with
 * hand tools; each constant says its range.
 */
public final class Retrofits {
  private static final double STOPPED = 0.15; // of a gap's width is left, 0.05 to 0.3
  private static final double TIGHTER = 0.7; // of the draught between panes is left, 0.5 to 0.9
  private static final double BARE_DRAUGHT = 0.3; // changes an hour that nobody can better
  private static final double BOARD_DEEP = 0.5; // m
  private static final double LID_THICK = 0.1; // m of straw
  private static final double FOOT_THICK = 0.05; // m of board
  private static final double LONGER = 1.5;
  private static final double DRY = 0.15; // of wood's whole mass
  private static final double DAMP = 0.2; // that drying is worth the while
  private static final double HARDIER = 3; // K
  private static final double WARMEST_WATER = 95; // °C
  private static final double HEAP_PIPE = 12; // m in a m³ of heap, as sized heaps have
  private static final double HEAP_FLOW = 0.03; // kg/s for a m³
  private static final double HEAP_RADIATOR = 60; // W/K for a m³
  private static final double HEAP_PUMP = 20; // W
  private static final double LID_AT = 0; // hour of the day
  private static final double DUSK = 17;
  private static final double DAWN = 10; // when it is warmer outside than under cover
  private static final double DAY = 86_400;
  private static final double FLEECE_BELOW = 3; // K over the limit at which fleece is laid

  private Retrofits() {}

  /**
   * Those that are possible, in the order of their kinds.
   *
   * @param winter the place through its winter from a midnight on, with what is done in it
   */
  public static List<Retrofit> of(SystemPlan winter) {
    List<Retrofit> all = new ArrayList<>();
    Greenhouse house = winter.house();
    gaps(house).ifPresent(all::add);
    secondSkin(house).ifPresent(all::add);
    screen(winter).ifPresent(all::add);
    fleece(winter).ifPresent(all::add);
    edge(house).ifPresent(all::add);
    for (SystemStore s : winter.system().stores()) {
      Stream.of(lid(winter, s), mass(winter.system(), s), water(winter.system(), s), foot(s))
          .flatMap(Optional::stream)
          .forEach(all::add);
      loop(winter.system(), s).ifPresent(all::add);
    }
    for (SystemSource s : winter.system().sources()) {
      element(s).ifPresent(all::add);
      fires(winter, s).forEach(all::add);
    }
    all.add(
        house(
            Kind.HARDIER_PLANTS,
            HARDIER,
            2,
            h -> h.withPlantLimit(h.plantLimitCelsius() - HARDIER)));
    half(house).ifPresent(all::add);
    return List.copyOf(all);
  }

  /** The same winter with the screen drawn every night, where there is one. */
  public static SystemPlan asUsual(SystemPlan winter) {
    boolean has = winter.house().skin().stream().anyMatch(p -> p.screenResistance() > 0);
    return has ? nightly(winter, Action.Kind.SCREEN, "", DUSK, DAWN + 24, false) : winter;
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
            Retrofits::tight,
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
        .filter(Retrofits::clear)
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
            p -> nightly(screened(p), Action.Kind.SCREEN, "", DUSK, DAWN + 24, false)));
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
            p -> nightly(p, Action.Kind.COVER, "", DUSK, DAWN + 24, true)));
  }

  /**
   * Something done every night.
   *
   * @param from hour of the evening's day
   * @param to hours after that day's midnight
   * @param cold only where it gets nearly as cold outdoors as the plants stand
   */
  private static SystemPlan nightly(
      SystemPlan p, Action.Kind kind, String of, double from, double to, boolean cold) {
    List<Action> all = new ArrayList<>(p.actions());
    double below = p.house().plantLimitCelsius() + FLEECE_BELOW;
    int nights = (int) Math.ceil(p.lengthSeconds() / DAY);
    for (int d = 0; d < nights; d++) {
      double begins = d * DAY + from * 3600;
      double ends = Math.min(p.lengthSeconds(), d * DAY + to * 3600);
      if (begins < ends && !(cold && low(p, begins, ends) >= below)) {
        all.add(new Action(kind, of, begins, ends, Double.NaN));
      }
    }
    return p.withActions(all);
  }

  private static double low(SystemPlan p, double from, double to) {
    double low = Double.POSITIVE_INFINITY;
    for (double at = from; at <= to; at += 3600) {
      low = Math.min(low, p.weather().outdoorAt(at));
    }
    return low;
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

  private static SystemPlan with(SystemPlan p, String id, UnaryOperator<HeatStore> change) {
    return p.withSystem(
        p.system()
            .withStores(
                p.system().stores().stream()
                    .map(s -> s.id().equals(id) ? changed(s, change.apply(s.store())) : s)
                    .toList()));
  }

  private static SystemStore changed(SystemStore s, HeatStore store) {
    return new SystemStore(
        s.id(), store, StoreState.uniform(StoreGrid.night(store), s.start().meanCelsius()));
  }

  private static Retrofit store(
      Kind kind,
      SystemStore s,
      double amount,
      double hours,
      UnaryOperator<HeatStore> change,
      Need... needs) {
    return new Retrofit(kind, s.id(), amount, List.of(needs), hours, p -> with(p, s.id(), change));
  }

  private static Layer layer(String material, double metres) {
    InsulationMaterial of = MediumCatalogue.insulation(material).orElseThrow();
    return new Layer.Bulk(of, metres, false);
  }

  private static Optional<Retrofit> lid(SystemPlan winter, SystemStore s) {
    boolean bare = s.store().face(FaceName.TOP).layers().isEmpty();
    if (!bare || s.store().place().beyond(FaceName.TOP) != Place.Beyond.HOUSE_AIR) {
      return Optional.empty();
    }
    double area = s.store().faceArea(FaceName.TOP) * s.store().count();
    Face covered = Face.of(layer("straw", LID_THICK));
    return Optional.of(
        new Retrofit(
            Kind.LID,
            s.id(),
            area,
            List.of(new Need("straw", area, Pack.Unit.SQUARE_METRE)),
            1 + area,
            p ->
                nightly(
                    with(p, s.id(), h -> h.withFace(FaceName.TOP, covered)),
                    Action.Kind.LID_OFF,
                    s.id(),
                    LID_AT + 24,
                    DAWN + 24,
                    false)));
  }

  private static boolean rots(PlantSystem system, String store) {
    return system.sources().stream()
        .anyMatch(x -> x.source() instanceof CompostHeat rot && rot.store().equals(store));
  }

  private static Optional<Retrofit> mass(PlantSystem system, SystemStore s) {
    int count = s.store().count();
    if (rots(system, s.id()) || count > 100 || !s.store().place().reachesHouse()) {
      return Optional.empty();
    }
    double kilograms = s.store().mass();
    Medium of = s.store().medium();
    Need need =
        of.kind() == Medium.Kind.WATER
            ? new Need(of.id(), kilograms, Pack.Unit.LITRE)
            : new Need(of.id(), kilograms, Pack.Unit.KILOGRAM);
    return Optional.of(
        store(
            Kind.MORE_MASS,
            s,
            count,
            (of.kind() == Medium.Kind.WATER ? 2 : 4) + kilograms / 300,
            h -> h.withCount(2 * count),
            need));
  }

  private static Optional<Retrofit> water(PlantSystem system, SystemStore s) {
    Medium of = s.store().medium();
    boolean hot =
        system.sources().stream()
            .filter(x -> !(x.source() instanceof ElectricHeat))
            .anyMatch(x -> heats(x, s.id()) && x.source().highestCelsius() > WARMEST_WATER);
    if (of.kind() == Medium.Kind.WATER
        || hot
        || rots(system, s.id())
        || s.store().carrier().isPresent()
        || !s.store().fills().isEmpty()
        || s.store().place().footing() == Place.Footing.BURIED
        || s.start().meanCelsius() > WARMEST_WATER) {
      return Optional.empty();
    }
    Medium water = MediumCatalogue.medium("water").orElseThrow();
    double litres = s.store().withMedium(water).mass();
    return Optional.of(
        store(
            Kind.WATER_FILL,
            s,
            litres,
            3 + s.store().mass() / 250,
            h -> h.withMedium(water),
            new Need("water", litres, Pack.Unit.LITRE)));
  }

  private static boolean heats(SystemSource s, String store) {
    return s.source().shares().stream()
        .anyMatch(x -> x.to().storeId().filter(store::equals).isPresent());
  }

  private static Optional<Retrofit> foot(SystemStore s) {
    boolean bare = s.store().face(FaceName.FOOT).layers().isEmpty();
    if (!bare || s.store().place().footing() != Place.Footing.ON_GROUND) {
      return Optional.empty();
    }
    double area = s.store().faceArea(FaceName.FOOT) * s.store().count();
    Face board = Face.of(layer("xps", FOOT_THICK));
    return Optional.of(
        store(
            Kind.FOOT,
            s,
            area,
            1 + s.store().mass() / 150,
            h -> h.withFace(FaceName.FOOT, board),
            new Need("xps", area, Pack.Unit.SQUARE_METRE)));
  }

  private static Optional<Retrofit> loop(PlantSystem system, SystemStore s) {
    if (!rots(system, s.id()) || system.reachesHouse(s)) {
      return Optional.empty();
    }
    double cubicMetres = s.store().volumeOf(s.store().medium());
    double pipe = HEAP_PIPE * cubicMetres;
    StoreCircuit coil =
        new StoreCircuit(
            new HeatExchanger.Coil(pipe, 0.02, 0.002, 0.4, 0.25), FluidStream.Fluid.WATER);
    return Optional.of(
        new Retrofit(
            Kind.HEAP_LOOP,
            s.id(),
            pipe,
            List.of(
                new Need("pe-pipe", pipe, Pack.Unit.METRE), new Need("pump", 1, Pack.Unit.PIECE)),
            6 + 0.1 * pipe,
            p -> {
              SystemPlan led = with(p, s.id(), h -> h.withCarrier(coil));
              double limit = p.house().plantLimitCelsius();
              List<FluidCircuit> circuits = new ArrayList<>(led.system().circuits());
              circuits.add(
                  new FluidCircuit(
                      "new loop of " + s.id(),
                      new FluidStream(FluidStream.Fluid.WATER, HEAP_FLOW * cubicMetres, HEAP_PUMP),
                      List.of(
                          new CircuitEnd.InStore(s.id()),
                          new CircuitEnd.Radiator(HEAP_RADIATOR * cubicMetres)),
                      Control.free(
                          new Guard.Thermostat(new Sensor.HouseAir(), limit + 1, limit + 3))));
              return led.withSystem(led.system().withCircuits(circuits));
            }));
  }

  private static SystemPlan with(SystemPlan p, SystemSource s, SystemSource other) {
    return p.withSystem(
        p.system()
            .withSources(
                p.system().sources().stream()
                    .map(x -> x.id().equals(s.id()) ? other : x)
                    .toList()));
  }

  private static Optional<Retrofit> element(SystemSource s) {
    if (!(s.source() instanceof ElectricHeat e) || e.watts() <= 0 || e.watts() > 5e5) {
      return Optional.empty();
    }
    boolean store = e.shares().stream().anyMatch(x -> x.to().storeId().isPresent());
    if (!store) {
      return Optional.empty();
    }
    ElectricHeat bigger = new ElectricHeat(e.shares(), 2 * e.watts(), e.surplus());
    return Optional.of(
        new Retrofit(
            Kind.BIGGER_ELEMENT,
            s.id(),
            2 * e.watts(),
            List.of(new Need("element", 1, Pack.Unit.PIECE)),
            2,
            p -> with(p, s, s.with(bigger))));
  }

  private static List<Retrofit> fires(SystemPlan winter, SystemSource s) {
    if (!(s.source() instanceof WoodFire)) {
      return List.of();
    }
    List<Action> loads =
        winter.actions().stream()
            .filter(a -> a.kind() == Action.Kind.LOAD && a.of().equals(s.id()))
            .toList();
    if (loads.isEmpty()) {
      return List.of();
    }
    double kilograms = loads.stream().mapToDouble(Action::amount).sum();
    List<Retrofit> all = new ArrayList<>();
    all.add(
        new Retrofit(
            Kind.LONGER_FIRE,
            s.id(),
            LONGER * loads.get(0).amount(),
            List.of(new Need("firewood", (LONGER - 1) * kilograms, Pack.Unit.KILOGRAM)),
            (LONGER - 1) * kilograms * 4 / 60,
            p -> burning(p, s.id(), LONGER, Double.NaN)));
    double damp = loads.get(0).moisture();
    if (damp > DAMP) {
      // as many sticks as before: their dry mass stays
      double less = (1 - damp) / (1 - DRY);
      all.add(
          new Retrofit(
              Kind.DRY_WOOD,
              s.id(),
              FireLoad.heatingValue(DRY) * less / FireLoad.heatingValue(damp) - 1,
              List.of(),
              4,
              p -> burning(p, s.id(), less, DRY)));
    }
    return all;
  }

  private static SystemPlan burning(SystemPlan p, String fire, double times, double moisture) {
    return p.withActions(
        p.actions().stream()
            .map(
                a ->
                    a.kind() == Action.Kind.LOAD && a.of().equals(fire)
                        ? new Action(
                            a.kind(),
                            a.of(),
                            a.fromSeconds(),
                            a.toSeconds(),
                            a.amount() * times,
                            Double.isNaN(moisture) ? a.moisture() : moisture)
                        : a)
            .toList());
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
