package nightbank.core.night;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import nightbank.core.house.Floor;
import nightbank.core.house.Gap;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.InnerMass;
import nightbank.core.house.SkinPart;
import nightbank.core.house.Skins;
import nightbank.core.medium.InsulationMaterial;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.Layer;
import nightbank.core.store.Place;
import nightbank.core.store.StoreGrid;
import nightbank.core.store.StoreState;
import nightbank.core.weather.Weather;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A whole house and what is done in it through a night. */
public class ActionsTest {
  private static final double LENGTH = 15 * 3600.0;

  private static Greenhouse house() {
    return Greenhouse.of(
            List.of(
                Skins.part("roof", 20, 4.5, 0.9).sunny(0.7).facing(25, 180).screened(0.25),
                Skins.part("front", 9, 4.5, 0.45).sunny(0.7).screened(0.25),
                Skins.part("back", 16, 1.5, 0)),
            36,
            0.8,
            2)
        .withMasses(List.of(new InnerMass(6e6, 120)))
        .withGaps(List.of(new Gap("door", 5, 0.003)))
        .withFloor(new Floor(16, 12, 0.8));
  }

  private static HeatStore bench() {
    return HeatStore.of(
            new Geometry.Box(4, 0.6, 0.5),
            MediumCatalogue.medium("granite").orElseThrow(),
            Map.of())
        .withPlace(Place.onHouseFloor())
        .withZone(new HeatedZone(0.35, 0.2, 0.6));
  }

  private static HeatStore lidded() {
    InsulationMaterial wool = MediumCatalogue.insulation("stone-wool").orElseThrow();
    Face wrapped = Face.of(new Layer.Bulk(wool, 0.1, false));
    return HeatStore.of(
            new Geometry.Cylinder(0.4, 0.8),
            MediumCatalogue.medium("dry-sand").orElseThrow(),
            Map.of(FaceName.SIDE, wrapped, FaceName.TOP, wrapped, FaceName.FOOT, wrapped))
        .withPlace(Place.onHouseFloor());
  }

  private static NightPlan plan(double low, Action... actions) {
    return new NightPlan(
        house(),
        List.of(
            new NightStore("bench", bench(), StoreState.uniform(StoreGrid.coarse(bench()), 15)),
            new NightStore("sand", lidded(), StoreState.uniform(StoreGrid.coarse(lidded()), 90))),
        Weather.typed(2, low, 13 * 3600, 2, 0.3, LENGTH),
        9,
        8,
        7,
        LENGTH,
        60,
        List.of(actions),
        new double[0]);
  }

  private static Action fire(double hour, double kilograms) {
    return new Action(Action.Kind.FIRE, "bench", hour * 3600, LENGTH, kilograms);
  }

  private static final Action SCREEN = new Action(Action.Kind.SCREEN, "", 0, LENGTH, 0);
  private static final Action COVER = new Action(Action.Kind.COVER, "", 0, LENGTH, 0);
  private static final Action LID = new Action(Action.Kind.LID_OFF, "sand", 3 * 3600, LENGTH, 0);
  private static final Action ELEMENT =
      new Action(Action.Kind.ELEMENT, "sand", 3600, 4 * 3600, 800);

  @Test
  public void withEverythingDoneAtOnceEveryJouleIsBooked() {
    NightResult n = NightSimulation.run(plan(-7, fire(1, 7), SCREEN, COVER, LID, ELEMENT));
    double moved =
        n.roomJoules()
            + n.lostJoules()
            + n.stores().stream().mapToDouble(s -> s.chargedJoules()).sum();
    assertThat(n.residualJoules()).isCloseTo(0, within(1e-9 * moved));
    for (var s : n.stores()) {
      assertThat(s.chargedJoules() - s.changeJoules())
          .isCloseTo(s.deliveredJoules() + s.earlyJoules() + s.lostJoules(), within(1e-9 * moved));
    }
    assertThat(n.stores().get(1).chargedJoules()).isCloseTo(800 * 3 * 3600, within(800 * 61.0));
  }

  @DataProvider
  Object[][] helps() {
    return new Object[][] {{fire(1, 6)}, {SCREEN}, {COVER}, {LID}, {ELEMENT}};
  }

  @Test(dataProvider = "helps")
  public void eachThingDoneMakesTheNightWarmer(Action action) {
    double usual = NightSimulation.run(plan(-7)).lowestCelsius();
    assertThat(NightSimulation.run(plan(-7, action)).lowestCelsius()).isGreaterThan(usual);
  }

  @Test
  public void moreWoodIsNeverColder() {
    double before = NightSimulation.run(plan(-7)).lowestCelsius();
    for (double kg = 2; kg <= 12; kg += 2) {
      double lowest = NightSimulation.run(plan(-7, fire(1, kg))).lowestCelsius();
      assertThat(lowest).isGreaterThan(before);
      before = lowest;
    }
  }

