package nightbank.core.night;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import nightbank.core.house.Greenhouse;
import nightbank.core.weather.Weather;
import org.hipparchus.distribution.continuous.NormalDistribution;
import org.hipparchus.random.SobolSequenceGenerator;

/**
 * One night with its certainty: an ensemble over the low, the sky, wind, draught, skin, store
 * material and start, drawn from a Sobol sequence, so that the same question has the same answer.
 *
 * @param middle the night with every quantity at its best estimate
 * @param without the same night without stores
 * @param lowestTenth lowest that nine members in ten stay above, °C
 * @param lowestMedian median of the members' lowest, °C
 * @param lowestNinetieth °C
 * @param chanceOfHolding share of members that stay above the plants' limit
 */
public record NightForecast(
    NightResult middle,
    NightResult without,
    double lowestTenth,
    double lowestMedian,
    double lowestNinetieth,
    double chanceOfHolding,
    double[] bandLow,
    double[] bandHigh,
    Verdict verdict) {

  /**
   * How unsure the inputs are, one standard deviation each.
   *
   * @param lowKelvin of the forecast low
   * @param startKelvin of the stores' and the house's start
   */
  public record Doubt(
      double lowKelvin,
      double cloud,
      double windFactor,
      double leakFactor,
      double skinFactor,
      double startKelvin) {
    /** A typed low for the coming night; widths are estimates and stated so on screen. */
    public static Doubt ofTypedNight() {
      return new Doubt(1.2, 0.2, 0.4, 0.3, 0.08, 1.0);
    }

    /** As unsure of the start as readings so old leave one: 0.15 K more an hour, 8 K at most. */
    public Doubt withStartAged(double hours) {
      return new Doubt(
          lowKelvin,
          cloud,
          windFactor,
          leakFactor,
          skinFactor,
          startKelvin + Math.min(8, 0.15 * Math.max(0, hours)));
    }
  }

  private static final int DIMENSIONS = 8;

  public static NightForecast of(NightPlan plan, Doubt doubt, int members) {
    NightResult middle = NightSimulation.run(plan);
    NightResult without = NightSimulation.run(plan.withoutStores());
    NightPlan small = plan.withStores(plan.stores().stream().map(NightStore::small).toList());
    double[][] draws = new double[members][];
    SobolSequenceGenerator sobol = new SobolSequenceGenerator(DIMENSIONS);
    sobol.skipTo(64);
    for (int i = 0; i < members; i++) {
      draws[i] = sobol.nextVector();
    }
    List<NightResult> runs =
        IntStream.range(0, members)
            .parallel()
            .mapToObj(i -> NightSimulation.run(vary(small, doubt, draws[i])))
            .toList();
    double[] lowest = runs.stream().mapToDouble(NightResult::lowestCelsius).sorted().toArray();
    double limit = plan.house().plantLimitCelsius();
    double chance = (double) Arrays.stream(lowest).filter(t -> t >= limit).count() / members;
    double tenth = quantile(lowest, 0.1);
    double median = quantile(lowest, 0.5);
    int points = middle.seconds().length;
    double[] low = new double[points];
    double[] high = new double[points];
    double[] column = new double[members];
    for (int k = 0; k < points; k++) {
      for (int i = 0; i < members; i++) {
        column[i] = runs.get(i).plants()[k];
      }
      Arrays.sort(column);
      low[k] = quantile(column, 0.1);
      high[k] = quantile(column, 0.9);
    }
    return new NightForecast(
        middle,
        without,
        tenth,
        median,
        quantile(lowest, 0.9),
        chance,
        low,
        high,
        judge(tenth, median, limit));
  }

  /** Held when the 10 % worst stay above the limit, lost when the median falls below it. */
  public static Verdict judge(double lowestTenth, double lowestMedian, double limit) {
    if (lowestTenth >= limit) {
      return Verdict.HELD;
    }
    return lowestMedian < limit ? Verdict.LOST : Verdict.CLOSE;
  }

  private static NightPlan vary(NightPlan plan, Doubt doubt, double[] u) {
    NormalDistribution normal = new NormalDistribution();
    double[] z =
        Arrays.stream(u)
            .map(x -> normal.inverseCumulativeProbability(Math.min(0.999, Math.max(0.001, x))))
            .toArray();
    Weather w = plan.weather();
    double drop = z[0] * doubt.lowKelvin();
    double end = w.seconds()[w.seconds().length - 1];
    double[] out = new double[w.seconds().length];
    for (int i = 0; i < out.length; i++) {
      // the doubt grows over the first six hours: the evening is known, the low is not
      double grown = Math.min(1, w.seconds()[i] / Math.min(6 * 3600.0, Math.max(1, end)));
      out[i] = w.outdoorCelsius()[i] + drop * grown;
    }
    double[] cloud =
        Arrays.stream(w.cloud())
            .map(c -> Math.min(1, Math.max(0, c + z[1] * doubt.cloud())))
            .toArray();
    double[] wind =
        Arrays.stream(w.windMetresPerSecond())
            .map(v -> v * Math.exp(z[2] * doubt.windFactor()))
            .toArray();
    Greenhouse house =
        plan.house()
            .scaled(Math.exp(z[4] * doubt.skinFactor()), Math.exp(z[3] * doubt.leakFactor()));
    List<NightStore> stores =
        plan.stores().stream()
            .map(
                s -> {
                  var medium = s.store().medium();
                  double spread = medium.conductivity().relativeSpread() / 2;
                  double heavy = medium.density().relativeSpread() / 2;
                  var varied =
                      s.store()
                          .withMedium(
                              medium.scaled(Math.exp(z[6] * heavy), Math.exp(z[5] * spread)));
                  return s.with(varied, s.start().shifted(z[7] * doubt.startKelvin()));
                })
            .toList();
    return new NightPlan(
        house,
        stores,
        new Weather(w.seconds(), out, wind, cloud, w.dewPointCelsius()),
        plan.airCelsius(),
        plan.massCelsius() + z[7] * doubt.startKelvin() / 2,
        plan.groundCelsius(),
        plan.lengthSeconds(),
        plan.stepSeconds(),
        plan.actions(),
        plan.sunWatts());
  }

  private static double quantile(double[] sorted, double share) {
    double at = share * (sorted.length - 1);
    int low = (int) Math.floor(at);
    int high = Math.min(low + 1, sorted.length - 1);
    return sorted[low] + (sorted[high] - sorted[low]) * (at - low);
  }
}
