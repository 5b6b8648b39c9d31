package nightbank.core.system;

import static nightbank.core.Reference.number;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import nightbank.core.Reference;
import nightbank.core.source.ElectricHeat;
import nightbank.core.source.FireLoad;
import nightbank.core.source.HeatPump;
import nightbank.core.source.Receiver;
import nightbank.core.source.Share;
import nightbank.core.source.WoodFire;
import nightbank.core.store.FluidStream;
import nightbank.core.weather.Weather;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Loops, heat pumps, thermostats and fires against solutions of other making. */
public class PlantReferenceTest {
  private static final double CP = FluidStream.Fluid.WATER.specificHeat();

  @DataProvider
  Object[][] loops() {
    return Reference.rows("plant/loop-between-stores.csv");
  }

  @Test(dataProvider = "loops")
  public void aLoopBetweenTwoStoresMovesWhatTheMatrixSays(Map<String, String> row) {
    SystemStore one =
        Lumps.lump(
            "1",
            number(row, "m1_kg"),
            1000 * number(row, "c1_kJkgK"),
            number(row, "UA1"),
            number(row, "T1_0_C"),
            number(row, "Ta1_C"));
    SystemStore two =
        Lumps.lump(
            "2",
            number(row, "m2_kg"),
            1000 * number(row, "c2_kJkgK"),
            number(row, "UA2"),
            number(row, "T2_0_C"),
            number(row, "Ta2_C"));
    boolean controlled = number(row, "control") > 0;
    double rate = number(row, "Cdot_WK");
    Control control =
        controlled
            ? Control.free(
                new Guard.Differential(
                    new Sensor.StoreZone("1"),
                    new Sensor.StoreZone("2"),
                    number(row, "on_above_K"),
                    number(row, "off_below_K")))
            : Control.free();
    PlantSystem system =
        Lumps.of(one, two)
            .withSources(
                List.of(
                    new SystemSource(
                        "p",
                        new ElectricHeat(Share.allTo("1"), number(row, "P1_W"), false),
                        Control.free(),
                        true)))
            .withCircuits(
                List.of(
                    new FluidCircuit(
                        "loop",
                        FluidStream.water(rate / CP),
                        List.of(end("1", row, "eff1", rate), end("2", row, "eff2", rate)),
                        control)));
    boolean cycles = number(row, "out_starts_24h") > 2;
    // where it hangs about the difference at which it goes off, its hours hang on little
    SystemResult r = SystemSimulation.run(Lumps.hours(system, 10, 24, cycles ? 30 : 60));
    for (int h : new int[] {1, 3, 6, 12, 24}) {
      for (String s : new String[] {"1", "2"}) {
        assertThat(Lumps.at(r, s, h))
            .as("store %s after %d h", s, h)
            .isCloseTo(
                number(row, "out_T" + s + "_" + h + "h"),
                within(cycles ? 3.0 : controlled ? 0.5 : 0.1));
      }
    }
    double moved = -r.circuits().get(0).netJoulesByEnd()[1] / 3.6e6;
    double told = number(row, "out_moved_24h_kWh");
    assertThat(moved).isCloseTo(told, within(Math.max(0.1, (controlled ? 0.02 : 0.01) * told)));
    double run = number(row, "out_run_24h_h");
    assertThat(r.circuits().get(0).runSeconds() / 3600).isCloseTo(run, within(0.05 * run + 1e-9));
    closes(r);
  }

  private static CircuitEnd end(String store, Map<String, String> row, String column, double rate) {
    double eff = number(row, column);
    double ua = eff >= 1 ? 1e6 : -rate * Math.log(1 - eff);
    return new CircuitEnd.Exchanger(store, ua);
  }

  private static void closes(SystemResult r) {
    double moved = 1e6;
    for (SystemResult.StoreTrace s : r.stores()) {
      moved += Math.abs(s.chargedJoules()) + Math.abs(s.changeJoules()) + Math.abs(s.movedJoules());
    }
    for (SystemResult.StoreTrace s : r.stores()) {
      assertThat(s.residualJoules()).as(s.id()).isCloseTo(0, within(1e-9 * moved));
    }
    assertThat(r.residualJoules()).isCloseTo(0, within(1e-9 * moved));
  }

  @DataProvider
  Object[][] heatPumps() {
    return Reference.rows("plant/heat-pump.csv");
  }

