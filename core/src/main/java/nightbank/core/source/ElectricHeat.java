package nightbank.core.source;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * An element in a store or a heater in the house; all of its power becomes heat.
 *
 * @param watts rated
 * @param surplus runs on what the sun gives over, in proportion to it, at its rated power from
 *     {@link #FULL_SUN} on
 */
public record ElectricHeat(List<Share> shares, double watts, boolean surplus)
    implements HeatSource {
  /** Sun on level ground at which a small array gives its element all it takes, W/m². */
  public static final double FULL_SUN = 350;

  /** Of its rated power, over the hours of sun on a day that just fills it: a half sine's mean. */
  public static final double SURPLUS_MEAN = 2 / Math.PI;

  private static final double HOTTEST = 750; // °C, sheath of a common element
  private static final double NEAR = 50; // K below it in which a limiter cuts in and out

  public ElectricHeat {
    shares = Share.checked(shares);
    if (!(watts >= 0 && watts <= 1e6)) {
      throw new IllegalArgumentException("power must lie between 0 and 1e6 W, was " + watts + " W");
    }
  }

  @Override
  public Optional<HeatSource> heating(List<Share> others) {
    return Optional.of(new ElectricHeat(others, watts, surplus));
  }

  @Override
  public OptionalDouble mostAtNight() {
    return OptionalDouble.of(watts);
  }

  @Override
  public double highestCelsius() {
    return HOTTEST;
  }

  @Override
  public double nearKelvin() {
    return NEAR;
  }

  /** Its sheath's limit cuts it out. */
  @Override
  public boolean yields() {
    return true;
  }

  @Override
  public boolean flueless() {
    return true;
  }

  @Override
  public Running begin() {
    return new Running() {
      private double now;

      @Override
      public void step(double from, double seconds, Circumstances c) {
        double rated = Double.isNaN(c.amount) ? watts : c.amount;
        double share = surplus ? Math.max(0, Math.min(1, c.irradiance / FULL_SUN)) : 1;
        now = c.on ? rated * share : 0;
      }

      @Override
      public double watts() {
        return now;
      }

      @Override
      public double electricWatts() {
        return now;
      }
    };
  }
}