  @Test
  public void halvingStepAndGridMovesTheLowestByLessThanATenth() {
    NightPlan usual = plan(-7, fire(1, 6), SCREEN);
    double lowest = NightSimulation.run(usual).lowestCelsius();
    assertThat(NightSimulation.run(usual.withStep(30)).lowestCelsius())
        .as("half the step")
        .isCloseTo(lowest, within(0.1));
    NightPlan fine =
        usual.withStores(
            List.of(
                new NightStore(
                    "bench", bench(), StoreState.uniform(StoreGrid.standard(bench()), 15)),
                new NightStore(
                    "sand", lidded(), StoreState.uniform(StoreGrid.standard(lidded()), 90))));
    assertThat(NightSimulation.run(fine).lowestCelsius())
        .as("half the cell")
        .isCloseTo(lowest, within(0.1));
    NightPlan small = usual.withStores(usual.stores().stream().map(NightStore::small).toList());
    assertThat(NightSimulation.run(small.withStep(120)).lowestCelsius())
        .as("as the ensemble runs it")
        .isCloseTo(lowest, within(0.1));
  }

  @Test
  public void theSameHeatIsThereOnAnyGrid() {
    StoreGrid standard = StoreGrid.standard(bench());
    double[] t = new double[standard.cells()];
    for (int c = 0; c < t.length; c++) {
      t[c] = 10 + (c * 37 % 101);
    }
    StoreState state = new StoreState(standard, t);
    StoreState small = state.on(StoreGrid.night(bench()));
    assertThat(small.meanCelsius()).isCloseTo(state.meanCelsius(), within(1e-9));
    assertThat(small.lowestCelsius()).isGreaterThanOrEqualTo(state.lowestCelsius());
  }

  @Test
  public void aNightIsExplainedByPartsThatSum() {
    NightPlan p = plan(-7, fire(1, 6));
    double usual = NightSimulation.run(p).lowestCelsius();
    for (Counterfactual c : Counterfactual.of(p)) {
      assertThat(c.gainKelvin()).isCloseTo(c.lowestCelsius() - usual, within(1e-9));
      if (c.kind() == Counterfactual.Kind.WITHOUT_STORE) {
        assertThat(c.gainKelvin()).as("without " + c.of()).isNegative();
      } else {
        assertThat(c.gainKelvin()).as(c.kind().name()).isPositive();
      }
    }
  }

  @Test
  public void theOrderOfStoresChangesNothing() {
    NightPlan p = plan(-7, fire(1, 6), LID);
    NightPlan turned = p.withStores(List.of(p.stores().get(1), p.stores().get(0)));
    double[] a = NightSimulation.run(p).air();
    double[] b = NightSimulation.run(turned).air();
    for (int i = 0; i < a.length; i++) {
      assertThat(b[i]).isCloseTo(a[i], within(1e-9));
    }
  }

  @Test
  public void twoHalfHousesLoseWhatTheWholeDoes() {
    Greenhouse whole = house();
    NightPlan p = plan(-7).withoutStores();
    var doubled = new ArrayList<>(whole.skin());
    doubled.replaceAll(
        part ->
            new SkinPart(
                part.name(),
                part.areaSquareMetres() / 2,
                part.resistance(),
                part.dry(),
                part.wet(),
                part.skyView(),
                part.solarShare(),
                part.tiltDegrees(),
                part.azimuthDegrees(),
                part.beyondCelsius(),
                part.screenResistance(),
                part.slab(),
                part.heatFactor()));
    var halves = new ArrayList<>(doubled);
    halves.addAll(doubled);
    Greenhouse split = whole.withSkin(halves);
    assertThat(NightSimulation.run(p.withHouse(split)).lowestCelsius())
        .isCloseTo(NightSimulation.run(p).lowestCelsius(), within(1e-9));
  }

  private static List<Advice.Option> options() {
    List<Action> fires = new ArrayList<>();
    for (double kg : new double[] {2, 4, 6, 8, 10, 12}) {
      fires.add(fire(1, kg));
    }
    return List.of(
        new Advice.Option(List.of(SCREEN)),
        new Advice.Option(List.of(LID)),
        new Advice.Option(fires),
        new Advice.Option(List.of(COVER)));
  }

  @Test
  public void nothingIsAdvisedForAMildNight() {
    Advice a = Advice.find(plan(3), options(), 0.5);
    assertThat(a.holds()).isTrue();
    assertThat(a.actions()).isEmpty();
  }