  @Test(dataProvider = "heatPumps")
  public void aHeatPumpBetweenTwoTanksFollowsItsBalances(Map<String, String> row) {
    SystemStore hot =
        Lumps.lump(
            "hot",
            number(row, "m_hot_kg"),
            4186,
            number(row, "UA_hot"),
            number(row, "T_hot0_C"),
            number(row, "Ta_hot_C"));
    SystemStore cold =
        Lumps.lump(
            "cold",
            number(row, "m_cold_kg"),
            4186,
            number(row, "UA_cold"),
            number(row, "T_cold0_C"),
            number(row, "Ta_cold_C"));
    HeatPump machine =
        new HeatPump(
            number(row, "P_el_W"),
            number(row, "eta"),
            number(row, "app_hot_K"),
            number(row, "app_cold_K"),
            number(row, "cop_cap"),
            number(row, "T_stop_C"),
            number(row, "restart_K"),
            200);
    PlantSystem system =
        Lumps.of(hot, cold)
            .withSources(
                List.of(
                    new SystemSource(
                        "in",
                        new ElectricHeat(Share.allTo("cold"), number(row, "Q_in_W"), false),
                        Control.free(),
                        true)))
            .withCircuits(use(number(row, "Q_use_W")))
            .withPumps(
                List.of(
                    new PumpedHeat(
                        "hp",
                        machine,
                        new PumpedHeat.Node.Store("cold"),
                        new PumpedHeat.Node.Store("hot"),
                        Control.free())));
    boolean stops = number(row, "out_stops_24h") > 0;
    SystemResult r = SystemSimulation.run(Lumps.hours(system, 10, 24, 60));
    for (int h : new int[] {2, 6, 12, 24}) {
      assertThat(Lumps.at(r, "hot", h))
          .as("hot after " + h)
          .isCloseTo(number(row, "out_T_hot_" + h + "h"), within(stops ? 1.0 : 0.15));
      assertThat(Lumps.at(r, "cold", h))
          .as("cold after " + h)
          .isCloseTo(
              number(row, "out_T_cold_" + h + "h"),
              within(stops ? number(row, "restart_K") : 0.15));
    }
    SystemResult.PumpTrace p = r.pumps().get(0);
    double share = stops ? 5 : 1;
    assertThat(p.electricJoules() / 3.6e6)
        .isCloseTo(number(row, "out_el_24h_kWh"), withinPercentage(share));
    assertThat(p.hotJoules() / 3.6e6)
        .isCloseTo(number(row, "out_heat_24h_kWh"), withinPercentage(share));
    assertThat(p.performance()).isCloseTo(number(row, "out_cop_24h"), withinPercentage(1));
    assertThat(p.hotJoules() - p.coldJoules() - p.electricJoules())
        .isCloseTo(0, within(1e-9 * p.hotJoules() + 1e-6));
    closes(r);
  }

  private static List<FluidCircuit> use(double watts) {
    return watts == 0
        ? List.of()
        : List.of(
            new FluidCircuit(
                "use",
                FluidStream.water(1),
                List.of(new CircuitEnd.Exchanger("hot", 1e6), new CircuitEnd.Takes(watts)),
                Control.free()));
  }

  @DataProvider
  Object[][] thermostats() {
    return Reference.rows("plant/thermostat-element.csv");
  }

