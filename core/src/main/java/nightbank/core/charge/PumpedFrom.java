package nightbank.core.charge;

import nightbank.core.store.StoreModel;
import nightbank.core.store.Surroundings;

/**
 * A heat pump as a source: what it takes comes from another store, whose balance falls with it, or
 * from something that does not grow colder, such as outdoor air or a stream.
 */
public final class PumpedFrom implements Source {
  private final HeatPump pump;
  private final StoreModel cold; // absent: outside is so large that it keeps its temperature
  private final double coldCelsius;
  private final double coldAir;
  private final double seconds;

  private PumpedFrom(
      HeatPump pump, StoreModel cold, double coldCelsius, double coldAir, double seconds) {
    this.pump = pump;
    this.cold = cold;
    this.coldCelsius = coldCelsius;
    this.coldAir = coldAir;
    this.seconds = seconds;
  }

  /**
   * From another store.
   *
   * @param airCelsius that stands round it
   */
  public static PumpedFrom store(
      HeatPump pump, StoreModel cold, double airCelsius, double seconds) {
    return new PumpedFrom(pump, cold, Double.NaN, airCelsius, seconds);
  }

  /** From something at one temperature. */
  public static PumpedFrom outside(HeatPump pump, double celsius, double seconds) {
    return new PumpedFrom(pump, null, celsius, celsius, seconds);
  }

  @Override
  public Given give(double second, double span, StoreModel hot) {
    double from = cold == null ? coldCelsius : cold.zoneCelsius();
    boolean runs =
        second < seconds
            && from > pump.coldestCelsius()
            && hot.zoneCelsius() < pump.hottestCelsius();
    double to = runs ? pump.electricWatts() * pump.performance(from, hot.zoneCelsius()) : 0;
    double electric = runs ? pump.electricWatts() : 0;
    if (cold != null) {
      cold.step(span, Surroundings.of(coldAir, coldAir), electric - to);
    }
    return new Given(to, 0, 0, to);
  }

  @Override
  public double endsAt() {
    return seconds;
  }
}
