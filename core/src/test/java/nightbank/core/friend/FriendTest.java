package nightbank.core.friend;

import static nightbank.core.system.Places.NIGHT;
import static nightbank.core.system.Places.night;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.OptionalDouble;
import nightbank.core.forecast.DaysAdvice;
import nightbank.core.forecast.NightsAhead;
import nightbank.core.forecast.Verdict;
import nightbank.core.source.CompostHeat;
import nightbank.core.source.ElectricHeat;
import nightbank.core.source.Fuel;
import nightbank.core.source.FuelHeater;
import nightbank.core.source.HeatPump;
import nightbank.core.source.Receiver;
import nightbank.core.source.Share;
import nightbank.core.store.FluidStream;
import nightbank.core.system.Action;
import nightbank.core.system.CircuitEnd;
import nightbank.core.system.Control;
import nightbank.core.system.FluidCircuit;
import nightbank.core.system.Places;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.PumpedHeat;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemSimulation;
import nightbank.core.system.SystemSource;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What a friend says, and what not. */
public class FriendTest {
  private static PlantSystem looped(CircuitEnd other) {
    return looped(other, 0.1, 40);
  }

  private static PlantSystem looped(CircuitEnd other, double flow, double celsius) {
    return PlantSystem.of(Places.house(), List.of(Places.store("heap", Places.heap(), celsius)))
        .withCircuits(
            List.of(
                new FluidCircuit(
                    "loop",
                    FluidStream.water(flow),
                    List.of(new CircuitEnd.InStore("heap"), other),
                    Control.byHand())));
  }

  private static PlantSystem boiled() {
    Share all = new Share(new Receiver.Circuit("loop"), 1);
    return looped(new CircuitEnd.Boiler(90))
        .withSources(
            List.of(
                new SystemSource(
                    "rod", new ElectricHeat(List.of(all), 2000, false), Control.byHand(), true)));
  }

  @Test
  public void aLoopThatCarriesMoreThanItsBoilerGivesIsToldAndOneWithinItsDoubtIsNot() {
    Noticed said = Friend.loop(boiled(), "loop", 4100, 400).orElseThrow();
    assertThat(said).isEqualTo(new Noticed(Rule.LOOP_FIGURES, "loop", 4100, 2000, none()));
    assertThat(Friend.loop(boiled(), "loop", 2300, 0)).isEmpty();
    assertThat(Friend.loop(boiled(), "loop", 2900, 600)).isEmpty();
    assertThat(Friend.loop(boiled(), "another", 9000, 0)).isEmpty();
  }

  @Test
  public void aCollectorGivesNoMoreThanTheSunAndAirHasNoBound() {
    PlantSystem sun = looped(new CircuitEnd.Collector(2, 0.7, 6));
    assertThat(Friend.loop(sun, "loop", 1600, 0)).isEmpty();
    assertThat(Friend.loop(sun, "loop", 1800, 0)).isPresent();
    assertThat(Friend.loop(looped(new CircuitEnd.HouseAir()), "loop", 9000, 0)).isEmpty();
    assertThat(Friend.loop(looped(new CircuitEnd.Radiator(90)), "loop", 9000, 0))
        .as("nothing that heats it is known: it may be a spring")
        .isEmpty();
  }

  private static OptionalDouble none() {
    return OptionalDouble.empty();
  }

  private static PlantSystem heated(double watts) {
    return PlantSystem.of(Places.house(), List.of())
        .withSources(
            List.of(
                new SystemSource(
                    "heater",
                    new FuelHeater(
                        Share.allToHouse(),
                        Fuel.of("paraffin").orElseThrow(),
                        watts,
                        1,
                        false,
                        300),
                    Control.byHand(),
                    true)));
  }

  @Test
  public void aHouseTooWarmForItsHeatersIsToldAndOneThatItsMassesWarmIsNot() {
    Noticed said = Friend.heater("lean-to", heated(800), 7, -4, 200, 300).orElseThrow();
    assertThat(said.seen()).isEqualTo(2200);
    assertThat(said.against()).isEqualTo(1100);
    assertThat(Friend.heater("lean-to", heated(1500), 7, -4, 200, 300)).isEmpty();
    assertThat(Friend.heater("lean-to", heated(800), 7, -4, 200, 900)).isEmpty();
    assertThat(Friend.heater("lean-to", heated(800), -1, -4, 2000, 0)).as("a draught").isEmpty();
  }

