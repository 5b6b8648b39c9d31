package nightbank.core.forecast;

import static nightbank.core.system.Places.fire;
import static nightbank.core.system.Places.night;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import nightbank.core.source.ElectricHeat;
import nightbank.core.source.Share;
import nightbank.core.store.Place;
import nightbank.core.system.Control;
import nightbank.core.system.Places;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemResult;
import nightbank.core.system.SystemSimulation;
import nightbank.core.system.SystemSource;
import nightbank.core.weather.Weather;
import org.testng.annotations.Test;

/** What is short, and what things are worth. */
public class CounterfactualTest {
  @Test
  public void aNightIsExplainedByWhatWouldBeOtherwise() {
    SystemPlan p = night(-7, fire(1, 6));
    double usual = SystemSimulation.run(p.small()).lowestCelsius();
    List<Counterfactual> all = Counterfactual.of(p);
    assertThat(all).extracting(Counterfactual::kind).contains(Counterfactual.Kind.values());
    for (Counterfactual c : all) {
      assertThat(c.gainKelvin()).isCloseTo(c.lowestCelsius() - usual, within(1e-9));
      if (c.kind() != Counterfactual.Kind.WITHOUT_STORE) {
        assertThat(c.gainKelvin()).as(c.kind().name()).isPositive();
      }
    }
    Counterfactual bench =
        all.stream().filter(c -> c.of().equals("bench")).findFirst().orElseThrow();
    assertThat(bench.gainKelvin()).as("all of the fire to the room by dusk").isNegative();
    assertThat(bench.peakKelvin()).as("what it takes off the evening").isGreaterThan(1);
  }

  @Test
  public void aStoreThatGivesTheHouseNothingIsNotWeighed() {
    PlantSystem plant = Places.plant();
    PlantSystem apart =
        plant.withStores(
            List.of(
                plant.stores().get(0),
                Places.store("sand", Places.lidded().withPlace(Place.outdoors()), 90)));
    assertThat(Counterfactual.of(night(apart, -7)))
        .extracting(Counterfactual::of)
        .contains("bench")
        .doesNotContain("sand");
  }

  @Test
  public void withWhatIsShortTheNightHoldsAndWithATenthLessItDoesNot() {
    SystemPlan p = night(-9);
    SystemResult r = SystemSimulation.run(p);
    Shortfall s = Shortfall.of(p, r);
    assertThat(heated(p, s, 1.0)).isCloseTo(2, within(0.1));
    assertThat(heated(p, s, 0.9)).isLessThan(2);
    assertThat(s.joules())
        .isCloseTo(s.watts() * (p.lengthSeconds() - s.fromSeconds()), within(1.0));
    double missing = (2 - r.lowestCelsius()) * p.house().lossCoefficient(2);
    assertThat(s.watts()).as("walls and floor swallow part of it").isGreaterThan(missing);
  }

  @Test
  public void anEveningThatIsTooColdAlreadyAsksForNoMoreThanTheNightTakes() {
    SystemPlan cold =
        SystemPlan.of(
            Places.plant().without(id -> true),
            Weather.typed(-1, -6, 13 * 3600, 2, 0.3, 16 * 3600),
            -5,
            -5,
            7,
            16 * 3600,
            60);
    Shortfall s = Shortfall.of(cold, SystemSimulation.run(cold));
    assertThat(s.watts()).isBetween(200.0, 20_000.0);
  }

  private static double heated(SystemPlan p, Shortfall s, double times) {
    List<SystemSource> sources = new ArrayList<>(p.system().sources());
    sources.add(
        new SystemSource(
            "heater",
            new ElectricHeat(Share.allToHouse(), times * s.watts(), false),
            Control.between(List.of(new Control.Window(s.fromSeconds(), p.lengthSeconds()))),
            true));
    return SystemSimulation.run(p.withSystem(p.system().withSources(sources))).lowestCelsius();
  }

  @Test
  public void whyItIsShortIsTold() {
    SystemPlan none = night(-9).withoutStores();
    assertThat(Shortfall.of(none, SystemSimulation.run(none)).kind())
        .isEqualTo(Shortfall.Kind.NO_STORE);
    SystemPlan hot =
        night(PlantSystem.of(Places.house(), List.of(Places.store("sand", big(), 90))), -9);
    assertThat(Shortfall.of(hot, SystemSimulation.run(hot)).kind()).isEqualTo(Shortfall.Kind.SPEED);
    SystemPlan cool =
        night(PlantSystem.of(Places.house(), List.of(Places.store("sand", big(), 6))), -9);
    assertThat(Shortfall.of(cool, SystemSimulation.run(cool)).kind())
        .isEqualTo(Shortfall.Kind.HEAT);
    SystemPlan mild = night(4);
    assertThat(Shortfall.of(mild, SystemSimulation.run(mild))).isEqualTo(Shortfall.NONE);
  }

  private static nightbank.core.store.HeatStore big() {
    return Places.lidded().withCount(4);
  }
}
