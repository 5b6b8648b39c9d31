package nightbank.core.retrofit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CancellationException;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import nightbank.core.forecast.Labour;
import nightbank.core.forecast.NightForecast.Doubt;
import nightbank.core.house.Floor;
import nightbank.core.house.Gap;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.Optics;
import nightbank.core.house.SkinPart;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.retrofit.Retrofit.Kind;
import nightbank.core.retrofit.Retrofit.Need;
import nightbank.core.sizing.Pack;
import nightbank.core.sizing.Prices;
import nightbank.core.sizing.Season;
import nightbank.core.sizing.Winter;
import nightbank.core.source.CompostHeat;
import nightbank.core.source.ElectricHeat;
import nightbank.core.source.Share;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Place;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreState;
import nightbank.core.system.Action;
import nightbank.core.system.Control;
import nightbank.core.system.Guard;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.Sensor;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemSource;
import nightbank.core.system.SystemStore;
import org.testng.annotations.Test;

/** What next, on a small place. */
public class RankingTest {
  private static final Optics GLASS = new Optics(0.02, 0.84, 0.84);
  private static final Winter WINTER = Winter.between(0, -9, 40, 7);
  private static final Doubt DOUBT = Doubt.ofTypedNight();

  private static Greenhouse house() {
    return Greenhouse.of(
            List.of(
                SkinPart.sheet("Roof", 18, GLASS, 5.8).facing(30, 180).sunny(0.7),
                SkinPart.sheet("Walls", 24, GLASS, 5.8).sunny(0.7)),
            30,
            0.8,
            1)
        .withFloor(new Floor(14, 15, Floor.EDGE_BARE))
        .withGaps(List.of(new Gap("Door", 5, 0.004)));
  }

  private static SystemStore columns(int count) {
    HeatStore store =
        HeatStore.of(
                new Geometry.Cylinder(0.15, 1.2),
                MediumCatalogue.medium("water").orElseThrow(),
                Map.of())
            .withCount(count)
            .withPlace(Place.inHouse());
    return new SystemStore("columns", store, StoreState.uniform(StoreGrid.night(store), 10));
  }

  private static SystemPlan winter(Winter of, List<SystemSource> sources) {
    PlantSystem system = PlantSystem.of(house(), List.of(columns(3))).withSources(sources);
    return Season.plan(system, of, 7, new double[0], new double[0], List.of());
  }

  /** With enough heat that it is warmer in the house than outdoors. */
  private static final SystemPlan PLAIN =
      winter(
          WINTER,
          List.of(
              new SystemSource(
                  "heater",
                  new ElectricHeat(Share.allToHouse(), 700, false),
                  Control.free(),
                  true)));

  private static Retrofit change(Kind kind, String of, UnaryOperator<SystemPlan> made) {
    return new Retrofit(kind, of, 1, List.of(), 4, made);
  }

  private static Ranking rank(SystemPlan plan, List<Retrofit> all) {
    return rank(plan, all, Prices.NONE);
  }

  private static Ranking rank(SystemPlan plan, List<Retrofit> all, Prices prices) {
    return Ranking.of(
        new Ranking.Question(List.of(plan), DOUBT, p -> all, prices, 10),
        (n, of) -> {},
        () -> false);
  }

  private static Ranking.Tried of(List<Ranking.Tried> all, String id) {
    return all.stream().filter(t -> t.ids().equals(List.of(id))).findFirst().orElseThrow();
  }

  @Test
  public void whatFitsAPlaceIsFoundAndWhatItLacksIsNot() {
    List<Kind> kinds = Retrofits.of(PLAIN).stream().map(Retrofit::kind).toList();
    assertThat(kinds)
        .contains(
            Kind.CLOSE_GAPS,
            Kind.SECOND_SKIN,
            Kind.SCREEN,
            Kind.FLEECE,
            Kind.EDGE_BOARD,
            Kind.LID,
            Kind.MORE_MASS,
            Kind.HARDIER_PLANTS,
            Kind.HALF_HOUSE)
        .doesNotContain(
            Kind.BIGGER_ELEMENT,
            Kind.LONGER_FIRE,
            Kind.DRY_WOOD,
            Kind.HEAP_LOOP,
            Kind.WATER_FILL,
            Kind.FOOT);
  }

