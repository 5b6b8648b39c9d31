package nightbank.core.house;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.function.UnaryOperator;
import org.testng.annotations.Test;

/** Rooms: earth behind walls, and what people feel in them. */
public class RoomTest {
  private static final Floor.Soil SOIL = Floor.Soil.GARDEN;
  private static final HouseShape.Room SHAPE = new HouseShape.Room(4, 3, 2.2);

  private static Greenhouse room(UnaryOperator<SkinPart> walls) {
    List<SkinPart> parts =
        SHAPE.sides(180).stream()
            .map(
                s ->
                    walls.apply(
                        SkinPart.of(s.name(), s.areaSquareMetres(), 1.6)
                            .facing(s.tiltDegrees(), s.azimuthDegrees())))
            .toList();
    return Greenhouse.of(parts, SHAPE.volume(), 0.3, 3)
        .withFloor(new Floor(SHAPE.floorArea(), 0, Floor.EDGE_BARE))
        .withWetShare(0);
  }

  private static HouseModel.Step frost(double watts) {
    HouseModel.Step s = new HouseModel.Step();
    s.outdoorCelsius = -10;
    s.skyCelsius = -28;
    s.windMetresPerSecond = 3;
    s.groundCelsius = 9;
    s.gainWatts = watts;
    return s;
  }

  @Test
  public void aBareWallLosesThroughEarthAsAlongArcsToTheSurface() {
    // Boileau and Latta 1968: quarter circles from every depth; U = 2λ/(πz) ln(1 + πz/(2λR))
    for (double foot : new double[] {1, 2, 3}) {
      double r = 0.47;
      double arcs =
          2
              * SOIL.conductivity()
              / (Math.PI * foot)
              * Math.log(1 + Math.PI * foot / (2 * SOIL.conductivity() * (r + 0.17)));
      double earth = Behind.Earth.at(foot / 2, r, SOIL).resistance();
      assertThat(1 / (0.13 + r + earth)).isCloseTo(arcs, within(0.3 * arcs));
    }
  }

  @Test
  public void theDeeperTheLongerTheWayThroughEarth() {
    double before = 0;
    for (double depth = 0.25; depth <= 10; depth *= 1.5) {
      double now = Behind.Earth.at(depth, 0.3, SOIL).resistance();
      assertThat(now).isGreaterThan(before);
      before = now;
    }
  }

  @Test
  public void shallowEarthIsRefusedInWords() {
    assertThatThrownBy(() -> SkinPart.of("back", 8, 2).banked(0.1))
        .hasMessageContaining("0.25 to 10 m deep");
  }

  @Test
  public void whatABankedRoomLosesAtRestIsWhatIsPutIn() {
    HouseModel model = new HouseModel(room(p -> p.banked(1.1)), 12, 12, 9);
    HouseModel.Step s = frost(400);
    for (int i = 0; i < 20_000; i++) {
      model.step(1800, s);
    }
    HouseLosses losses =
        HouseLosses.at(
            room(p -> p.banked(1.1)),
            new HouseLosses.Conditions(
                model.airCelsius(), model.floorCelsius(), -10, -28, 3, Double.NaN, 9, false));
    assertThat(model.lostJoules() / 1800).isCloseTo(losses.watts(), within(2.0));
    assertThat((model.lostJoules() + model.groundJoules()) / 1800).isCloseTo(400, within(1.0));
    assertThat(losses.losses())
        .filteredOn(l -> l.kind() == HouseLosses.Loss.Kind.BANKED_WALL)
        .hasSize(5);
  }

  @Test
  public void everyJouleOfABankedRoomIsBooked() {
    HouseModel model = new HouseModel(room(p -> p.banked(0.6)), 6, 7, 9);
    HouseModel.Step s = frost(900);
    double start = model.heatContent();
    double through = 0;
    for (int i = 0; i < 500; i++) {
      model.step(600, s);
      through += 900 * 600 - model.lostJoules() - model.groundJoules();
    }
    assertThat(model.heatContent() - start).isCloseTo(through, within(50.0));
  }

  @Test
  public void aCellarGoesThroughAFrostThatARoomInTheOpenDoesNot() {
    HouseModel cellar = new HouseModel(room(p -> p.banked(1.1)), 8, 8, 9);
    HouseModel open = new HouseModel(room(p -> p), 8, 8, 9);
    HouseModel.Step s = frost(0);
    for (int i = 0; i < 48; i++) {
      cellar.step(1800, s);
      open.step(1800, s);
    }
    assertThat(cellar.airCelsius()).isBetween(3.0, 9.0);
    assertThat(open.airCelsius()).isLessThan(0);
  }

  @Test
  public void peopleFeelColdWallsBesideWarmAir() {
    HouseModel model = new HouseModel(room(p -> p).keeping(Keeps.PEOPLE), 18, 14, 9);
    for (int i = 0; i < 12; i++) {
      model.step(1800, frost(2500));
    }
    double walls = model.skinCelsius(1);
    assertThat(model.limitedCelsius()).isBetween(walls, model.airCelsius() - 1);
  }

  @Test
  public void rootsFeelTheAirAlone() {
    HouseModel model = new HouseModel(room(p -> p).keeping(Keeps.THINGS), 8, 8, 9);
    model.step(1800, frost(0));
    assertThat(model.limitedCelsius()).isEqualTo(model.airCelsius());
  }

  @Test
  public void inARoomAllOfOneWarmthPeopleFeelThat() {
    Greenhouse still =
        room(p -> p.against(17)).keeping(Keeps.PEOPLE).withFloor(new Floor(12, 0, 0));
    HouseModel model = new HouseModel(still, 17, 17, 17);
    HouseModel.Step s = frost(0);
    s.outdoorCelsius = 17;
    s.skyCelsius = 17;
    s.groundCelsius = 17;
    for (int i = 0; i < 200; i++) {
      model.step(1800, s);
    }
    assertThat(model.limitedCelsius()).isCloseTo(17, within(0.05));
  }

  @Test
  public void aCellarThatNobodyReadIsAsWarmAsItComesToRestAt() {
    Greenhouse cellar = room(p -> p.banked(1.1));
    double rest = HouseLosses.atRest(cellar, -4, 9);
    HouseModel model = new HouseModel(cellar, 12, 12, 9);
    HouseModel.Step s = frost(0);
    s.outdoorCelsius = -4;
    s.skyCelsius = -4;
    s.windMetresPerSecond = 2;
    for (int i = 0; i < 20_000; i++) {
      model.step(1800, s);
    }
    assertThat(model.airCelsius()).isCloseTo(rest, within(0.7));
    assertThat(rest).isBetween(4.0, 9.0);
  }
}