  @Test
  public void theLeastWorkThatHoldsIsWhatBruteForceFinds() {
    NightPlan p = plan(-6);
    Advice a = Advice.find(p, options(), 0.5);
    assertThat(a.holds()).isTrue();
    double least = Double.POSITIVE_INFINITY;
    for (int mask = 0; mask < 8; mask++) {
      for (int kg = 0; kg <= 12; kg += 2) {
        List<Action> some = new ArrayList<>();
        if ((mask & 1) != 0) {
          some.add(SCREEN);
        }
        if ((mask & 2) != 0) {
          some.add(LID);
        }
        if ((mask & 4) != 0) {
          some.add(COVER);
        }
        if (kg > 0) {
          some.add(fire(1, kg));
        }
        if (NightSimulation.run(p.withActions(some)).lowestCelsius() >= 2.5) {
          least = Math.min(least, Advice.minutes(some));
        }
      }
    }
    assertThat(a.minutes()).isCloseTo(least, within(6.0)); // a step of wood, on the small grid
  }

  @Test
  public void whatIsAdvisedHoldsByItsOwnEnsemble() {
    NightForecast.Doubt doubt = NightForecast.Doubt.ofTypedNight();
    Advice a = Advice.find(plan(-4), options(), doubt);
    assertThat(a.holds()).isTrue();
    assertThat(a.actions()).isNotEmpty();
    NightForecast done = NightForecast.of(plan(-4).withActions(a.actions()), doubt, 64);
    assertThat(done.lowestTenth()).isGreaterThan(2 - 0.3);
  }

  @Test
  public void whatStandsAnywayIsInTheAdviceAndMoreOnlyWhereItDoesNotDo() {
    Advice mild = Advice.find(plan(3).withActions(List.of(LID)), options(), 0.5);
    assertThat(mild.actions()).containsExactly(LID);
    List<Advice.Option> others =
        options().stream().filter(o -> !o.choices().contains(LID)).toList();
    Advice hard = Advice.find(plan(-6).withActions(List.of(LID)), others, 0.5);
    assertThat(hard.actions()).startsWith(LID).hasSizeGreaterThan(1);
    assertThat(hard.holds()).isTrue();
  }

  @DataProvider
  Object[][] lows() {
    return new Object[][] {{-1.0}, {-3.0}, {-5.0}, {-6.0}, {-7.0}};
  }

  @Test(dataProvider = "lows")
  public void whatIsAdvisedIsJudgedHeldByTheEnsembleThatJudgesNights(double low) {
    NightForecast.Doubt doubt = NightForecast.Doubt.ofTypedNight();
    Advice a = Advice.find(plan(low), options(), doubt);
    if (a.holds()) {
      NightForecast done =
          NightForecast.of(plan(low).withActions(a.actions()), doubt, Advice.MEMBERS);
      assertThat(done.verdict()).isEqualTo(Verdict.HELD);
    }
  }

  @Test
  public void whenNothingHoldsTheNearestIsGivenWithWhatIsLacking() {
    Advice a = Advice.find(plan(-25), options(), 0.5);
    assertThat(a.holds()).isFalse();
    assertThat(a.actions()).hasSize(4);
    assertThat(a.shortage()).isNotEqualTo(Shortfall.Kind.NONE);
  }

  @Test
  public void aHouseAgainstAHeatedBuildingIsWarmerThanOneAlone() {
    Greenhouse alone = house();
    Greenhouse leaning = alone.changed(p -> p.name().equals("back") ? p.against(17) : p, 1);
    NightPlan p = plan(-7);
    assertThat(NightSimulation.run(p.withHouse(leaning)).lowestCelsius())
        .isGreaterThan(NightSimulation.run(p).lowestCelsius() + 0.5);
  }

  @Test
  public void aHouseWithNothingSlowInItIsSimulatedToo() {
    Greenhouse bare =
        Greenhouse.of(List.of(Skins.part("all", 20, 5, 0.5)), 30, 1, 2).withAirCapacity(1e5);
    NightResult n = NightSimulation.run(plan(-7).withHouse(bare).withoutStores());
    assertThat(n.lowestCelsius()).isBetween(-12.0, -5.0);
  }

  @Test
  public void waterThatFreezesGivesItsLatentHeat() {
    HeatStore tank =
        HeatStore.of(
                new Geometry.Cylinder(0.3, 1),
                MediumCatalogue.medium("water").orElseThrow(),
                Map.of())
            .withPlace(Place.inHouse());
    NightPlan cold =
        plan(-28)
            .withStores(
                List.of(
                    new NightStore("tank", tank, StoreState.uniform(StoreGrid.coarse(tank), 1))));
    NightResult n = NightSimulation.run(cold);
    double[] mean = n.stores().get(0).meanCelsius();
    assertThat(mean[mean.length - 1]).isBetween(-1.0, 0.0);
    assertThat(n.residualJoules()).isCloseTo(0, within(1e-9 * 1e9));
  }
}
