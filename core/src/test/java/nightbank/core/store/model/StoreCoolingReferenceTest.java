package nightbank.core.store.model;

import static nightbank.core.Reference.number;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import nightbank.core.Reference;
import nightbank.core.medium.Medium;
import nightbank.core.medium.Range;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Cooling of bodies from an even start against exact product solutions. */
public class StoreCoolingReferenceTest {
  private static final double TOLERANCE = 0.01; // of the start excess

  @DataProvider
  Object[][] cases() {
    return Reference.rows("store-cooling.csv");
  }

  @Test(dataProvider = "cases")
  public void meanAndCentreFollowTheExactSolution(Map<String, String> row) {
    double length = number(row, "radius_or_length_m");
    double height = number(row, "height_m");
    Geometry geometry =
        row.get("shape").equals("cylinder")
            ? new Geometry.Cylinder(length, height)
            : new Geometry.Box(length, number(row, "width_m"), height);
    Medium medium =
        new Medium(
            "test",
            "test",
            Medium.Kind.SOLID,
            0,
            Range.exactly(number(row, "rho_kg_m3")),
            Range.exactly(number(row, "c_J_kgK")),
            Medium.HeatLaw.LINEAR,
            Range.exactly(number(row, "k_W_mK")),
            900,
            "made up");
    Face ends = Face.measured(number(row, "u_ends_W_m2K"));
    HeatStore store =
        HeatStore.of(
            geometry,
            medium,
            Map.of(
                FaceName.SIDE,
                Face.measured(number(row, "u_side_W_m2K")),
                FaceName.TOP,
                ends,
                FaceName.FOOT,
                ends));
    ConductionStore model =
        new ConductionStore(store, StoreState.uniform(StoreGrid.standard(store), 1));
    int steps = (int) Math.round(number(row, "hours") * 60);
    for (int i = 0; i < steps; i++) {
      model.step(60, Surroundings.of(0, 0), 0);
    }
    assertThat(model.meanCelsius())
        .as("mean")
        .isCloseTo(number(row, "mean_fraction"), within(TOLERANCE));
    assertThat(model.at(0, 0.5))
        .as("centre")
        .isCloseTo(number(row, "centre_fraction"), within(TOLERANCE));
  }
}
