package nightbank.core.forecast;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import nightbank.core.house.Gap;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.InnerMass;
import nightbank.core.house.Skins;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.source.ElectricHeat;
import nightbank.core.source.Flames;
import nightbank.core.source.Fuel;
import nightbank.core.source.Hearth;
import nightbank.core.source.Share;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Layer;
import nightbank.core.store.Place;
import nightbank.core.system.Action;
import nightbank.core.system.Control;
import nightbank.core.system.Places;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemResult;
import nightbank.core.system.SystemSimulation;
import nightbank.core.system.SystemSource;
import nightbank.core.weather.Weather;
import org.testng.annotations.Test;

/** What can hurt people or break things in a night. */
public class NightCautionTest {
  private static final double LENGTH = 14 * 3600.0;
  private static final Action FIRE = Action.load("hearth", 3600, 5);
  private static final Action ELEMENT = Action.run("element", 0, 7200);

  private static SystemPlan night(HeatStore store, double celsius, Action... actions) {
    Greenhouse house =
        Greenhouse.of(List.of(Skins.part("all", 30, 5.8, 0.7)), 40, 1, 2)
            .withMasses(List.of(new InnerMass(3e7, 250)))
            .withGaps(List.of(new Gap("door", 6, 0.01)));
    PlantSystem plant =
        PlantSystem.of(house, List.of(Places.store("s", store, celsius)))
            .withSources(
                List.of(
                    new SystemSource(
                        "hearth",
                        Hearth.bench().fire(List.of("s"), false, List.of()),
                        Control.free(),
                        true),
                    new SystemSource(
                        "element",
                        new ElectricHeat(Share.allTo("s"), 500, false),
                        Control.byHand(),
                        true)));
    return SystemPlan.of(
            plant, Weather.typed(-2, -14, 12 * 3600, 3, 0.2, LENGTH), 4, 5, 5, LENGTH, 120)
        .withActions(List.of(actions));
  }

  private static HeatStore of(String medium) {
    return HeatStore.of(
            new Geometry.Cylinder(0.15, 1), MediumCatalogue.medium(medium).orElseThrow(), Map.of())
        .withPlace(Place.onHouseFloor());
  }

  private static List<NightCaution.Code> codes(SystemPlan plan) {
    return NightCaution.of(plan, SystemSimulation.run(plan)).stream()
        .map(NightCaution::code)
        .toList();
  }

  @Test
  public void waterThatBeginsToFreezeIsSaidWithItsHour() {
    SystemPlan plan = night(of("water"), 1);
    List<NightCaution> all = NightCaution.of(plan, SystemSimulation.run(plan));
    assertThat(all).extracting(NightCaution::code).containsExactly(NightCaution.Code.WATER_FREEZES);
    assertThat(all.get(0).atSeconds()).isBetween(600.0, LENGTH);
    assertThat(codes(night(of("water"), 40))).isEmpty();
  }

  @Test
  public void aFireIsNeverPlannedWithoutItsCaution() {
    assertThat(codes(night(of("granite"), 20, FIRE))).contains(NightCaution.Code.FIRE_INDOORS);
    assertThat(codes(night(of("granite"), 20))).doesNotContain(NightCaution.Code.FIRE_INDOORS);
  }

  @Test
  public void aDamperShutOnEmbersIsWarnedOfAndOneShutInTheMorningIsNot() {
    Action soon = new Action(Action.Kind.DAMPER_SHUT, "hearth", 7200, LENGTH, Double.NaN);
    Action late = new Action(Action.Kind.DAMPER_SHUT, "hearth", 9 * 3600, LENGTH, Double.NaN);
    assertThat(codes(night(of("granite"), 20, FIRE, soon)))
        .contains(NightCaution.Code.DAMPER_ON_FIRE);
    assertThat(codes(night(of("granite"), 20, FIRE, late)))
        .doesNotContain(NightCaution.Code.DAMPER_ON_FIRE);
  }

  @Test
  public void flamesWithoutAFlueAreWarnedOfAndAnEveningThatGetsTooWarmIsTold() {
    SystemPlan p = night(of("granite"), 20, Action.run("lamps", 0, LENGTH));
    List<SystemSource> sources = new ArrayList<>(p.system().sources());
    sources.add(
        new SystemSource(
            "lamps",
            new Flames(Share.allToHouse(), 80, 20, Fuel.of("paraffin").orElseThrow()),
            Control.byHand(),
            true));
    assertThat(codes(p.withSystem(p.system().withSources(sources))))
        .contains(NightCaution.Code.FLAME_INDOORS, NightCaution.Code.HOUSE_OVERHEATS);
  }

  @Test
  public void anElementInWaterIsWarnedOf() {
    assertThat(codes(night(of("water"), 40, ELEMENT))).contains(NightCaution.Code.ELEMENT_IN_WATER);
    assertThat(codes(night(of("dry-sand"), 40, ELEMENT)))
        .doesNotContain(NightCaution.Code.ELEMENT_IN_WATER);
  }

  @Test
  public void anElementThatRunsByItselfIsWarnedOfToo() {
    SystemPlan p = night(of("water"), 40);
    SystemSource free =
        new SystemSource(
            "own", new ElectricHeat(Share.allTo("s"), 200, false), Control.free(), true);
    List<SystemSource> sources = new ArrayList<>(p.system().sources());
    sources.add(free);
    assertThat(codes(p.withSystem(p.system().withSources(sources))))
        .contains(NightCaution.Code.ELEMENT_IN_WATER);
  }

  @Test
  public void waterLedThroughAHotMassIsWarnedOfAndThroughACoolOneNot() {
    assertThat(codes(led(180))).contains(NightCaution.Code.COIL_IN_HOT_MASS);
    assertThat(codes(led(50))).doesNotContain(NightCaution.Code.COIL_IN_HOT_MASS);
  }

  private static SystemPlan led(double celsius) {
    SystemPlan p = night(of("gravel"), 20);
    return p.withSystem(Places.led(p.house(), Places.heap(), celsius));
  }

  @Test
  public void whatIsHotterThanItStandsIsNamed() {
    assertThat(codes(night(of("soil"), 130))).contains(NightCaution.Code.TOO_HOT_FOR_MEDIUM);
    HeatStore wrapped =
        of("dry-sand")
            .withFace(
                FaceName.SIDE,
                Face.of(
                    new Layer.Bulk(MediumCatalogue.insulation("eps").orElseThrow(), 0.05, false)));
    assertThat(codes(night(wrapped, 120))).contains(NightCaution.Code.TOO_HOT_FOR_LAYER);
  }

  @Test
  public void stuffedGapsMakeItWarmer() {
    double open = SystemSimulation.run(night(of("granite"), 15)).lowestCelsius();
    Action stuffed = Action.house(Action.Kind.STUFF_GAPS, 0, LENGTH);
    SystemResult shut = SystemSimulation.run(night(of("granite"), 15, stuffed));
    assertThat(shut.lowestCelsius()).isGreaterThan(open + 0.2);
    assertThat(Math.abs(shut.residualJoules())).isLessThan(1e-9 * shut.lostJoules());
  }
}