  @Test
  public void noneThatHoldsHeatInLosesMoreNightsThanBefore() {
    Ranking r = rank(PLAIN, Retrofits.of(PLAIN));
    assertThat(r.base().lost().middle()).isGreaterThan(3);
    for (String id : List.of("CLOSE_GAPS", "SECOND_SKIN", "SCREEN", "FLEECE", "HARDIER_PLANTS")) {
      Ranking.Tried t = of(r.singles(), id);
      assertThat(t.saved().middle()).as(id).isGreaterThanOrEqualTo(0);
      assertThat(t.warmer().middle()).as(id).isGreaterThan(0);
      assertThat(t.clear()).as(id).isTrue();
    }
    assertThat(of(r.singles(), "HARDIER_PLANTS").warmer().middle()).isCloseTo(3, within(1e-9));
  }

  @Test
  public void aChangeThatDoesNothingIsToldAsNothing() {
    Ranking r =
        rank(
            PLAIN,
            List.of(
                change(Kind.EDGE_BOARD, "", p -> p),
                change(Kind.HARDIER_PLANTS, "", p -> p.withHouse(p.house().withPlantLimit(0)))));
    assertThat(of(r.singles(), "EDGE_BOARD").clear()).isFalse();
    assertThat(of(r.singles(), "EDGE_BOARD").saved()).isEqualTo(new Ranking.Told(0, 0, 0));
    assertThat(r.singles().get(0).ids()).containsExactly("HARDIER_PLANTS");
    assertThat(r.path()).extracting(Ranking.Step::id).containsExactly("HARDIER_PLANTS");
  }

  @Test
  public void thatLessIsAskedComesAfterWhatElseSavesSome() {
    Ranking r =
        rank(
            PLAIN,
            List.of(
                change(Kind.CLOSE_GAPS, "", p -> withLimit(p, p.house().plantLimitCelsius() - 0.7)),
                change(Kind.HARDIER_PLANTS, "", p -> withLimit(p, 0))));
    assertThat(r.singles().get(0).ids()).containsExactly("HARDIER_PLANTS");
    assertThat(r.path())
        .extracting(Ranking.Step::id)
        .containsExactly("CLOSE_GAPS", "HARDIER_PLANTS");
  }

  private static SystemPlan withLimit(SystemPlan p, double celsius) {
    return p.withHouse(p.house().withPlantLimit(celsius));
  }

  /** More columns are of no use without an element, nor is an element that finds no room. */
  @Test
  public void twoThatNeedEachOtherAreFound() {
    Retrofit mass =
        change(
            Kind.MORE_MASS,
            "columns",
            p ->
                p.withSystem(
                    p.system()
                        .withStores(List.of(columns(12)))
                        .withSources(switched(p.system().sources(), 2))));
    Retrofit element =
        change(
            Kind.BIGGER_ELEMENT,
            "columns",
            p -> p.withSystem(p.system().withSources(switched(p.system().sources(), 600))));
    List<Retrofit> all = List.of(change(Kind.EDGE_BOARD, "", p -> p), off(mass), off(element));
    Ranking r = rank(winter(WINTER, List.of()), all);
    assertThat(r.pairs())
        .extracting(Ranking.Tried::ids)
        .containsExactly(List.of("MORE_MASS columns", "BIGGER_ELEMENT columns"));
    assertThat(r.pairs().get(0).saved().middle()).isGreaterThan(1);
  }

  /** It takes part only once another has been made too: alone it does nothing. */
  private static Retrofit off(Retrofit of) {
    return new Retrofit(
        of.kind(),
        of.of(),
        1,
        List.of(),
        4,
        p -> {
          List<SystemSource> marks = new ArrayList<>(p.system().sources());
          if (marks.isEmpty()) {
            marks.add(heat("waiting", 0));
            return p.withSystem(p.system().withSources(marks));
          }
          return p.withSystem(
              p.system().withStores(List.of(columns(12))).withSources(List.of(heat("heat", 600))));
        });
  }

  private static SystemSource heat(String id, double watts) {
    return new SystemSource(
        id, new ElectricHeat(Share.allTo("columns"), watts, false), Control.free(), true);
  }

  private static List<SystemSource> switched(List<SystemSource> sources, double watts) {
    return Stream.concat(sources.stream(), Stream.of(heat("h" + sources.size(), watts))).toList();
  }

