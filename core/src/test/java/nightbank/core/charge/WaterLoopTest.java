package nightbank.core.charge;

import static nightbank.core.Reference.number;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import nightbank.core.Reference;
import nightbank.core.medium.Medium;
import nightbank.core.medium.Range;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.MixedStore;
import nightbank.core.store.StoreGrid;
import nightbank.core.store.StoreState;
import nightbank.core.store.Surroundings;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class WaterLoopTest {
  @DataProvider
  Object[][] cases() {
    return Reference.rows("loop-charge.csv");
  }

  @Test(dataProvider = "cases")
  public void mixedStoreFollowsTheClosedForm(Map<String, String> row) {
    WaterLoop loop =
        new WaterLoop(
            number(row, "coil_UA_W_K"), number(row, "flow_kg_s"), number(row, "c_fluid_J_kgK"));
    Geometry cube = new Geometry.Box(1, 1, 1);
    Medium lump =
        new Medium(
            "lump",
            "lump",
            Medium.Kind.WATER,
            0,
            Range.exactly(1000),
            Range.exactly(number(row, "store_J_K") / 1000),
            Medium.HeatLaw.LINEAR,
            Range.exactly(1),
            95,
            "made up");
    Face face = Face.measured(number(row, "store_loss_W_K") / 6);
    HeatStore store =
        HeatStore.of(
            cube, lump, Map.of(FaceName.SIDE, face, FaceName.TOP, face, FaceName.FOOT, face));
    MixedStore model =
        new MixedStore(
            store, StoreState.uniform(StoreGrid.standard(store), number(row, "start_C")));
    double inlet = number(row, "inlet_C");
    double air = number(row, "ambient_C");
    int steps = (int) Math.round(number(row, "hours") * 720);
    for (int i = 0; i < steps; i++) {
      model.step(5, Surroundings.of(air, air), loop.watts(inlet, model.meanCelsius()));
    }
    double t = model.meanCelsius();
    assertThat(t).isCloseTo(number(row, "store_C"), within(0.1));
    assertThat(loop.outletCelsius(inlet, t)).isCloseTo(number(row, "outlet_C"), within(0.1));
    assertThat(loop.watts(inlet, t)).isCloseTo(number(row, "power_W"), within(5.0));
  }

  @Test
  public void aLoopColderThanTheStoreEmptiesIt() {
    WaterLoop loop = new WaterLoop(60, 0.05, 4186);
    assertThat(loop.watts(30, 45)).isNegative();
    assertThat(loop.outletCelsius(30, 45)).isBetween(30.0, 45.0);
  }

  @Test
  public void noFlowIsRefused() {
    assertThatThrownBy(() -> new WaterLoop(60, 0, 4186)).hasMessageContaining("flow");
  }
}
