package nightbank.core.retrofit;

import java.util.List;
import java.util.stream.Stream;
import nightbank.core.sizing.Season;
import nightbank.core.sizing.Winter;
import nightbank.core.source.WoodFire;
import nightbank.core.system.SystemPlan;
import nightbank.core.usual.Usual;

/** When fires are lit in a winter that nobody has lived yet. */
public final class Evenings {
  private Evenings() {}

  /**
   * Every fire of a place at dusk, with a usual load, before nights as cold as those that would be
   * lost without; on none where none would be.
   *
   * @param unlit the place through that winter without any fire
   */
  public static SystemPlan lit(SystemPlan unlit, Winter winter) {
    double[] lows = Wintered.of(unlit.small().withStep(Ranking.STEP)).lows();
    double below = Double.NEGATIVE_INFINITY;
    for (int n = 1; n < lows.length; n++) {
      if (lows[n] < 0) {
        below = Math.max(below, winter.nights().get(n - 1).lowCelsius());
      }
    }
    double cold = below + 1e-9;
    List<Season.Habit> habits =
        unlit.system().sources().stream()
            .filter(s -> s.source() instanceof WoodFire)
            .map(s -> new Season.Habit(s.id(), Usual.WOOD_LOAD.value(), cold))
            .toList();
    return unlit.withActions(
        Stream.concat(unlit.actions().stream(), Season.lit(winter, habits).stream()).toList());
  }
}
