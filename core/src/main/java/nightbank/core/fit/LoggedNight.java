package nightbank.core.fit;

import java.util.List;
import nightbank.core.weather.Weather;

/**
 * A night as it was logged in a house: what the air did, and what gave heat to it.
 *
 * @param id whatever tells nights apart
 * @param stepSeconds between moments
 * @param airCelsius read inside at each moment, the first one known, NaN where nobody read
 * @param massCelsius mean of the inside air over the day before: where walls and floor begin
 * @param groundCelsius deep ground
 */
public record LoggedNight(
    String id,
    Weather weather,
    double stepSeconds,
    double[] airCelsius,
    List<Gain> gains,
    double massCelsius,
    double groundCelsius) {

  /**
   * Heat given to the house's air by one source, W, mean over the step that ends at each moment.
   *
   * @param of the store that gave it
   */
  public record Gain(String of, double[] watts) {
    public Gain {
      watts = watts.clone();
    }
  }

  public LoggedNight {
    airCelsius = airCelsius.clone();
    gains = List.copyOf(gains);
    if (!(stepSeconds >= 60 && stepSeconds <= 3600)) {
      throw new IllegalArgumentException(
          "step must lie between 60 and 3600 s, was " + stepSeconds + " s");
    }
    if (airCelsius.length < 2 || Double.isNaN(airCelsius[0])) {
      throw new IllegalArgumentException("a logged night needs its first air and one more moment");
    }
    for (Gain gain : gains) {
      if (gain.watts().length != airCelsius.length) {
        throw new IllegalArgumentException("a gain needs as many values as the air");
      }
    }
  }
}
