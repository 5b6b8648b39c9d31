package nightbank.core.store.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.List;
import java.util.Map;
import nightbank.core.medium.Medium;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.medium.Range;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.Fill;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import org.testng.annotations.Test;

/** Bodies of more than one medium: layers, cores, hollows. */
public class FillsTest {
  private static final Geometry DRUM = new Geometry.Cylinder(0.4, 1);
  private static final Face SHUT = Face.measured(1e-9);

  private static Medium plain(String name, double density, double heat, double conductivity) {
    return new Medium(
        name,
        name,
        Medium.Kind.SOLID,
        0,
        Range.exactly(density),
        Range.exactly(heat),
        Medium.HeatLaw.LINEAR,
        Range.exactly(conductivity),
        1000,
        "made up");
  }

  private static final Medium LIGHT = plain("light", 800, 900, 0.4);
  private static final Medium HEAVY = plain("heavy", 2400, 850, 2.4);

  private static HeatStore shut(Medium medium, Fill... fills) {
    return HeatStore.of(
            DRUM, medium, Map.of(FaceName.SIDE, SHUT, FaceName.TOP, SHUT, FaceName.FOOT, SHUT))
        .withFills(List.of(fills));
  }

  private static Surroundings at(double celsius) {
    return new Surroundings().set(celsius, celsius);
  }

  private static Medium of(String id) {
    return MediumCatalogue.medium(id).orElseThrow();
  }

  @Test
  public void aLayerOfTheSameChangesNothing() {
    HeatStore bare =
        HeatStore.of(DRUM, LIGHT, Map.of(FaceName.TOP, Face.bare(), FaceName.FOOT, SHUT));
    HeatStore layered = bare.withFills(List.of(Fill.layer(LIGHT, 0.43, 0.81)));
    StoreState start = StoreState.uniform(StoreGrid.standard(bare), 60);
    ConductionStore a = new ConductionStore(bare, start);
    ConductionStore b = new ConductionStore(layered, start);
    for (int i = 0; i < 200; i++) {
      a.step(300, at(5), 200);
      b.step(300, at(5), 200);
    }
    assertThat(b.state().celsius()).containsExactly(a.state().celsius(), within(1e-9));
    assertThat(layered.mass()).isCloseTo(bare.mass(), within(1e-9));
  }

  @Test
  public void atRestEachLayerBearsItsShareOfTheFall() {
    HeatStore stack =
        HeatStore.of(
                DRUM,
                HEAVY,
                Map.of(
                    FaceName.SIDE,
                    SHUT,
                    FaceName.TOP,
                    Face.measured(5),
                    FaceName.FOOT,
                    Face.measured(5)))
            .withFills(List.of(Fill.layer(LIGHT, 0.5, 1)))
            .withZone(new HeatedZone(1, 0, 0.05));
    ConductionStore model =
        new ConductionStore(stack, StoreState.uniform(StoreGrid.standard(stack), 20));
    for (int i = 0; i < 40_000; i++) {
      model.step(3600, at(10), 60);
    }
    double up = model.faceWatts(FaceName.TOP) / stack.geometry().endArea();
    double light = model.at(0.5, 0.6) - model.at(0.5, 0.9);
    double heavy = model.at(0.5, 0.15) - model.at(0.5, 0.4);
    assertThat(light).isCloseTo(up * 0.3 / 0.4, withinPercentage(1));
    assertThat(heavy).isCloseTo(up * 0.25 / 2.4, withinPercentage(1));
    assertThat(model.faceWatts(FaceName.TOP) + model.faceWatts(FaceName.FOOT))
        .isCloseTo(60, within(0.01));
  }

  @Test
  public void whereTwoMediaMeetTheyTakeTheTemperatureOfContact() {
    // Carslaw and Jaeger, 2.15: two half-spaces, (b1 T1 + b2 T2)/(b1 + b2) with b = √(k ρ c)
    HeatStore stack = shut(HEAVY, Fill.layer(LIGHT, 0.5, 1));
    StoreGrid fine = new StoreGrid(DRUM, 2, 1, 80);
    double[] start = new double[fine.cells()];
    for (int c = 0; c < start.length; c++) {
      start[c] = fine.heightFraction(c) > 0.5 ? 20 : 80;
    }
    ConductionStore model = new ConductionStore(stack, new StoreState(fine, start));
    for (int i = 0; i < 720; i++) {
      model.step(10, at(20));
    }
    double heavy = Math.sqrt(2.4 * 2400 * 850);
    double light = Math.sqrt(0.4 * 800 * 900);
    double contact = (heavy * 80 + light * 20) / (heavy + light);
    double met = (model.at(0.5, 0.5 - 0.5 / 80) * 2.4 + model.at(0.5, 0.5 + 0.5 / 80) * 0.4) / 2.8;
    assertThat(met).isCloseTo(contact, within(0.6));
  }

