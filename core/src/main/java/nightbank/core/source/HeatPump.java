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

  /** Cut in time for a tank that must not freeze, °C. */
  public static final double COLDEST_TANK = 3;

  /** Of outdoor air that common machines still draw on, °C (-15 to -25). */
  public static final double COLDEST_AIR = -20;

  /** Warm side of a common machine, °C (50 to 65). */
  public static final double HOTTEST = 55;

  /** A small machine between two tanks: η 0.4 and approaches of 5 K (estimates). */
  public static HeatPump usual(double electricWatts) {
    return new HeatPump(electricWatts, 0.4, 5, 5, 6, COLDEST_TANK, 3, HOTTEST);
  }

  /** The same with other limits to its sides, °C. */
  public HeatPump between(double coldest, double hottest) {
    return new HeatPump(
        electricWatts,
        share,
        hotApproachKelvin,
        coldApproachKelvin,
        mostPerformance,
        coldest,
        restartKelvin,
        hottest);
  }

  /** Heat to the warm side, W; none where that is as hot as it can make it. */
  public double heatWatts(double coldCelsius, double hotCelsius) {
    return hotCelsius < hottestCelsius ? electricWatts * performance(coldCelsius, hotCelsius) : 0;
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
