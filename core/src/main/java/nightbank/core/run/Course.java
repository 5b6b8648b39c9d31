package nightbank.core.run;

import java.util.Arrays;

/**
 * When a source gave heat, and in what proportion from moment to moment, known without the
 * readings. How much it was on the whole is left to the fit.
 *
 * @param watts as far as it can be told, W
 * @param writtenDown whether it rests on what somebody logged, who may have forgotten a fire; the
 *     sun forgets nothing
 */
public record Course(ReadingSeries watts, boolean writtenDown) {
  double greatest() {
    return Arrays.stream(watts.celsius()).max().orElse(0);
  }
}
