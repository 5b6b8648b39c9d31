package nightbank.core.retrofit;

import java.util.ArrayList;
import java.util.List;
import nightbank.core.system.Action;
import nightbank.core.system.SystemPlan;

/** What is done every night of a winter. */
final class Nightly {
  /** Hour of the day at which it is begun. */
  static final double DUSK = 17;

  /** Midnight, in the hours of the evening's day. */
  static final double MIDNIGHT = 24;

  private static final double MORNING = 34; // at ten it is warmer outside than under cover
  private static final double DAY = 86_400;
  private static final double FLEECE_BELOW = 3; // K over the limit at which fleece is laid

  private Nightly() {}

  /**
   * Something done every night until the morning.
   *
   * @param from hours after the midnight of the evening's day
   * @param cold only where it gets nearly as cold outdoors as the plants stand
   */
  static SystemPlan done(SystemPlan p, Action.Kind kind, String of, double from, boolean cold) {
    List<Action> all = new ArrayList<>(p.actions());
    double below = p.house().plantLimitCelsius() + FLEECE_BELOW;
    int nights = (int) Math.ceil(p.lengthSeconds() / DAY);
    for (int d = 0; d < nights; d++) {
      double begins = d * DAY + from * 3600;
      double ends = Math.min(p.lengthSeconds(), d * DAY + MORNING * 3600);
      if (begins < ends && !(cold && low(p, begins, ends) >= below)) {
        all.add(new Action(kind, of, begins, ends, Double.NaN));
      }
    }
    return p.withActions(all);
  }

  private static double low(SystemPlan p, double from, double to) {
    double low = Double.POSITIVE_INFINITY;
    for (double at = from; at <= to; at += 3600) {
      low = Math.min(low, p.weather().outdoorAt(at));
    }
    return low;
  }
}
