package nightbank.core.charge;

import nightbank.core.store.StoreModel;
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
    double absorptance, double squareMetres, double[] seconds, double[] wattsPerSquareMetre)
    implements Source {
  public SunOnFace {
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
  public Given give(double second, double span, StoreModel model) {
    if (second >= endsAt()) {
      return Given.NOTHING;
    }
    double shine = Interpolation.linear(seconds, wattsPerSquareMetre, second + span / 2);
    double watts = absorptance * squareMetres * shine;
    return new Given(watts, 0, 0, watts);
  }

  @Override
  public double endsAt() {
    return seconds[seconds.length - 1];
  }
}
