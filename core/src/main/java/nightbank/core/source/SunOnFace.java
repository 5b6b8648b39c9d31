package nightbank.core.source;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import nightbank.core.weather.Interpolation;

/**
 * Sun on a dark face: absorptance × area × irradiance on its plane. What the face throws back to
 * the room by its film is counted by the store's own faces.
 *
 * @param absorptance 0.9 matt black, 0.6 bare stone, 0.3 white
 * @param seconds moments of the irradiance, rising
 * @param wattsPerSquareMetre on the face's plane, behind the house's skin
 */
public record SunOnFace(
    List<Share> shares,
    double absorptance,
    double squareMetres,
    double[] seconds,
    double[] wattsPerSquareMetre)
    implements HeatSource {
  private static final double HOTTEST = 120; // °C, of a black face behind glass

  public SunOnFace {
    shares = Share.checked(shares);
    if (!(absorptance >= 0 && absorptance <= 1)) {
      throw new IllegalArgumentException("absorptance must lie in 0 to 1, was " + absorptance);
    }
    if (!(squareMetres >= 0 && squareMetres <= 1000)) {
      throw new IllegalArgumentException(
          "sunlit area must lie between 0 and 1000 m², was " + squareMetres);
    }
    if (seconds.length < 2 || seconds.length != wattsPerSquareMetre.length) {
      throw new IllegalArgumentException("sun needs as many times as values, two at least");
    }
    seconds = seconds.clone();
    wattsPerSquareMetre = wattsPerSquareMetre.clone();
  }

  @Override
  public Optional<HeatSource> heating(List<Share> others) {
    return Optional.empty();
  }

  @Override
  public OptionalDouble mostAtNight() {
    return OptionalDouble.of(0);
  }

  @Override
  public double highestCelsius() {
    return HOTTEST;
  }

  @Override
  public Running begin() {
    return new Running() {
      private double watts;

      @Override
      public void step(double from, double span, Circumstances now) {
        double middle = from + span / 2;
        boolean told = middle <= seconds[seconds.length - 1];
        double shine = told ? Interpolation.linear(seconds, wattsPerSquareMetre, middle) : 0;
        watts = absorptance * squareMetres * Math.max(0, shine);
      }

      @Override
      public double watts() {
        return watts;
      }
    };
  }
}