  /** Every set of up to three changes tried one by one on the same members. */
  @Test
  public void theFirstStepIsTheOneThatBruteForceFindsDearestForItsCost() {
    Map<String, Pack> packs =
        Map.of(
            "draught-strip", new Pack("roll", 5, Pack.Unit.METRE, 4),
            "inner-film", new Pack("roll", 50, Pack.Unit.SQUARE_METRE, 60),
            "fleece", new Pack("roll", 20, Pack.Unit.SQUARE_METRE, 12));
    List<Retrofit> three =
        Retrofits.of(PLAIN).stream()
            .filter(
                x ->
                    x.kind() == Kind.CLOSE_GAPS
                        || x.kind() == Kind.SECOND_SKIN
                        || x.kind() == Kind.FLEECE)
            .toList();
    Ranking r = rank(PLAIN, three, new Prices(packs));
    Ranking.Tried best = null;
    double most = Double.NEGATIVE_INFINITY;
    for (Ranking.Tried t : r.singles()) {
      Retrofit x =
          three.stream().filter(o -> t.ids().get(0).equals(o.id())).findFirst().orElseThrow();
      double cost = x.money(new Prices(packs)).orElseThrow() + 10 * t.hours();
      double worth = (t.saved().middle() + 0.01 * t.warmer().middle()) / cost;
      assertThat(t.worth()).isCloseTo(worth, within(1e-9));
      if (worth > most) {
        most = worth;
        best = t;
      }
    }
    assertThat(r.path().get(0).id()).isEqualTo(best.ids().get(0));
    double lost = r.base().lost().middle();
    for (Ranking.Step s : r.path()) {
      assertThat(s.lost().middle()).isCloseTo(lost - s.saved().middle(), within(1e-9));
      lost = s.lost().middle();
    }
    SystemPlan all = PLAIN;
    for (Retrofit x : three) {
      all = x.made().apply(all);
    }
    assertThat(Wintered.of(Ranking.coarse(all)).lost())
        .isLessThanOrEqualTo(Wintered.of(Ranking.coarse(PLAIN)).lost());
  }

  @Test
  public void coarseStepsMoveTheNightsLowsByLittle() {
    assertThat(apart(Ranking.coarse(PLAIN), PLAIN.small().withStep(225))).isLessThan(0.3);
  }

  @Test
  public void coarseGridsMoveTheNightsLowsByLittle() {
    HeatStore bin =
        HeatStore.of(
                new Geometry.Box(1.6, 1, 0.9),
                MediumCatalogue.medium("dry-sand").orElseThrow(),
                Map.of())
            .withPlace(Place.inHouse());
    SystemPlan winter =
        PLAIN.withSystem(
            PLAIN
                .system()
                .withStores(
                    List.of(
                        columns(3),
                        new SystemStore("bin", bin, StoreState.uniform(StoreGrid.coarse(bin), 10))))
                .withSources(
                    List.of(
                        new SystemSource(
                            "element",
                            new ElectricHeat(Share.allTo("bin"), 900, false),
                            Control.free(new Guard.Thermostat(new Sensor.StoreZone("bin"), 85, 90)),
                            true))));
    assertThat(apart(Ranking.coarse(winter), winter.withStep(225))).isLessThan(0.15);
  }

  @Test
  public void aHeapIsFollowedOnAFinerGridThanOtherStores() {
    PlantSystem place =
        PLAIN
            .system()
            .withSources(
                List.of(
                    new SystemSource(
                        "rot",
                        new CompostHeat(
                            "columns", List.of(new CompostHeat.Batch(0, 900, 60, 0.55, 0.4))),
                        Control.free(),
                        true)));
    HeatStore block =
        HeatStore.of(
            new Geometry.Box(1.8, 1.5, 1.2),
            MediumCatalogue.medium("compost").orElseThrow(),
            Map.of());
    assertThat(Ranking.grid(place, "columns", block).cells())
        .isEqualTo(StoreGrid.night(block).cells())
        .isGreaterThan(Ranking.grid(place, "another", block).cells());
  }

  /** Farthest that the lows of a night lie apart, K. */
  private static double apart(SystemPlan plan, SystemPlan other) {
    double[] lows = Wintered.of(plan).lows();
    double[] others = Wintered.of(other).lows();
    return IntStream.range(0, lows.length)
        .mapToDouble(n -> Math.abs(lows[n] - others[n]))
        .max()
        .orElseThrow();
  }