  @Test
  public void aHeapsHeatHasNoBoundSoNothingIsSaidOfTheHouse() {
    PlantSystem place = rotting(40, 0.1);
    assertThat(Friend.heater("lean-to", place, 12, -9, 900, 0)).isEmpty();
  }

  @Test
  public void anEveningIsTooWarmOnlyWhileSomethingHeatsItInTheDark() {
    var hot = SystemSimulation.run(night(heated(9000), 6, Action.run("heater", 3600, 4 * 3600)));
    Noticed said = Friend.evening("h", hot, Places.house(), 0).orElseThrow();
    assertThat(said.seen()).isGreaterThan(30);
    assertThat(said.atSeconds().orElseThrow()).isBetween(3600.0, 6 * 3600.0);
    assertThat(Friend.evening("h", hot, Places.house(), NIGHT)).isEmpty();
    assertThat(Friend.evening("h", hot, Places.house(), 3.5 * 3600))
        .as("it burns for half an hour yet, which the sun may have warmed")
        .isEmpty();
    assertThat(Friend.evening("h", SystemSimulation.run(night(heated(9000), 6)), Places.house(), 0))
        .isEmpty();
  }

  @Test
  public void heatThatGoesOutByOpenVentsIsToldThoughItIsNotYetTooWarm() {
    PlantSystem vented = heated(5000).withHouse(Places.house().withVentAbove(16));
    SystemPlan plan = night(vented, 6, Action.run("heater", 3600, 4 * 3600));
    Noticed said = Friend.evening("h", SystemSimulation.run(plan), plan.house(), 0).orElseThrow();
    assertThat(said.against()).isEqualTo(16);
    assertThat(said.seen()).isBetween(16.5, 25.0);
  }

  @DataProvider
  Object[][] flows() {
    return new Object[][] {{0.01, 65.0, true}, {0.5, 65.0, false}, {0.01, 9.0, false}};
  }

  @Test(dataProvider = "flows")
  public void aFlowMattersWhereTheNightHangsOnIt(double flow, double celsius, boolean matters) {
    PlantSystem place = looped(new CircuitEnd.Radiator(150), flow, celsius);
    SystemPlan plan = night(place, -6, Action.run("loop", 3600, NIGHT));
    List<Noticed> said = Friend.flows(plan, SystemSimulation.run(plan));
    assertThat(said).hasSize(matters ? 1 : 0);
    assertThat(said).allMatch(n -> n.of().equals("loop") && n.seen() - n.against() >= 0.5);
  }

  @Test
  public void aHeapThatWeighsWhatNobodyPutThereIsTold() {
    assertThat(Friend.heap("heap", 700, 1900)).isPresent();
    assertThat(Friend.heap("heap", 1000, 1900)).isEmpty();
    assertThat(Friend.heap("heap", 0, 1900)).as("nobody said anything").isEmpty();
  }

  private static PlantSystem rotting(double celsius, double flow) {
    SystemSource rot =
        new SystemSource(
            "rot",
            new CompostHeat("heap", List.of(new CompostHeat.Batch(0, 900, 60, 0.55, 0.4))),
            Control.free(),
            false);
    return looped(new CircuitEnd.Radiator(90), flow, celsius).withSources(List.of(rot));
  }

  private static List<Noticed> overdrawn(PlantSystem place, Action... done) {
    SystemPlan plan = night(place, -7, done);
    return Friend.overdrawn(plan, SystemSimulation.run(plan));
  }

