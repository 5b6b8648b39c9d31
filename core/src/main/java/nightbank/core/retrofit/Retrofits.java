package nightbank.core.retrofit;

import java.util.List;
import java.util.stream.Stream;
import nightbank.core.system.Action;
import nightbank.core.system.SystemPlan;

/** The changes that fit a place as it stands. */
public final class Retrofits {
  private Retrofits() {}

  /**
   * Those that are possible: to the house, then to its stores and what heats them.
   *
   * @param winter the place through its winter from a midnight on, with what is done in it
   */
  public static List<Retrofit> of(SystemPlan winter) {
    return Stream.concat(HouseRetrofits.of(winter).stream(), StoreRetrofits.of(winter).stream())
        .toList();
  }

  /** The same winter with the screen drawn every night, where there is one. */
  public static SystemPlan asUsual(SystemPlan winter) {
    boolean has = winter.house().skin().stream().anyMatch(p -> p.screenResistance() > 0);
    return has ? Nightly.done(winter, Action.Kind.SCREEN, "", Nightly.DUSK, false) : winter;
  }
}
