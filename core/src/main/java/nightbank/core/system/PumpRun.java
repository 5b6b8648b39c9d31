package nightbank.core.system;

import java.util.List;
import java.util.Map;
import nightbank.core.source.HeatPump;
import nightbank.core.store.model.StoreModel;
import org.jspecify.annotations.Nullable;

/** A heat pump at work. */
final class PumpRun {
  private static final double HOT_RESTART = 3; // K below its limit
  private static final double NEAR = 0.5; // K

  final String id;
  final ControlRun control;
  private final HeatPump machine;
  private final PumpedHeat.Node coldNode;
  private final @Nullable StoreRun cold; // null where it is no store
  private final @Nullable StoreRun hot;
  private final boolean here;
  private final double[] watts;
  private boolean coldEnough = true;
  private boolean hotEnough = true;
  private boolean ran;
  private int stops;
  private double runSeconds;
  private double hotJoules;
  private double coldJoules;
  private double electric;
  private double kept;
  private double coldBefore = Double.NaN;
  private double lastStep;

  /** W of the step to the house's air. */
  double houseWatts;

  PumpRun(PumpedHeat p, List<Action> actions, Map<String, StoreRun> stores, int moments) {
    id = p.id();
    machine = p.machine();
    coldNode = p.cold();
    control = new ControlRun(id, p.control(), actions);
    cold = p.cold().storeId().map(stores::get).orElse(null);
    hot = p.hot().storeId().map(stores::get).orElse(null);
    here =
        (p.cold().storeId().isEmpty() || cold != null)
            && (p.hot().storeId().isEmpty() || hot != null);
    watts = new double[moments];
  }

  private double coldCelsius(Sensors sensors) {
    if (cold != null) {
      return cold.model.zoneCelsius();
    }
    if (coldNode instanceof PumpedHeat.Node.Held h) {
      return h.celsius();
    }
    return coldNode instanceof PumpedHeat.Node.HouseAir
        ? sensors.houseAir()
        : sensors.outdoorCelsius;
  }

  /** Longest step after which the cold side will not have passed its stop long ago. */
  double calm(double longest, Sensors sensors) {
    if (!ran || cold == null || lastStep == 0 || Double.isNaN(coldBefore)) {
      return longest;
    }
    double now = coldCelsius(sensors);
    double rate = (now - coldBefore) / lastStep;
    double in = rate < 0 ? (machine.coldestCelsius() - now) / rate : longest;
    return in > 0 && in < longest ? Math.max(1, in + 0.2) : longest;
  }

  void step(double seconds, Sensors sensors, boolean needed) {
    houseWatts = 0;
    double from = coldCelsius(sensors);
    double to = hot == null ? sensors.houseAir() : hot.model.zoneCelsius();
    boolean was = coldEnough;
    coldEnough =
        coldEnough
            ? from >= machine.coldestCelsius()
            : from > machine.coldestCelsius() + machine.restartKelvin();
    hotEnough =
        hotEnough ? to < machine.hottestCelsius() : to < machine.hottestCelsius() - HOT_RESTART;
    ran = here && control.ran() && coldEnough && hotEnough;
    stops += was && !coldEnough ? 1 : 0;
    if (ran) {
      double electricWatts = machine.electricWatts();
      double given = electricWatts * machine.performance(from, to);
      double share = 1; // of the step that it runs before the warm side is too hot
      if (hot != null) {
        double most = machine.hottestCelsius() + machine.hotApproachKelvin();
        double took = hot.model.heat(StoreModel.OWN_ZONE, given, most, NEAR, seconds);
        share = took / given;
        electricWatts *= share;
        given = took;
        hot.gave(-given * seconds, 0, needed);
      } else {
        houseWatts += given;
      }
      double taken = given - electricWatts;
      if (cold != null) {
        cold.model.put(StoreModel.OWN_ZONE, -taken);
        cold.gave(taken * seconds, hot == null ? taken * seconds : 0, needed);
      } else if (coldNode instanceof PumpedHeat.Node.HouseAir) {
        houseWatts -= taken;
      }
      hotJoules += given * seconds;
      coldJoules += taken * seconds;
      electric += electricWatts * seconds;
      kept += given * seconds;
      runSeconds += share * seconds;
    }
    coldBefore = from;
    lastStep = seconds;
  }

  void keep(int moment, double seconds) {
    watts[moment] = kept / seconds;
    kept = 0;
  }

  SystemResult.PumpTrace trace() {
    return new SystemResult.PumpTrace(
        id, watts, hotJoules, coldJoules, electric, runSeconds, stops);
  }
}
