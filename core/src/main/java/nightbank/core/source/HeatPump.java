package nightbank.core.source;

/**
 * Moves heat from a cold place to a warm one. COP = η T_hot/(T_hot - T_cold) in kelvin, with the
 * approach of each exchanger added to the difference. Neglects start-up and defrosting.
 *
 * @param electricWatts drawn while it runs
 * @param share η of Carnot's, 0.3 to 0.5 in small machines
 * @param hotApproachKelvin between warm store and refrigerant
 * @param coldApproachKelvin between cold store and refrigerant
 * @param mostPerformance that the machine keeps at no lift at all
 * @param coldestCelsius at which the cold side is cut, so that a tank does not freeze
 * @param restartKelvin above that, at which it runs again
 * @param hottestCelsius that the warm side can reach
 */
public record HeatPump(
    double electricWatts,
    double share,
    double hotApproachKelvin,
    double coldApproachKelvin,
    double mostPerformance,
    double coldestCelsius,
    double restartKelvin,
    double hottestCelsius) {
  public HeatPump {
    within("power", electricWatts, 1, 50_000, "W");
    within("share of Carnot's", share, 0.1, 0.7, "");
    within("approach", hotApproachKelvin, 0, 30, "K");
    within("approach", coldApproachKelvin, 0, 30, "K");
    within("best performance", mostPerformance, 1, 15, "");
    within("restart above the stop", restartKelvin, 0, 20, "K");
    if (!(coldestCelsius < hottestCelsius)) {
      throw new IllegalArgumentException("the warm side's limit must lie above the cold side's");
    }
  }

  private static void within(String what, double v, double low, double high, String unit) {
    if (!(v >= low && v <= high)) {
      throw new IllegalArgumentException(
          what + " must lie between " + low + " and " + high + " " + unit + ", was " + v);
    }
  }

  public static HeatPump usual(double electricWatts) {
    return new HeatPump(electricWatts, 0.4, 5, 5, 6, 3, 3, 55);
  }

  /** Heat to the warm side over electricity. */
  public double performance(double coldCelsius, double hotCelsius) {
    double hot = hotCelsius + 273.15 + hotApproachKelvin;
    double cold = coldCelsius + 273.15 - coldApproachKelvin;
    return hot <= cold
        ? mostPerformance
        : Math.max(1, Math.min(mostPerformance, share * hot / (hot - cold)));
  }
}
