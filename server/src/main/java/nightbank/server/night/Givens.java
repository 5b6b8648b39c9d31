package nightbank.server.night;

import java.util.ArrayList;
import java.util.List;
import nightbank.core.forecast.GivenWorth;
import nightbank.core.forecast.NightForecast;
import nightbank.core.house.Shelter;
import nightbank.core.system.SystemPlan;
import nightbank.server.house.HouseDesign;

/** Sky, wind, shelter and dampness as they were taken, each with what it is worth tonight. */
final class Givens {
  private Givens() {}

  static List<TonightView.Assumption> of(
      SystemPlan plan, NightForecast.Doubt doubt, HouseDesign design, TonightQuestion q) {
    double lowest = plan.lengthSeconds() * 0.8;
    List<TonightView.Assumption> all = new ArrayList<>();
    for (GivenWorth g : GivenWorth.of(plan, doubt)) {
      double worth = g.kelvin();
      switch (g.what()) {
        case SKY ->
            all.add(given("SKY", plan.weather().cloudAt(lowest), said(q.cloud() != null), worth));
        case WIND -> {
          Shelter shelter = design.shelter() == null ? Shelter.GARDEN : design.shelter();
          double wind = plan.weather().windAt(lowest);
          all.add(given("WIND", wind, said(q.wind() != null), worth));
          all.add(given("SHELTER", shelter.windShare(), shelter.name(), worth));
        }
        case WETNESS -> {
          String wet = design.wetness() == null ? "BEDS" : design.wetness().name();
          all.add(given("WETNESS", plan.house().wetShare(), wet, worth));
        }
      }
    }
    return all;
  }

  private static String said(boolean typed) {
    return typed ? "TYPED" : "";
  }

  private static TonightView.Assumption given(
      String code, double value, String of, double worthKelvin) {
    return new TonightView.Assumption(code, value, null, of, worthKelvin);
  }
}
