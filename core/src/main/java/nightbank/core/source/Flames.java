package nightbank.core.source;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * Candles, wax burners or oil lamps. They have no flue: what does not go into a store stays in the
 * house, and so does the water that their burning makes.
 *
 * @param count that burn when nobody says otherwise
 */
public record Flames(List<Share> shares, int count, double gramsPerHourEach, Fuel fuel)
    implements HeatSource {
  private static final double HOTTEST = 350; // °C, of a pot over a flame

  public Flames {
    shares = Share.checked(shares);
    if (count < 1 || count > 500) {
      throw new IllegalArgumentException("flames must be 1 to 500, was " + count);
    }
    if (!(gramsPerHourEach > 0 && gramsPerHourEach <= 500)) {
      throw new IllegalArgumentException(
          "fuel must lie between 0 and 500 g an hour, was " + gramsPerHourEach);
    }
  }

  public double wattsEach() {
    return gramsPerHourEach / 1000 * fuel.heatingValue().value() / 3600;
  }

  @Override
  public Optional<HeatSource> heating(List<Share> others) {
    return Optional.of(new Flames(others, count, gramsPerHourEach, fuel));
  }

  @Override
  public OptionalDouble mostAtNight() {
    return OptionalDouble.of(count * wattsEach());
  }

  @Override
  public double highestCelsius() {
    return HOTTEST;
  }

  @Override
  public boolean flueless() {
    return true;
  }

  @Override
  public Running begin() {
    return new Burning(wattsEach(), count, fuel);
  }

  private static final class Burning implements Running {
    private final double each;
    private final int usual;
    private final double water; // kg/J
    private double watts;

    Burning(double each, int usual, Fuel fuel) {
      this.each = each;
      this.usual = usual;
      water = fuel.waterPerKilogram() / fuel.heatingValue().value();
    }

    @Override
    public void step(double from, double seconds, Circumstances now) {
      watts = now.on ? each * (Double.isNaN(now.amount) ? usual : now.amount) : 0;
    }

    @Override
    public double watts() {
      return watts;
    }

    @Override
    public double fuelWatts() {
      return watts;
    }

    @Override
    public double vapour() {
      return watts * water;
    }
  }
}
