package nightbank.core.forecast;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemResult;
import nightbank.core.system.SystemSimulation;
import org.hipparchus.random.SobolSequenceGenerator;

/**
 * Several nights on end, house and stores carrying their state from one to the next, each with its
 * certainty. The weather's doubt grows with lead; one member's error has one sign throughout, so
 * that a cold spell is cold to its end and nights are more alike than they will be.
 *
 * @param nights first to last
 * @param middle all of it with every quantity at its best estimate
 */
public record NightsAhead(List<Night> nights, SystemResult middle) {
  /** Of the ensemble. */
  public static final int MEMBERS = 32;

  /** One night from dusk to sunrise, seconds after the start. */
  public record Span(double dusk, double dawn) {
    boolean holds(double second) {
      return second >= dusk && second <= dawn;
    }
  }

  /**
   * One of them.
   *
   * @param outdoorLowest best estimate, °C
   * @param lowest what the plants feel at the coldest, best estimate, °C
   * @param lowestTenth lowest that nine members in ten stay above, °C
   */
  public record Night(
      Span span,
      double outdoorLowest,
      double lowest,
      double lowestAtSeconds,
      double lowestTenth,
      double chanceOfHolding,
      Verdict verdict) {}

  /**
   * Reckons.
   *
   * @param plan from now to the end of the last night
   * @param doubt of the first hour; the weather's grows from there
   * @param stop asked before every member
   * @throws CancellationException when it was stopped
   */
  public static NightsAhead of(
      SystemPlan plan, List<Span> spans, NightForecast.Doubt doubt, BooleanSupplier stop) {
    SystemPlan small = plan.small();
    SystemResult middle = SystemSimulation.run(small);
    SobolSequenceGenerator sobol = new SobolSequenceGenerator(NightForecast.DIMENSIONS);
    sobol.skipTo(64);
    double[][] draws = new double[MEMBERS][];
    for (int i = 0; i < MEMBERS; i++) {
      draws[i] = sobol.nextVector();
    }
    List<double[]> lows =
        IntStream.range(0, MEMBERS)
            .parallel()
            .mapToObj(
                i -> {
                  if (stop.getAsBoolean()) {
                    throw new CancellationException();
                  }
                  SystemPlan member = NightForecast.vary(small, doubt, draws[i]);
                  return lowest(SystemSimulation.run(member), spans);
                })
            .toList();
    double limit = plan.house().plantLimitCelsius();
    double[] own = lowest(middle, spans);
    List<Night> nights = new ArrayList<>();
    for (int n = 0; n < spans.size(); n++) {
      int night = n;
      double[] sorted = lows.stream().mapToDouble(l -> l[night]).sorted().toArray();
      double tenth = NightForecast.quantile(sorted, 0.1);
      double median = NightForecast.quantile(sorted, 0.5);
      double chance = (double) Arrays.stream(sorted).filter(t -> t >= limit).count() / MEMBERS;
      nights.add(
          new Night(
              spans.get(n),
              outdoors(middle, spans.get(n)),
              own[n],
              when(middle, spans.get(n)),
              tenth,
              chance,
              NightForecast.judge(tenth, median, limit)));
    }
    return new NightsAhead(nights, middle);
  }

  /** The first that is not held; empty when all are. */
  public java.util.OptionalInt breaksFirst() {
    return IntStream.range(0, nights.size())
        .filter(i -> nights.get(i).verdict() != Verdict.HELD)
        .findFirst();
  }

  /** What the plants feel at the coldest of each night, °C. */
  static double[] lowest(SystemResult r, List<Span> spans) {
    double[] low = new double[spans.size()];
    Arrays.fill(low, Double.POSITIVE_INFINITY);
    for (int k = 0; k < r.seconds().length; k++) {
      for (int n = 0; n < low.length; n++) {
        if (spans.get(n).holds(r.seconds()[k])) {
          low[n] = Math.min(low[n], r.plants()[k]);
        }
      }
    }
    return low;
  }

  private static double outdoors(SystemResult r, Span span) {
    double low = Double.POSITIVE_INFINITY;
    for (int k = 0; k < r.seconds().length; k++) {
      low = span.holds(r.seconds()[k]) ? Math.min(low, r.outdoor()[k]) : low;
    }
    return low;
  }

  private static double when(SystemResult r, Span span) {
    int at = -1;
    for (int k = 0; k < r.seconds().length; k++) {
      if (span.holds(r.seconds()[k]) && (at < 0 || r.plants()[k] < r.plants()[at])) {
        at = k;
      }
    }
    return at < 0 ? span.dawn() : r.seconds()[at];
  }
}