  @Test
  public void everyJouleIsBookedAlsoWhereOneOfThemDries() {
    HeatStore stack =
        HeatStore.of(DRUM, of("dry-sand"), Map.of(FaceName.TOP, Face.bare()))
            .withFills(List.of(Fill.layer(of("damp-sand"), 0.7, 1)))
            .withZone(new HeatedZone(0.5, 0.3, 0.95));
    ConductionStore model =
        new ConductionStore(stack, StoreState.uniform(StoreGrid.standard(stack), 15));
    double before = model.heatContent();
    double in = 0;
    double out = 0;
    for (int i = 0; i < 400; i++) {
      model.step(600, at(5), 1500);
      in += 1500 * 600.0;
      for (FaceName name : FaceName.values()) {
        out += model.faceWatts(name) * 600;
      }
    }
    assertThat(model.steamJoules()).isPositive();
    assertThat(model.heatContent() - before + model.steamJoules())
        .isCloseTo(in - out, within(1e-6 * in));
  }

  @Test
  public void theBalanceOfAStateIsThatOfItsModel() {
    HeatStore stack = shut(HEAVY, new Fill(LIGHT, new HeatedZone(0, 0.37, 0.22, 0.9)));
    ConductionStore model =
        new ConductionStore(stack, StoreState.uniform(StoreGrid.standard(stack), 20));
    for (int i = 0; i < 30; i++) {
      model.step(600, at(5), 800);
    }
    assertThat(model.state().usableEnergy(stack))
        .isCloseTo(model.usableEnergy(), withinPercentage(1e-6));
    StoreState even = StoreState.uniform(StoreGrid.standard(stack), 50);
    assertThat(even.usableEnergy(stack))
        .isCloseTo(stack.usableEnergyAt(50), withinPercentage(1e-6));
  }

  @Test
  public void aHollowWeighsNextToNothingAndItsHeatGoesIntoTheShell() {
    HeatedZone box = new HeatedZone(0, 0.5, 0.1, 0.6);
    HeatStore oven = shut(HEAVY, new Fill(Fill.HOLLOW, box)).withZone(box);
    double shell = DRUM.volume() * (1 - 0.25 * 0.5);
    assertThat(oven.mass()).isCloseTo(shell * 2400, withinPercentage(0.1));
    ConductionStore model =
        new ConductionStore(oven, StoreState.uniform(StoreGrid.standard(oven), 20));
    for (int i = 0; i < 6; i++) {
      model.step(600, at(20), 3000);
    }
    assertThat(model.at(0, 0.35)).as("the fire is the hottest").isGreaterThan(model.at(0.6, 0.35));
    assertThat(model.at(0.6, 0.35)).as("its wall next").isGreaterThan(model.at(0.95, 0.35) + 3);
    assertThat(model.at(0, 0.35) - model.at(0.15, 0.35))
        .as("all of the hollow much alike")
        .isLessThan(0.2 * (model.at(0, 0.35) - 20));
  }

  @Test
  public void lighterOrHeavierInAnEnsembleAHollowStaysAHollow() {
    HeatStore oven =
        shut(
            HEAVY,
            new Fill(Fill.HOLLOW, new HeatedZone(0, 0.5, 0.1, 0.6)),
            Fill.layer(LIGHT, 0.8, 1));
    HeatStore lighter = oven.scaled(0.8, 1.3);
    assertThat(lighter.fills().get(0)).isEqualTo(oven.fills().get(0));
    assertThat(lighter.mass()).isCloseTo(0.8 * oven.mass(), withinPercentage(0.1));
  }

  @Test
  public void ofABoxTheCoreIsAsWideFromEverySide() {
    HeatStore bench =
        HeatStore.of(new Geometry.Box(3, 0.6, 0.5), HEAVY, Map.of())
            .withFills(List.of(new Fill(LIGHT, new HeatedZone(0, 0.5, 0, 1))));
    double core = (3 - 0.3) * 0.3 * 0.5;
    assertThat(bench.volumeOf(LIGHT)).isCloseTo(core, within(1e-9));
    StoreGrid grid = StoreGrid.standard(bench);
    ConductionStore model = new ConductionStore(bench, StoreState.uniform(grid, 40));
    assertThat(model.heatContent())
        .isCloseTo(40 * (core * 800 * 900 + (0.9 - core) * 2400 * 850), withinPercentage(1e-6));
  }

  @Test
  public void whatLiesInOnePartLiesInNoOther() {
    assertThatThrownBy(() -> shut(HEAVY, Fill.layer(LIGHT, 0.4, 1), Fill.layer(HEAVY, 0.2, 0.5)))
        .hasMessageContaining("same part");
    assertThatThrownBy(
            () ->
                HeatStore.of(DRUM, of("water"), Map.of())
                    .withFills(List.of(Fill.layer(LIGHT, 0, 0.5))))
        .hasMessageContaining("solid");
    assertThatThrownBy(() -> Fill.layer(of("water"), 0, 0.5)).hasMessageContaining("stays put");
  }
}
