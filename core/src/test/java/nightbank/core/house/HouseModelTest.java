package nightbank.core.house;

import static nightbank.core.Reference.number;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import nightbank.core.Reference;
import nightbank.core.medium.Medium;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.weather.Sky;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class HouseModelTest {
  @DataProvider
  Object[][] cases() {
    return Reference.rows("two-node-night.csv");
  }

  /** A house that loses by draught alone, so much at 4 m/s. */
  private static Greenhouse house(double air, double mass, double tie, double loss) {
    return Greenhouse.of(List.of(), loss * 3600 / Greenhouse.AIR_HEAT / 10, 10, 2)
        .withAirCapacity(air)
        .withMasses(List.of(new InnerMass(mass, tie)));
  }

  @Test(dataProvider = "cases")
  public void airAndMassFollowTheClosedForm(Map<String, String> row) {
    Greenhouse house =
        house(
            number(row, "air_J_K"),
            number(row, "mass_J_K"),
            number(row, "tie_W_K"),
            number(row, "loss_W_K"));
    HouseModel model = new HouseModel(house, number(row, "air0_C"), number(row, "mass0_C"));
    for (int i = 0; i < number(row, "hours") * 60; i++) {
      model.step(60, number(row, "outdoor_C"), 4, 0, number(row, "gain_W"));
    }
    assertThat(model.airCelsius()).isCloseTo(number(row, "air_C"), within(0.05));
    assertThat(model.massCelsius()).isCloseTo(number(row, "mass_C"), within(0.05));
  }

  @Test
  public void aSteadyHeaterLiftsTheAirByItsPowerOverTheLoss() {
    HouseModel model = new HouseModel(house(2e5, 5e6, 90, 120), 0, 0);
    for (int i = 0; i < 3000; i++) {
      model.step(600, -5, 4, 0, 1800);
    }
    assertThat(model.airCelsius()).isCloseTo(-5 + 1800.0 / 120, within(1e-6));
  }

  private static Greenhouse whole() {
    Slab stone = new Slab(0.4, 1.8, 2.1e6);
    return Greenhouse.of(
            List.of(
                Skins.pane("roof", 18, 5.8, 25).screened(0.25),
                Skins.film("film end", 6, 90),
                Skins.part("house wall", 12, 1.5, 0).against(16),
                Skins.part("stone wall", 9, 2.2, 0.4).massive(stone)),
            32,
            1,
            2)
        .withMasses(List.of(new InnerMass(8e6, 90)))
        .withGaps(List.of(new Gap("door", 5, 0.004)))
        .withFloor(new Floor(14, 16, 0.8))
        .withWindShare(0.5)
        .withVentAbove(18);
  }

  @Test
  public void theLedgerOfTheWholeHouseClosesWithFrostDewSunAndStores() {
    HouseModel model = new HouseModel(whole(), 6, 3, 2);
    HouseModel.Step s = new HouseModel.Step();
    double start = model.heatContent();
    double in = 0;
    double out = 0;
    double coldest = 99;
    for (int i = 0; i < 3 * 24 * 60; i++) {
      s.outdoorCelsius = -16 + 9 * Math.sin(i / 230.0);
      s.windMetresPerSecond = 3;
      s.skyCelsius = -34;
      s.gainWatts = 100;
      s.radiantWatts = 150;
      s.floorWatts = 60;
      s.pipeWatts = 40;
      s.sunWatts = Math.max(0, 4_000 * Math.sin(i / 230.0));
      s.groundCelsius = 2;
      s.screenDrawn = i % 1440 > 700;
      model.step(60, s);
      in += (100 + 150 + 60 + 40) * 60 + model.sunJoules();
      out += model.lostJoules() + model.ventedJoules() + model.groundJoules();
      coldest = Math.min(coldest, model.floorCelsius());
    }
    double moved = in + Math.abs(out);
    assertThat(coldest).as("the soil freezes").isLessThan(-0.6);
    assertThat(in - out - (model.heatContent() - start)).isCloseTo(0, within(1e-9 * moved));
  }

  @Test
  public void pipesInTheBedsWarmAHouseWithinANightAndAStoresFootDeepDownLess() {
    double[] lows = new double[3];
    for (int way = 0; way < 3; way++) {
      HouseModel model = new HouseModel(whole(), 6, 5, 5);
      HouseModel.Step s = new HouseModel.Step();
      s.outdoorCelsius = -6;
      s.windMetresPerSecond = 2;
      s.skyCelsius = -20;
      s.groundCelsius = 5;
      s.pipeWatts = way == 1 ? 600 : 0;
      s.floorWatts = way == 2 ? 600 : 0;
      for (int i = 0; i < 15 * 60; i++) {
        model.step(60, s);
      }
      lows[way] = model.airCelsius();
    }
    assertThat(lows[1]).isGreaterThan(lows[0] + 0.4);
    assertThat(lows[2]).isBetween(lows[0] + 0.05, lows[1] - 0.15);
  }

  @Test
  public void aHeavyWallBeforeAWarmRoomBeginsAsThoughTheRoomHadLongBeenWarm() {
    Slab stone = new Slab(0.5, 1.6, 2e6);
    double behind = Skins.part("wall", 10, 1.9, 0).resistance() - stone.resistance() + 0.13;
    double flux = (18 - 6) / (stone.resistance() + behind);
    double mean = (6 + 18 - flux * behind) / 2;
    double more = before(18, stone).heatContent() - before(6, stone).heatContent();
    assertThat(more).isCloseTo(10 * 0.5 * 2e6 * (mean - 6), within(0.01 * more));
  }

  private static HouseModel before(double room, Slab stone) {
    SkinPart wall = Skins.part("wall", 10, 1.9, 0).massive(stone).against(room);
    return new HouseModel(
        Greenhouse.of(List.of(Skins.part("glass", 20, 5.8, 0.7), wall), 30, 1, 2), 6, 6);
  }

  @Test
  public void thePartsOfTheLossSumToTheWhole() {
    HouseModel model = new HouseModel(whole(), 6, 7, 7);
    HouseModel.Step s = new HouseModel.Step();
    s.outdoorCelsius = -4;
    s.windMetresPerSecond = 3;
    s.skyCelsius = -18;
    s.groundCelsius = 7;
    s.gainWatts = 1500;
    for (int i = 0; i < 20_000; i++) {
      model.step(1800, s);
    }
    HouseLosses losses =
        HouseLosses.at(
            whole(),
            new HouseLosses.Conditions(
                model.airCelsius(), model.floorCelsius(), -4, -18, 3, Double.NaN, 8, false));
    double parts = losses.losses().stream().mapToDouble(HouseLosses.Loss::watts).sum();
    assertThat(parts).isCloseTo(losses.watts(), within(1e-6));
    assertThat(parts).isCloseTo(model.lostJoules() / 1800, within(2.0));
    assertThat(model.lostJoules() / 1800 + model.groundJoules() / 1800)
        .as("at rest")
        .isCloseTo(1500, within(1.0));
  }

  @Test
  public void aPartsLossIsWhatReachesItsInnerFace() {
    HouseLosses losses =
        HouseLosses.at(
            whole(), new HouseLosses.Conditions(8, 11, -6, -26, 2, Double.NaN, 8, false));
    for (HouseLosses.Loss l : losses.losses()) {
      assertThat(l.convectionWatts() + l.longWaveWatts() + l.throughWatts() + l.dewWatts())
          .as(l.name())
          .isCloseTo(l.watts(), within(1e-3 * Math.abs(l.watts()) + 1e-6));
    }
    assertThat(losses.humidity()).isBetween(0.4, 1.05);
  }

  @Test
  public void atRestEverythingStandsAtOneTemperature() {
    HouseModel model = new HouseModel(whole().withWetShare(0), 16, 16, 16);
    HouseModel.Step s = new HouseModel.Step();
    s.outdoorCelsius = 16;
    s.windMetresPerSecond = 4;
    s.skyCelsius = 16;
    s.groundCelsius = 16;
    s.outdoorDewCelsius = 0;
    for (int i = 0; i < 500; i++) {
      model.step(300, s);
    }
    assertThat(model.airCelsius()).isCloseTo(16, within(1e-6));
    assertThat(model.shoneOnCelsius()).isCloseTo(16, within(1e-6));
  }

  @Test
  public void soilTakesUpAStepOfItsSurfaceAsAHalfSpaceDoes() {
    // air of endless heat at 20 °C over a floor at 10 °C that sees nothing: convection alone
    SoilColumn soil = new SoilColumn(Floor.LAYERS, 1.2, 2.56e6, 0);
    soil.lay(10, 10);
    soil.beyond(0, 0);
    double gained = 0;
    for (int i = 0; i < 6 * 60; i++) {
      soil.eliminate(60, 0, 1);
      gained += soil.apply(20);
    }
    // Q = 2 ΔT √(k ρc t/π), Carslaw and Jaeger 2.5
    double exact = 2 * 10 * Math.sqrt(1.2 * 2.56e6 * 21_600 / Math.PI);
    assertThat(gained).isCloseTo(exact, org.assertj.core.api.Assertions.withinPercentage(3));
    assertThat(soil.heatContent()).isCloseTo(2 * 2.56e6 * 10 + gained, within(1.0));
  }

  @Test
  public void freezingPoreWaterHoldsTheSurfaceUp() {
    double frozen = surfaceAfterFrost(0.15);
    double dry = surfaceAfterFrost(0);
    assertThat(frozen).isGreaterThan(dry + 0.5);
  }

  private static double surfaceAfterFrost(double water) {
    SoilColumn soil = new SoilColumn(Floor.LAYERS, 1.2, 2.2e6, water);
    soil.lay(1, 6);
    double surface = 1;
    for (int i = 0; i < 14 * 60; i++) {
      soil.beyond(1e6, 6e6);
      soil.eliminate(60, 0, 1);
      // 6 W/(m² K) to -10 °C: k T - s = 6 (-10 - T)
      surface = (soil.offset() - 60) / (soil.conductance() + 6);
      soil.apply(surface);
    }
    return surface;
  }

  @Test
  public void afterWeeksOfColdTheFloorGivesWhatAHalfSpaceDoes() {
    SoilColumn soil = new SoilColumn(Floor.LAYERS, 1.2, 2.56e6, 0);
    soil.lay(8, 8);
    soil.beyond(1e6, 8e6);
    double joules = 0;
    double days = 21;
    for (int i = 0; i < days * 24; i++) {
      soil.eliminate(3600, 0, 1);
      joules = -3600 * soil.offset();
      soil.apply(0);
    }
    double exact = 8 * 1.2 / Math.sqrt(Math.PI * 1.2 / 2.56e6 * days * 86_400);
    assertThat(-joules / 3600)
        .as("W/m² of a half-space")
        .isCloseTo(exact, org.assertj.core.api.Assertions.withinPercentage(25));
  }

  private static HouseModel night(Greenhouse house, double sky) {
    HouseModel model = new HouseModel(house, 6, 7, 8);
    HouseModel.Step s = new HouseModel.Step();
    s.outdoorCelsius = -3;
    s.windMetresPerSecond = 1;
    s.skyCelsius = sky;
    s.groundCelsius = 8;
    for (int i = 0; i < 8 * 60; i++) {
      model.step(60, s);
    }
    return model;
  }

  private static Greenhouse tunnel(SkinPart roof) {
    return Greenhouse.of(List.of(roof), 60, 0.8, 2).withFloor(new Floor(40, 0, 0));
  }

  @Test
  public void underAClearSkyLeavesOfAClosedStandAreADegreeOrTwoBelowTheAir() {
    Greenhouse trays = tunnel(Skins.film("film", 75, 40));
    HouseModel open = night(trays, -24);
    HouseModel closed = night(trays.withStand(Stand.CLOSED), -24);
    assertThat(closed.airCelsius() - closed.shoneOnCelsius()).isBetween(0.6, 3.0);
    assertThat(open.shoneOnCelsius()).isGreaterThan(closed.shoneOnCelsius() + 0.4);
  }

  @Test
  public void wetFilmLosesLessThanDryAndACloudySkyTakesLessThanAClearOne() {
    SkinPart film = Skins.film("film", 75, 40);
    Greenhouse damp = tunnel(film).withWetShare(0.5);
    Greenhouse alwaysDry = tunnel(film.shining(Optics.FILM, Optics.FILM)).withWetShare(0.5);
    // dry film lets the floor see the sky; wet film is colder itself and shields the floor
    assertThat(night(damp, -24).floorCelsius())
        .isGreaterThan(night(alwaysDry, -24).floorCelsius() + 0.5);
    assertThat(night(damp, Sky.celsius(-3, Double.NaN, 1)).airCelsius())
        .isGreaterThan(night(damp, -24).airCelsius() + 0.5);
  }

  @Test
  public void aDampHouseGivesItsFloorsHeatToTheSkinAndStaysBelowFog() {
    HouseModel dry = night(tunnel(Skins.pane("glass", 75, 5.8, 30)).withWetShare(0), -20);
    HouseModel wet = night(tunnel(Skins.pane("glass", 75, 5.8, 30)).withWetShare(1), -20);
    assertThat(wet.floorCelsius()).isLessThan(dry.floorCelsius());
    assertThat(wet.humidity()).isBetween(dry.humidity(), 1.1);
  }

  @Test
  public void aScreenAndSnowBothKeepWarmth() {
    SkinPart roof = Skins.pane("roof", 75, 5.8, 30);
    Greenhouse screened = tunnel(roof.screened(0.25));
    HouseLosses.Conditions open =
        new HouseLosses.Conditions(8, 8, -5, -25, 2, Double.NaN, 8, false);
    HouseLosses.Conditions drawn =
        new HouseLosses.Conditions(8, 8, -5, -25, 2, Double.NaN, 8, true);
    double bare = HouseLosses.at(screened, open).watts();
    assertThat(HouseLosses.at(screened, drawn).watts()).isLessThan(0.75 * bare);
    assertThat(HouseLosses.at(tunnel(roof.underSnow(0.1)), open).watts()).isLessThan(0.5 * bare);
    assertThat(roof.underSnow(0.1).resistance() - roof.resistance()).isCloseTo(1, within(1e-9));
  }

  @Test
  public void shelterTakesWindOffSkinAndGaps() {
    Greenhouse field = whole().withWindShare(Shelter.OPEN.windShare());
    Greenhouse yard = whole().withWindShare(Shelter.YARD.windShare());
    assertThat(yard.lossCoefficient(6)).isLessThan(0.85 * field.lossCoefficient(6));
    assertThat(yard.draughtCoefficient(0)).isCloseTo(field.draughtCoefficient(0), within(1e-9));
  }

  @Test
  public void aGapLetsInMoreInWindAndInCold() {
    Gap gap = new Gap("door", 5, 0.005);
    // 250 cm² at 2 m/s and 10 K: 250 sqrt(0.00145 + 0.0026) L/s
    assertThat(gap.cubicMetresPerSecond(10, 2)).isCloseTo(0.01591, within(0.0001));
    assertThat(gap.cubicMetresPerSecond(10, 8)).isGreaterThan(gap.cubicMetresPerSecond(10, 4));
    assertThat(gap.cubicMetresPerSecond(20, 4)).isGreaterThan(gap.cubicMetresPerSecond(10, 4));
  }

  @Test
  public void factorsOnSkinAndDraughtMoveTheLossBySoMuch() {
    Greenhouse house = whole();
    double draught = house.draughtCoefficient(2);
    double all = house.lossCoefficient(2);
    assertThat(house.scaled(1, 2).lossCoefficient(2)).isCloseTo(all + draught, within(0.5));
    assertThat(house.scaled(1.5, 1).lossCoefficient(2)).isGreaterThan(1.2 * all);
  }

  @Test
  public void aHeavyWallWarmsTheHouseByNight() {
    Medium stone = MediumCatalogue.medium("granite").orElseThrow();
    Slab body = new Slab(0.5, stone.conductivity().value(), stone.density().value() * 790);
    SkinPart light = Skins.part("wall", 40, 2.2, 0.4);
    Greenhouse thin =
        Greenhouse.of(List.of(Skins.pane("roof", 40, 5.8, 30), light), 60, 0.8, 2)
            .withFloor(new Floor(30, 0, 0));
    Greenhouse heavy = thin.changed(p -> p == light ? p.massive(body) : p, 1);
    assertThat(night(heavy, -22).airCelsius()).isGreaterThan(night(thin, -22).airCelsius() + 0.7);
  }
}
