package nightbank.core.store;

import static nightbank.core.Reference.number;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.EnumMap;
import java.util.Map;
import java.util.Set;
import nightbank.core.Reference;
import nightbank.core.medium.InsulationMaterial;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.medium.Range;
import nightbank.core.store.Place.Beyond;
import nightbank.core.store.Place.Footing;
import nightbank.core.store.Place.Where;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreModel;
import nightbank.core.store.model.StoreState;
import nightbank.core.store.model.Surroundings;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Stores on floors and in the earth against finite volumes of other making. */
public class GroundPathTest {
  @DataProvider
  Object[][] cases() {
    return Reference.rows("plant/buried-and-floor.csv");
  }

  private static Layer board(double metres) {
    InsulationMaterial board =
        new InsulationMaterial(
            "board",
            "Board",
            0.035,
            new Range(0.03, 0.035, 0.04),
            Range.exactly(0),
            Range.exactly(1),
            Range.exactly(80),
            "made up");
    return new Layer.Bulk(board, metres, false);
  }

  private static Geometry geometry(Map<String, String> row) {
    return row.get("kind").endsWith("cylinder")
        ? new Geometry.Cylinder(number(row, "radius_m"), number(row, "height_m"))
        : new Geometry.Box(
            number(row, "side_a_m"), number(row, "side_b_m"), number(row, "height_m"));
  }

  @Test(dataProvider = "cases")
  public void whatLeavesAtRestIsMet(Map<String, String> row) {
    double total;
    if (row.get("kind").startsWith("buried")) {
      Map<FaceName, Face> faces = new EnumMap<>(FaceName.class);
      for (FaceName name : FaceName.values()) {
        faces.put(name, Face.of(board(number(row, "store_ins_m"))));
      }
      HeatStore store =
          HeatStore.of(geometry(row), MediumCatalogue.medium("water").orElseThrow(), faces)
              .withPlace(
                  Place.inGround()
                      .withSoil(number(row, "soil_k"))
                      .withCover(number(row, "cover_m")));
      total = store.transmittance(FaceName.SIDE, 1, 0) * store.geometry().sideArea();
      total += store.transmittance(FaceName.TOP, 1, 0) * store.geometry().endArea();
      total += store.transmittance(FaceName.FOOT, 1, 0) * store.geometry().endArea();
    } else {
      double area =
          row.get("radius_m").isEmpty()
              ? number(row, "side_a_m") * number(row, "side_b_m")
              : Math.PI * Math.pow(number(row, "radius_m"), 2);
      double radius = Math.sqrt(area / Math.PI);
      double k = number(row, "soil_k");
      double foot = number(row, "R_foot");
      double soil = GroundPath.belowDisc(radius, k, GroundPath.INDOORS, foot);
      total = 1 / (foot / area + 1 / soil);
      boolean insulated = number(row, "footing_ins_m") > 0;
      assertThat(GroundPath.houseShare(radius, number(row, "house_radius_m"), k, insulated))
          .isCloseTo(number(row, "out_share_house_floor"), within(0.06));
    }
    assertThat(total).isCloseTo(number(row, "out_G_total"), withinPercentage(6));
  }

  @Test
  public void everyPlaceSaysWhatLiesBeyondEachFace() {
    assertThat(beyond(Place.inHouse())).isEqualTo("HOUSE_AIR HOUSE_AIR HOUSE_AIR");
    assertThat(beyond(Place.onHouseFloor())).isEqualTo("HOUSE_AIR HOUSE_AIR HOUSE_SOIL");
    assertThat(beyond(Place.underHouseFloor())).isEqualTo("HOUSE_SOIL HOUSE_SOIL HOUSE_SOIL");
    assertThat(beyond(Place.outdoors())).isEqualTo("OUTDOOR_AIR OUTDOOR_AIR GROUND");
    assertThat(beyond(Place.inGround())).isEqualTo("GROUND GROUND GROUND");
    assertThat(beyond(Place.outdoors().onFooting(Footing.EARTH_COVERED)))
        .isEqualTo("GROUND GROUND GROUND");
    assertThat(beyond(Place.outdoors().open(Set.of(FaceName.SIDE))))
        .isEqualTo("HOUSE_AIR OUTDOOR_AIR GROUND");
  }

  private static String beyond(Place p) {
    Beyond side = p.beyond(FaceName.SIDE);
    return side + " " + p.beyond(FaceName.TOP) + " " + p.beyond(FaceName.FOOT);
  }

  @DataProvider
  Object[][] impossible() {
    Set<FaceName> none = Set.of();
    return new Object[][] {
      {Where.HOUSE, Footing.EARTH_COVERED, none},
      {Where.ROOM, Footing.BURIED, none},
      {Where.ROOM, Footing.EARTH_COVERED, none},
      {Where.HOUSE, Footing.RAISED, Set.of(FaceName.SIDE)},
      {Where.OUTDOORS, Footing.BURIED, Set.of(FaceName.TOP)},
      {Where.OUTDOORS, Footing.ON_GROUND, Set.of(FaceName.FOOT)},
    };
  }

  @Test(dataProvider = "impossible")
  public void placesThatCannotBeAreRefusedInWords(Where w, Footing f, Set<FaceName> open) {
    assertThatThrownBy(() -> new Place(w, f, open, 1.5, 0.5, 15))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageMatching(".{20,}");
  }

  @Test
  public void layersOfABuriedTankCountAndItLosesToTheEarthAndNotToTheAir() {
    HeatStore bare =
        HeatStore.of(
                new Geometry.Cylinder(0.5, 1),
                MediumCatalogue.medium("water").orElseThrow(),
                Map.of())
            .withPlace(Place.inGround());
    Map<FaceName, Face> wrapped = new EnumMap<>(FaceName.class);
    for (FaceName name : FaceName.values()) {
      wrapped.put(name, Face.of(board(0.1)));
    }
    assertThat(bare.withFaces(wrapped).transmittance(FaceName.SIDE, 30, 8))
        .isLessThan(0.2 * bare.transmittance(FaceName.SIDE, 30, 8));
    for (double air : new double[] {-20, 20}) {
      StoreModel model = StoreModel.of(bare, StoreState.uniform(StoreGrid.standard(bare), 30));
      model.step(600, Surroundings.of(air, 8), 0);
      double lost = 0;
      for (FaceName name : FaceName.values()) {
        lost += model.faceWatts(name);
      }
      assertThat(lost).as("in air of " + air).isCloseTo(wattsTo(bare, 8), withinPercentage(2));
    }
  }

  private static double wattsTo(HeatStore store, double ground) {
    StoreModel model = StoreModel.of(store, StoreState.uniform(StoreGrid.standard(store), 30));
    model.step(600, Surroundings.of(ground, ground), 0);
    double lost = 0;
    for (FaceName name : FaceName.values()) {
      lost += model.faceWatts(name);
    }
    return lost;
  }
}
