package nightbank.core.forecast;

import java.util.List;
import java.util.OptionalDouble;
import nightbank.core.system.Control;
import nightbank.core.system.Guard;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.Sensor;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemSimulation;

/**
 * By how much the house's own thermostats must be set warmer for a night to hold. Leaves can be
 * some kelvin colder than the air that a thermostat feels, and more heat from elsewhere only makes
 * it give less.
 */
public final class WarmerSet {
  private static final double MOST = 12; // K
  private static final double CLOSE = 0.1; // K

  private WarmerSet() {}

  /** Empty where no thermostat heeds the house's air, or none set warmer holds the night. */
  public static OptionalDouble of(SystemPlan asked) {
    if (set(asked.system(), 1).equals(asked.system())) {
      return OptionalDouble.empty();
    }
    SystemPlan plan = asked.small();
    double limit = plan.house().plantLimitCelsius();
    if (lowest(plan, MOST) < limit) {
      return OptionalDouble.empty();
    }
    double low = 0;
    double high = MOST;
    while (high - low > CLOSE) {
      double middle = (low + high) / 2;
      if (lowest(plan, middle) >= limit) {
        high = middle;
      } else {
        low = middle;
      }
    }
    return OptionalDouble.of(high);
  }

  private static double lowest(SystemPlan plan, double kelvin) {
    return SystemSimulation.run(plan.withSystem(set(plan.system(), kelvin))).lowestCelsius();
  }

  private static PlantSystem set(PlantSystem s, double kelvin) {
    return new PlantSystem(
        s.house(),
        s.stores(),
        s.sources().stream().map(x -> x.with(set(x.control(), kelvin))).toList(),
        s.circuits().stream().map(x -> x.with(set(x.control(), kelvin))).toList(),
        s.pumps().stream().map(x -> x.with(set(x.control(), kelvin))).toList());
  }

  private static Control set(Control c, double kelvin) {
    List<Guard> guards = c.guards().stream().map(g -> set(g, kelvin)).toList();
    return new Control(c.schedule(), guards);
  }

  private static Guard set(Guard g, double kelvin) {
    return g instanceof Guard.Thermostat t && t.sensor() instanceof Sensor.HouseAir
        ? new Guard.Thermostat(t.sensor(), t.onBelow() + kelvin, t.offAbove() + kelvin)
        : g;
  }
}
