package nightbank.core.forecast;

import java.util.ArrayList;
import java.util.List;
import nightbank.core.source.ElectricHeat;
import nightbank.core.source.FireLoad;
import nightbank.core.source.Fuel;
import nightbank.core.source.Hearth;
import nightbank.core.source.Share;
import nightbank.core.system.Control;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemResult;
import nightbank.core.system.SystemSimulation;
import nightbank.core.system.SystemSource;
import nightbank.core.system.SystemStore;
import nightbank.core.usual.Usual;

/**
 * The least heat, given to the house evenly through the cold hours, with which this very night
 * holds: found by simulating it, since walls and floor swallow part. The cold hours are those in
 * which the house would lose more than it may, from an hour before the limit is passed to the end.
 *
 * @param watts of the steady heater
 * @param joules that it gives in all
 * @param fromSeconds when it would have to begin
 */
public record Shortfall(double watts, double joules, double fromSeconds, Kind kind) {

  /** Too little heat, told from heat that comes too slowly. */
  public enum Kind {
    NONE,
    /** There is no store, or none that reaches the house. */
    NO_STORE,
    /** The stores run out. */
    HEAT,
    /** Heat is there and does not come out fast enough. */
    SPEED
  }

  private static final String HEATER = "shortfall heater";
  private static final double LEAD = 3600; // s before the limit is passed
  private static final double TAKES_HOLD = 1800; // s: what is too cold before, no heater mends
  private static final double MOST = 1e6; // W
  private static final double CLOSE = 0.02; // K

  private static final double A_CANDLE = 4 / 1000.0 / 3600; // kg/s of wax

  public static final Shortfall NONE = new Shortfall(0, 0, 0, Kind.NONE);

  /** Candles of 4 g an hour that give as much while they burn. */
  public int candles() {
    double each = A_CANDLE * Fuel.of("wax").orElseThrow().heatingValue().value();
    return (int) Math.ceil(watts / each);
  }

  /** Dry wood in a usual hearth whose heat comes to as much, kg; its flue not counted. */
  public double woodKilograms() {
    Hearth hearth = Hearth.bench();
    double share = hearth.toStore().value() + hearth.toRoom().value();
    return joules / share / FireLoad.heatingValue(Usual.WOOD_MOISTURE.value());
  }

  /** By nine to fifteen simulations of the night. */
  public static Shortfall of(SystemPlan asked, SystemResult night) {
    double limit = asked.house().plantLimitCelsius();
    if (night.lowestCelsius() >= limit) {
      return NONE;
    }
    SystemPlan plan = asked.small();
    double from = Math.max(0, firstBelow(night, limit) - LEAD);
    double span = Math.max(600, plan.lengthSeconds() - from);
    double low = 0;
    double lowAt = night.lowestCelsius();
    double high = guess(asked, night, limit);
    double highAt = with(plan, high, from);
    while (highAt < limit && high < MOST) {
      low = high;
      lowAt = highAt;
      high = Math.min(MOST, 2 * high);
      highAt = with(plan, high, from);
    }
    for (int i = 0; i < 12 && highAt - limit > CLOSE; i++) {
      double share = (limit + CLOSE / 2 - lowAt) / Math.max(1e-9, highAt - lowAt);
      double middle = low + Math.max(0.05, Math.min(0.95, share)) * (high - low);
      double at = with(plan, middle, from);
      if (at >= limit) {
        high = middle;
        highAt = at;
      } else {
        low = middle;
        lowAt = at;
      }
    }
    return new Shortfall(high, high * span, from, kind(asked, night, high * span));
  }

  private static double firstBelow(SystemResult night, double limit) {
    for (int k = 0; k < night.plants().length; k++) {
      if (night.plants()[k] < limit) {
        return night.seconds()[k];
      }
    }
    return night.lowestAtSeconds();
  }

  private static double guess(SystemPlan plan, SystemResult night, double limit) {
    double wind = plan.weather().windAt(night.lowestAtSeconds());
    double missing = limit - night.lowestCelsius();
    return Math.max(20, 1.5 * missing * plan.house().lossCoefficient(wind));
  }

  private static double with(SystemPlan plan, double watts, double from) {
    List<SystemSource> sources = new ArrayList<>(plan.system().sources());
    Control.Window window = new Control.Window(from, plan.lengthSeconds());
    sources.add(
        new SystemSource(
            HEATER,
            new ElectricHeat(Share.allToHouse(), watts, false),
            Control.between(List.of(window)),
            true));
    SystemResult night = SystemSimulation.run(plan.withSystem(plan.system().withSources(sources)));
    if (night.lowestAtSeconds() >= from + TAKES_HOLD) {
      return night.lowestCelsius();
    }
    double lowest = Double.POSITIVE_INFINITY;
    for (int k = 0; k < night.plants().length; k++) {
      if (night.seconds()[k] >= from + TAKES_HOLD) {
        lowest = Math.min(lowest, night.plants()[k]);
      }
    }
    return lowest;
  }

  private static Kind kind(SystemPlan plan, SystemResult night, double joules) {
    double left = 0;
    boolean any = false;
    for (int i = 0; i < night.stores().size(); i++) {
      SystemStore store = plan.system().stores().get(i);
      if (plan.system().reachesHouse(store)) {
        double[] usable = night.stores().get(i).usableJoules();
        left += usable[usable.length - 1];
        any = true;
      }
    }
    return !any ? Kind.NO_STORE : left > joules ? Kind.SPEED : Kind.HEAT;
  }
}
