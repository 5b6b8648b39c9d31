package nightbank.core.run;

import java.util.Arrays;

/**
 * When a source gave heat, and in what proportion from moment to moment, known without the
 * readings. How much it was on the whole is left to the fit.
 *
 * @param watts as far as it can be told, W
 * @param writtenDown whether it rests on what somebody logged, who may have forgotten a fire; the
 *     sun forgets nothing
 * @param fuelJoules of all that was burnt meanwhile, wherever its heat went; 0 where nothing was
 */
public record Course(ReadingSeries watts, boolean writtenDown, double fuelJoules) {
  public static Course ofSun(ReadingSeries watts) {
    return new Course(watts, false, 0);
  }

  double greatest() {
    return Arrays.stream(watts.celsius()).max().orElse(0);
  }
}
