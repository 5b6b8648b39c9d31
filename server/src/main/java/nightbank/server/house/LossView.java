package nightbank.server.house;

import java.util.List;
import nightbank.core.house.HouseLosses;
import org.jspecify.annotations.Nullable;

/**
 * What leaves a house by one part, W, and how it gets there.
 *
 * @param kind SKIN, SHARED_WALL, BANKED_WALL, DRAUGHT, GAP or EDGE
 * @param convectionWatts from the air
 * @param longWaveWatts from floor, plants and stores by long waves
 * @param throughWatts by long waves straight through it
 * @param dewWatts brought by what condenses on it
 * @param innerCelsius its inner face; absent for what is no sheet
 */
public record LossView(
    String kind,
    String name,
    double watts,
    double convectionWatts,
    double longWaveWatts,
    double throughWatts,
    double dewWatts,
    @Nullable Double innerCelsius,
    @Nullable Double outerCelsius) {

  public static List<LossView> of(HouseLosses losses) {
    return losses.losses().stream()
        .map(
            l ->
                new LossView(
                    l.kind().name(),
                    l.name(),
                    l.watts(),
                    l.convectionWatts(),
                    l.longWaveWatts(),
                    l.throughWatts(),
                    l.dewWatts(),
                    known(l.innerCelsius()),
                    known(l.outerCelsius())))
        .toList();
  }

  private static @Nullable Double known(double celsius) {
    return Double.isNaN(celsius) ? null : celsius;
  }
}
