package nightbank.core.house;

import static nightbank.core.Reference.number;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import nightbank.core.Reference;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Nights of 14 hours against the reference's enclosures, air dry, with and without heaters. */
public class HouseNightTest {
  @DataProvider
  Object[][] nights() {
    return Reference.rows("plant/house-night.csv");
  }

  private static List<Map<String, String>> of(String table, String id) {
    List<Map<String, String>> rows = new ArrayList<>();
    for (Object[] r : Reference.rows("plant/" + table)) {
      @SuppressWarnings("unchecked")
      Map<String, String> row = (Map<String, String>) r[0];
      if (row.get("id").equals(id)) {
        rows.add(row);
      }
    }
    return rows;
  }

  private static Greenhouse house(Map<String, String> row, double meanWind) {
    List<SkinPart> skin = new ArrayList<>();
    for (Map<String, String> e : of("house-night-elements.csv", row.get("id"))) {
      Optics o = new Optics(number(e, "tau"), number(e, "eps_in"), number(e, "eps_out"));
      double tilt = number(e, "tilt_deg");
      skin.add(
          SkinPart.sheet(e.get("kind") + tilt, number(e, "area_m2"), o, 1)
              .facing(tilt, 180)
              .seeing((1 + Math.cos(Math.toRadians(tilt))) / 2)
              .shining(o, o)
              .resisting(number(e, "R_solid")));
    }
    if (number(row, "wall_m2") > 0) {
      Slab slab =
          new Slab(
              number(row, "wall_thick_m"),
              number(row, "wall_k"),
              1e6 * number(row, "wall_rhoc_MJ"));
      skin.add(
          SkinPart.of("wall", number(row, "wall_m2"), 1)
              .against(number(row, "wall_T_rear_C"))
              .massive(slab)
              .resisting(number(row, "wall_R_rear") - 0.13));
    }
    Floor.Soil soil =
        new Floor.Soil(
            number(row, "soil_k"),
            1e6 * number(row, "soil_rhoc_MJ"),
            number(row, "soil_freezing_water"));
    return Greenhouse.of(
            skin, number(row, "volume_m3"), number(row, "ach_per_h") / (0.5 + 0.125 * meanWind), 2)
        .withAirCapacity(1000 * number(row, "C_air_kJK"))
        .withFloor(new Floor(number(row, "floor_m2"), 0, 0, soil))
        .withWetShare(0);
  }

  @Test(dataProvider = "nights")
  public void theNightIsMet(Map<String, String> row) {
    List<Map<String, String>> weather = of("house-night-weather.csv", row.get("id"));
    double mean = weather.stream().mapToDouble(w -> number(w, "v_ms")).average().orElseThrow();
    HouseModel model =
        new HouseModel(
                house(row, mean),
                number(row, "T_air0_C"),
                number(row, "T_floor0_C"),
                number(row, "T_deep_C"))
            .withWallsAt(number(row, "T_wall0_C", 0));
    HouseModel.Step s = new HouseModel.Step();
    s.groundCelsius = number(row, "T_deep_C");
    s.outdoorDewCelsius = -60;
    double water = number(row, "T_water0_C", 0);
    double tie = number(row, "water_UA", 0);
    double capacity = 4186 * number(row, "water_kg", 0);
    boolean on = false;
    double lowest = 99;
    double lost = 0;
    double heater = 0;
    double wallIn = 0;
    double start = model.heatContent();
    double dt = 30;
    double stored = 0;
    for (int i = 1; i <= 14 * 3600 / dt; i++) {
      double hour = i * dt / 3600;
      Map<String, String> a = weather.get((int) Math.min(13, Math.floor(hour)));
      Map<String, String> b = weather.get((int) Math.min(14, Math.floor(hour) + 1));
      double f = Math.min(1, hour - Math.floor(Math.min(13, hour)));
      s.outdoorCelsius = mix(a, b, "To_C", f);
      s.skyCelsius = mix(a, b, "Tsky_C", f);
      s.windMetresPerSecond = mix(a, b, "v_ms", f);
      double watts = 0;
      if (row.get("heater").equals("constant")) {
        watts = number(row, "heater_W");
      } else if (row.get("heater").equals("thermostat")) {
        on =
            model.airCelsius() < number(row, "on_below_C")
                || on && model.airCelsius() < number(row, "off_above_C");
        watts = on ? number(row, "heater_W") : 0;
      }
      double fromWater = capacity == 0 ? 0 : tie * (water - model.airCelsius());
      water -= capacity == 0 ? 0 : fromWater * dt / capacity;
      s.gainWatts = watts + fromWater;
      stored += fromWater * dt;
      model.step(dt, s);
      lost += model.lostJoules();
      heater += watts * dt;
      lowest = Math.min(lowest, model.airCelsius());
      wallIn += model.groundJoules();
    }
    double residual = heater + stored - lost - wallIn - (model.heatContent() - start);
    assertThat(residual).isCloseTo(0, within(1e-9 * (Math.abs(lost) + 1e8)));
    boolean undersized = number(row, "heater_W") > 0;
    assertThat(lowest)
        .as("lowest air")
        .isCloseTo(number(row, "out_lowest_air_C"), within(undersized ? 0.3 : 0.15));
    assertThat(model.floorCelsius())
        .as("floor at dawn")
        .isCloseTo(number(row, "out_floor_dawn_C"), within(0.3));
    if (capacity > 0) {
      assertThat(water).isCloseTo(number(row, "out_water_dawn_C"), within(0.15));
    }
    if (!row.get("out_wall_dawn_C").isEmpty()) {
      int wall = of("house-night-elements.csv", row.get("id")).size();
      assertThat(model.skinCelsius(wall)).isCloseTo(number(row, "out_wall_dawn_C"), within(0.15));
    }
    double rear = number(row, "out_wall_rear_in_kWh", 0);
    double left = number(row, "out_lost_kWh") - rear;
    assertThat(lost / 3.6e6).as("lost").isCloseTo(left, within(Math.max(0.3, 0.02 * left)));
    double burnt = number(row, "out_heater_kWh");
    assertThat(heater / 3.6e6).as("heater").isCloseTo(burnt, within(0.02 * burnt + 1e-9));
  }

  private static double mix(
      Map<String, String> a, Map<String, String> b, String column, double share) {
    return number(a, column) * (1 - share) + number(b, column) * share;
  }
}