  @Test
  public void aHeapThatItsLoopCoolsTooFarIsToldWithWhatItWouldBeLeftAlone() {
    Action all = Action.run("loop", 0, NIGHT);
    List<Noticed> said = overdrawn(rotting(51, 0.1), all);
    assertThat(said).hasSize(1);
    assertThat(said.get(0).of()).isEqualTo("heap");
    assertThat(said.get(0).seen()).isLessThan(45);
    assertThat(said.get(0).against()).isGreaterThan(said.get(0).seen() + 5);
    assertThat(said.get(0).atSeconds()).hasValue(NIGHT);
    assertThat(overdrawn(rotting(51, 0.1))).as("nothing is drawn").isEmpty();
    assertThat(overdrawn(rotting(65, 0.1), Action.run("loop", 0, 600))).as("a little").isEmpty();
    assertThat(overdrawn(rotting(30, 0.1), all)).as("it was cold before").isEmpty();
    assertThat(overdrawn(looped(new CircuitEnd.Radiator(90), 0.1, 51), all))
        .as("it is spent, and a store like another")
        .isEmpty();
  }

  @Test
  public void aLoopThatRunsByItselfIsHeldAgainstTheHeapLeftAloneToo() {
    PlantSystem place = rotting(51, 0.1);
    FluidCircuit c = place.circuits().get(0);
    assertThat(overdrawn(place.withCircuits(List.of(c.with(Control.free()))))).hasSize(1);
  }

  @Test
  public void whatAHeatPumpTakesOutOfAHeapCountsToo() {
    PumpedHeat pump =
        new PumpedHeat(
            "pump",
            HeatPump.usual(4000),
            new PumpedHeat.Node.Store("heap"),
            new PumpedHeat.Node.HouseAir(),
            Control.free());
    PlantSystem place = rotting(51, 0.1).withPumps(List.of(pump));
    assertThat(overdrawn(place)).hasSize(1);
    assertThat(overdrawn(place.byHand("pump"::equals))).isEmpty();
  }

  private static NightsAhead ahead(double first, double second) {
    return new NightsAhead(
        List.of(one(0, first), one(86_400, second)), SystemSimulation.run(night(0)));
  }

  private static NightsAhead.Night one(double dusk, double tenth) {
    NightsAhead.Span span = new NightsAhead.Span(dusk, dusk + NIGHT);
    double chance = tenth < 2 ? 0.5 : 0.95;
    Verdict verdict = tenth < 2 ? Verdict.CLOSE : Verdict.HELD;
    return new NightsAhead.Night(span, -5, tenth + 1, dusk + 9, tenth, chance, verdict);
  }

  private static DaysAdvice advice(double from) {
    return new DaysAdvice(List.of(Action.run("element", from, from + 3600)), true, 5, none());
  }

  @Test
  public void aLaterNightThatHangsOnTodayIsToldAndOneThatCanWaitIsNot() {
    Noticed said = Friend.today("h", ahead(4, 1), advice(7200), List.of(), 2).orElseThrow();
    assertThat(said).isEqualTo(new Noticed(Rule.CHARGE_TODAY, "h", 1, 2, OptionalDouble.of(7200)));
    assertThat(Friend.today("h", ahead(4, 1), advice(90_000), List.of(), 2)).isEmpty();
    assertThat(Friend.today("h", ahead(1, 1), advice(7200), List.of(), 2))
        .as("tonight's own advice says it")
        .isEmpty();
    assertThat(Friend.today("h", ahead(4, 4), advice(7200), List.of(), 2)).isEmpty();
    assertThat(Friend.today("h", ahead(4, 1), advice(7200), advice(7200).actions(), 2))
        .as("it is planned")
        .isEmpty();
  }

  @Test
  public void ofManyTheWeightiestThreeAreSaidAndNothingThatWasPutAway() {
    Noticed heap = Friend.heap("heap", 700, 1900).orElseThrow();
    Noticed lighter = Friend.heap("old heap", 300, 1900).orElseThrow();
    Noticed loop = Friend.loop(boiled(), "loop", 4100, 400).orElseThrow();
    Noticed house = Friend.heater("h", heated(800), 7, -4, 200, 300).orElseThrow();
    List<Noticed> all = List.of(heap, lighter, house, loop);
    assertThat(Noticed.weightiest(all, n -> false)).containsExactly(loop, house, lighter);
    assertThat(Noticed.weightiest(all, loop::equals)).containsExactly(house, lighter, heap);
  }
}
