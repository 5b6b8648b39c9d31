package nightbank.core.source;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import nightbank.core.weather.MoistAir;

/**
 * Hens, rabbits or other beasts that sleep in the house. Heat of a beast at rest 6.5 m^0.75 W by
 * its mass in kg, a fifth less asleep; a quarter of it leaves as vapour in a cool house (CIGR
 * Handbook of Agricultural Engineering, vol. II, ch. 2; good to 30 %). Neglects their litter, and
 * that they eat more in the cold.
 *
 * @param kilogramsEach mean mass
 */
public record Animals(int count, double kilogramsEach) implements HeatSource {
  private static final double AT_REST = 6.5; // W of a beast of one kilogram
  private static final double ASLEEP = 0.8;
  private static final double VAPOUR = 0.25;
  private static final double COATS = 30; // °C, of feathers and fur

  public Animals {
    if (count < 1 || count > 5000) {
      throw new IllegalArgumentException("animals must be 1 to 5000, was " + count);
    }
    if (!(kilogramsEach >= 0.02 && kilogramsEach <= 1000)) {
      throw new IllegalArgumentException(
          "an animal must weigh 0.02 to 1000 kg, was " + kilogramsEach);
    }
  }

  /** Heat and vapour of all, W. */
  public double watts() {
    return count * AT_REST * ASLEEP * Math.pow(kilogramsEach, 0.75);
  }

  @Override
  public List<Share> shares() {
    return Share.allToHouse();
  }

  @Override
  public OptionalDouble mostAtNight() {
    return OptionalDouble.of(watts());
  }

  @Override
  public double highestCelsius() {
    return COATS;
  }

  @Override
  public double radiant() {
    return 0.4; // of a body a little warmer than what is round it (estimate)
  }

  @Override
  public Optional<HeatSource> heating(List<Share> others) {
    return Optional.empty();
  }

  @Override
  public Running begin() {
    double watts = watts();
    return new Running() {
      @Override
      public void step(double from, double seconds, Circumstances now) {
        // they neither begin nor end
      }

      @Override
      public double watts() {
        return (1 - VAPOUR) * watts;
      }

      @Override
      public double vapour() {
        return VAPOUR * watts / MoistAir.LATENT;
      }
    };
  }
}
