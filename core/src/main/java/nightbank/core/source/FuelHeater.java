package nightbank.core.source;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A heater or boiler that burns bought fuel at one rate while it runs.
 *
 * @param watts of heat that it gives
 * @param efficiency of its fuel; 1 without a flue
 * @param hasFlue whether its smoke leaves the house
 * @param highest that what it heats can reach, °C: 90 for water
 */
public record FuelHeater(
    List<Share> shares, Fuel fuel, double watts, double efficiency, boolean hasFlue, double highest)
    implements HeatSource {
  public FuelHeater {
    shares = Share.checked(shares);
    if (!(watts > 0 && watts <= 1e6)) {
      throw new IllegalArgumentException("power must lie between 0 and 1e6 W, was " + watts + " W");
    }
    if (!(efficiency >= 0.2 && efficiency <= 1)) {
      throw new IllegalArgumentException("efficiency must lie in 0.2 to 1, was " + efficiency);
    }
    if (!hasFlue && efficiency < 1) {
      throw new IllegalArgumentException("without a flue all of the heat stays: efficiency is 1");
    }
  }

  @Override
  public Optional<HeatSource> heating(List<Share> others) {
    return Optional.of(new FuelHeater(others, fuel, watts, efficiency, hasFlue, highest));
  }

  @Override
  public OptionalDouble mostAtNight() {
    return OptionalDouble.of(watts);
  }

  @Override
  public double highestCelsius() {
    return highest;
  }

  @Override
  public boolean flueless() {
    return !hasFlue;
  }

  @Override
  public Running begin() {
    return new Burning(this);
  }

  private static final class Burning implements Running {
    private final FuelHeater heater;
    private double watts;

    Burning(FuelHeater heater) {
      this.heater = heater;
    }

    @Override
    public void step(double from, double seconds, Circumstances now) {
      watts = now.on ? (Double.isNaN(now.amount) ? heater.watts : now.amount) : 0;
    }

    @Override
    public double watts() {
      return watts;
    }

    @Override
    public double fuelWatts() {
      return watts / heater.efficiency;
    }

    @Override
    public double vapour() {
      Fuel f = heater.fuel;
      return heater.hasFlue ? 0 : fuelWatts() * f.waterPerKilogram() / f.heatingValue().value();
    }
  }
}