  @Test(dataProvider = "thermostats")
  public void anElementOnAThermostatKeepsItsBand(Map<String, String> row) {
    double mean = number(row, "Ta_mean_C");
    double swing = number(row, "Ta_amp_K");
    int n = 12 * 12 + 1;
    double[] seconds = new double[n];
    double[] air = new double[n];
    for (int i = 0; i < n; i++) {
      seconds[i] = i * 300.0;
      double hour = i / 12.0 - number(row, "t_warmest_h");
      air[i] = mean + swing * Math.cos(2 * Math.PI * hour / 24);
    }
    SystemStore lump =
        Lumps.lump(
            "s",
            number(row, "mass_kg"),
            1000 * number(row, "c_kJkgK"),
            number(row, "UA"),
            number(row, "T0_C"),
            0);
    SystemStore out =
        lump.with(
            lump.store()
                .withPlace(
                    nightbank.core.store.Place.outdoors()
                        .onFooting(nightbank.core.store.Place.Footing.RAISED)),
            lump.start());
    PlantSystem system =
        Lumps.of(out)
            .withSources(
                List.of(
                    new SystemSource(
                        "e",
                        new ElectricHeat(Share.allTo("s"), number(row, "P_W"), false),
                        Control.free(
                            new Guard.Thermostat(
                                new Sensor.StoreZone("s"),
                                number(row, "on_below_C"),
                                number(row, "off_above_C"))),
                        true)));
    Weather weather = new Weather(seconds, air, new double[n], new double[n]);
    SystemPlan plan = SystemPlan.of(system, weather, 10, 10, 10, 12 * 3600, 60);
    SystemResult r = SystemSimulation.run(plan);
    SystemResult.StoreTrace s = r.stores().get(0);
    double told = number(row, "out_energy_kWh");
    double cycle =
        1.2
            * number(row, "mass_kg")
            * number(row, "c_kJkgK")
            / 3600
            * (number(row, "off_above_C") - number(row, "on_below_C"));
    boolean cycles = number(row, "out_starts") > 1;
    assertThat(s.chargedJoules() / 3.6e6)
        .isCloseTo(told, within(Math.max(0.015 * told, cycles ? cycle : 0)));
    assertThat(s.lostJoules() / 3.6e6).isCloseTo(number(row, "out_loss_kWh"), withinPercentage(1));
    double low = Double.POSITIVE_INFINITY;
    double high = Double.NEGATIVE_INFINITY;
    for (double t : s.meanCelsius()) {
      low = Math.min(low, t);
      high = Math.max(high, t);
    }
    assertThat(low).isCloseTo(number(row, "out_T_min_C"), within(0.1));
    assertThat(high).isCloseTo(number(row, "out_T_max_C"), within(0.1));
    assertThat((double) r.sources().get(0).starts())
        .isCloseTo(number(row, "out_starts"), within(1.0));
    closes(r);
  }

  @DataProvider
  Object[][] fires() {
    return Reference.rows("plant/fire.csv");
  }

  @Test(dataProvider = "fires")
  public void aFireGivesItsHeatByItsSharesAndHeatsNothingAboveItsBound(Map<String, String> row) {
    List<FireLoad> loads = new ArrayList<>();
    double joules = 0;
    for (Object[] r : Reference.rows("plant/fire-loads.csv")) {
      @SuppressWarnings("unchecked")
      Map<String, String> l = (Map<String, String>) r[0];
      if (l.get("id").equals(row.get("id"))) {
        FireLoad load =
            new FireLoad(3600 * number(l, "hour"), number(l, "kg"), number(l, "moisture"));
        assertThat(load.joules() / 1e6)
            .isCloseTo(number(l, "out_energy_MJ"), withinPercentage(0.1));
        loads.add(load);
        joules += load.joules();
      }
    }
    double toStore = number(row, "share_store");
    WoodFire fire =
        new WoodFire(
            List.of(
                new Share(new Receiver.StoreZone("s"), toStore),
                new Share(new Receiver.House(), number(row, "share_room"))),
            number(row, "kg") / number(row, "burn_h") * 2,
            900,
            true,
            loads);
    SystemStore s = Lumps.lump("s", number(row, "store_kJK"), 1000, 0, number(row, "T0_C"), 10);
    PlantSystem system =
        Lumps.of(s).withSources(List.of(new SystemSource("f", fire, Control.free(), true)));
    SystemResult r = SystemSimulation.run(Lumps.hours(system, 10, 30, 60));
    SystemResult.SourceTrace f = r.sources().get(0);
    assertThat(f.releasedJoules()).isCloseTo(joules, withinPercentage(1e-6));
    assertThat(f.releasedJoules() / 1e6)
        .isCloseTo(number(row, "out_energy_MJ"), withinPercentage(0.5));
    assertThat(f.toHouseJoules() / 3.6e6)
        .isCloseTo(number(row, "out_room_kWh"), withinPercentage(0.5));
    assertThat(f.toStoresJoules() / 3.6e6)
        .isCloseTo(number(row, "out_store_kWh"), withinPercentage(0.5));
    assertThat(f.lostJoules() + f.toHouseJoules() + f.toStoresJoules())
        .isCloseTo(f.releasedJoules(), withinPercentage(1e-9));
    for (double t : r.stores().get(0).meanCelsius()) {
      assertThat(t).isLessThanOrEqualTo(number(row, "out_T_bound_C") + 1e-4);
    }
    closes(r);
  }
}