  @Test
  public void theHardDaysAloneLoseWhatTheWholeWinterLoses() {
    SystemPlan winter = Ranking.coarse(PLAIN);
    SystemPlan hard = HardDays.of(winter, (at, stores) -> {}).days();
    assertThat(hard.lengthSeconds()).isLessThan(0.8 * winter.lengthSeconds());
    Wintered whole = Wintered.of(winter);
    Wintered some = Wintered.of(hard);
    assertThat(some.lost()).isCloseTo(whole.lost(), within(1));
    assertThat(some.coldest(4)).isCloseTo(whole.coldest(4), within(0.2));
    assertThat(some.coldKelvinHours()).isCloseTo(whole.coldKelvinHours(), withinPercentage(5));
  }

  @Test
  public void whatIsDoneGoesWithTheDayThatItBeginsOn() {
    double day = 86_400;
    SystemPlan done =
        PLAIN.withActions(
            List.of(
                Action.house(Action.Kind.SCREEN, day + 61_200, 2 * day + 36_000),
                Action.house(Action.Kind.SCREEN, 3 * day + 61_200, 4 * day + 36_000)));
    boolean[] kept = new boolean[40];
    kept[3] = true;
    kept[4] = true;
    SystemPlan rest = HardDays.without(done, kept);
    assertThat(rest.lengthSeconds()).isEqualTo(2 * day);
    assertThat(rest.actions())
        .containsExactly(Action.house(Action.Kind.SCREEN, 61_200, day + 36_000));
    assertThat(rest.weather().outdoorAt(7 * 3600))
        .isEqualTo(PLAIN.weather().outdoorAt(3 * day + 7 * 3600));
  }

  @Test
  public void whatIsDoneEveryNightIsWorkToo() {
    Ranking r =
        rank(
            PLAIN,
            Retrofits.of(PLAIN).stream()
                .filter(x -> x.kind() == Kind.SCREEN || x.kind() == Kind.CLOSE_GAPS)
                .toList());
    Retrofit screen =
        Retrofits.of(PLAIN).stream().filter(x -> x.kind() == Kind.SCREEN).findFirst().orElseThrow();
    assertThat(of(r.singles(), "SCREEN").hours())
        .isCloseTo(screen.hours() + 40 * Labour.SCREEN / 60, within(1e-9));
    assertThat(of(r.singles(), "CLOSE_GAPS").hours()).isCloseTo(1.75, within(1e-9));
  }

  @Test
  public void aPriceThatIsMissingLeavesTheMoneyUnsaid() {
    Retrofit two =
        new Retrofit(
            Kind.SCREEN,
            "",
            1,
            List.of(
                new Need("fleece", 25, Pack.Unit.SQUARE_METRE),
                new Need("cord", 3, Pack.Unit.METRE)),
            1,
            p -> p);
    Prices half = new Prices(Map.of("fleece", new Pack("roll", 20, Pack.Unit.SQUARE_METRE, 12)));
    assertThat(two.money(half)).isEmpty();
    Prices whole =
        new Prices(
            Map.of(
                "fleece", new Pack("roll", 20, Pack.Unit.SQUARE_METRE, 12),
                "cord", new Pack("ball", 10, Pack.Unit.METRE, 3)));
    assertThat(two.money(whole)).hasValue(27);
  }

  @Test
  public void aRankingThatNobodyWaitsForStops() {
    Ranking.Question q =
        new Ranking.Question(List.of(PLAIN), DOUBT, Retrofits::of, Prices.NONE, 10);
    assertThatThrownBy(() -> Ranking.of(q, (n, of) -> {}, () -> true))
        .isInstanceOf(CancellationException.class);
  }

  @Test
  public void sunIsLetInByWhatIsLeftOfTheSkin() {
    double[] sun = PLAIN.weather().seconds().clone();
    java.util.Arrays.fill(sun, 100);
    SystemPlan sunny = PLAIN.withSun(sun, new double[0]);
    Retrofit half =
        Retrofits.of(sunny).stream()
            .filter(x -> x.kind() == Kind.HALF_HOUSE)
            .findFirst()
            .orElseThrow();
    assertThat(half.made().apply(sunny).sunWatts()[5]).isCloseTo(50, within(1e-9));
  }
}
