package nightbank.core.forecast;

import nightbank.core.source.ElectricHeat;
import nightbank.core.source.Flames;
import nightbank.core.source.FuelHeater;
import nightbank.core.source.HeatSource;
import nightbank.core.source.WoodFire;
import nightbank.core.system.Action;
import nightbank.core.system.PlantSystem;

/**
 * Minutes that common handlings take with everything at hand; estimates, half to twice as long.
 * What is bought counts as minutes too, so that the least work is not found in the most fuel.
 */
public final class Labour {
  public static final double LIGHT_FIRE = 15;
  public static final double A_KILOGRAM_OF_WOOD = 4; // carried and fed, splitting not counted
  public static final double SCREEN = 3;
  public static final double LID = 2;
  public static final double PUMP = 2;
  public static final double SWITCH = 2;
  public static final double DOOR = 1;
  public static final double COVER = 12;
  public static final double GAPS = 6;
  public static final double FEED_HEAP = 20;
  public static final double WATER = 5;

  private static final double A_FLAME = 1; // lit and looked after
  private static final double SCARCE_HOUR = 3; // of an element on a small battery
  private static final double BOUGHT_KILOWATT_HOUR = 2; // of gas or paraffin

  private Labour() {}

  /** Of one thing done. */
  public static double minutes(Action a, PlantSystem system) {
    double hours = (a.toSeconds() - a.fromSeconds()) / 3600;
    return switch (a.kind()) {
      case LOAD -> LIGHT_FIRE + A_KILOGRAM_OF_WOOD * a.amount();
      case BYPASS, DAMPER_SHUT, QUENCH -> SWITCH;
      case RUN ->
          system.sources().stream()
              .filter(s -> s.id().equals(a.of()))
              .findFirst()
              .map(s -> running(s.source(), a, hours))
              .orElse(PUMP);
      case STOP, DOOR_OPEN -> SWITCH;
      case LID_OFF -> LID;
      case SCREEN -> SCREEN;
      case COVER -> COVER;
      case STUFF_GAPS -> GAPS;
    };
  }

  private static double running(HeatSource source, Action a, double hours) {
    if (source instanceof ElectricHeat) {
      return 4 + hours * SCARCE_HOUR;
    }
    if (source instanceof Flames f) {
      double count = Double.isNaN(a.amount()) ? f.count() : a.amount();
      return SWITCH + count * A_FLAME + count * f.wattsEach() / 1000 * hours * BOUGHT_KILOWATT_HOUR;
    }
    if (source instanceof FuelHeater f) {
      return SWITCH + f.watts() / 1000 * hours * BOUGHT_KILOWATT_HOUR;
    }
    return source instanceof WoodFire ? LIGHT_FIRE : SWITCH;
  }
}
