package nightbank.core.charge;

import nightbank.core.store.StoreModel;

/**
 * An electric element: its power by the hour, cut by a thermostat in the heated zone. All of its
 * heat reaches the store.
 *
 * @param watts rated power
 * @param thermostatCelsius at which it is cut, infinite without one
 * @param fromSeconds when it begins
 * @param toSeconds when it ends
 * @param surplus fed by surplus sun, a half sine from beginning to end; else steady
 */
public record Element(
    double watts, double thermostatCelsius, double fromSeconds, double toSeconds, boolean surplus)
    implements Source {
  public Element {
    if (!(watts >= 0 && watts <= 1e6)) {
      throw new IllegalArgumentException("power must lie between 0 and 1e6 W, was " + watts + " W");
    }
    if (!(fromSeconds < toSeconds)) {
      throw new IllegalArgumentException("an element must be switched off after it is switched on");
    }
  }

  public static Element steady(double watts, double seconds) {
    return new Element(watts, Double.POSITIVE_INFINITY, 0, seconds, false);
  }

  @Override
  public Given give(double second, double seconds, StoreModel model) {
    if (model.zoneCelsius() >= thermostatCelsius) {
      return Given.NOTHING;
    }
    double from = Math.max(second, fromSeconds);
    double to = Math.min(second + seconds, toSeconds);
    if (to <= from) {
      return Given.NOTHING;
    }
    double mean = surplus ? watts * halfSine(from, to) / seconds : watts * (to - from) / seconds;
    return new Given(mean, 0, 0, mean);
  }

  /** ∫ sin(π (t - from) / (to - from)) dt between two moments, s. */
  private double halfSine(double from, double to) {
    double span = toSeconds - fromSeconds;
    double rate = Math.PI / span;
    return (Math.cos(rate * (from - fromSeconds)) - Math.cos(rate * (to - fromSeconds))) / rate;
  }

  @Override
  public double endsAt() {
    return toSeconds;
  }
}
