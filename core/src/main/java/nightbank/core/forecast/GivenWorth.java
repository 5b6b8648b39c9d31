package nightbank.core.forecast;

import java.util.List;
import java.util.stream.Stream;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemSimulation;

/**
 * What a thing that nobody measured is worth on a night: how far the lowest moves when it is off by
 * one standard deviation of its doubt, either way.
 *
 * @param kelvin half of what lies between both ways
 */
public record GivenWorth(Given what, double kelvin) {

  /** What is taken as given. */
  public enum Given {
    /** How cold the sky is: its clouds and its formula. */
    SKY(1, 8),
    /** How much wind reaches the house: forecast and shelter. */
    WIND(2),
    /** How damp floor and beds are, and what wet film lets through. */
    WETNESS(11);

    private final int[] draws;

    Given(int... draws) {
      this.draws = draws;
    }
  }

  private static final double ONE_SIGMA = 0.8413; // of the normal distribution

  /** All of them for a plan. */
  public static List<GivenWorth> of(SystemPlan plan, NightForecast.Doubt doubt) {
    SystemPlan small = plan.small();
    return Stream.of(Given.values())
        .parallel()
        .map(
            g ->
                new GivenWorth(
                    g,
                    Math.abs(lowest(small, doubt, g, true) - lowest(small, doubt, g, false)) / 2))
        .toList();
  }

  private static double lowest(SystemPlan plan, NightForecast.Doubt doubt, Given g, boolean up) {
    double[] u = new double[NightForecast.DIMENSIONS];
    java.util.Arrays.fill(u, 0.5);
    // a clearer sky is less cloud and a colder formula
    for (int draw : g.draws) {
      boolean more = up != (g == Given.SKY && draw == 1);
      u[draw] = more ? ONE_SIGMA : 1 - ONE_SIGMA;
    }
    return SystemSimulation.run(NightForecast.vary(plan, doubt, u)).lowestCelsius();
  }
}
