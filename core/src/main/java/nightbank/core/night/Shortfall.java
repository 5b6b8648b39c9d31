package nightbank.core.night;

/**
 * What a night lacks: the cold below the plants' limit at the loss of the house then, and whether
 * the stores that warm it still held as much at the end.
 *
 * @param joules that would have kept the plants at their limit
 */
public record Shortfall(double joules, Kind kind) {

  /** Too little heat, told from heat that comes too slowly. */
  public enum Kind {
    NONE,
    /** The stores run out. */
    HEAT,
    /** Heat is there and does not come out fast enough. */
    SPEED
  }

  public static Shortfall of(NightPlan plan, NightResult night) {
    if (night.coldDegreeHours() <= 0) {
      return new Shortfall(0, Kind.NONE);
    }
    double wind = plan.weather().windAt(night.lowestAtSeconds());
    double missing = night.coldDegreeHours() * 3600 * plan.house().lossCoefficient(wind);
    double left = 0;
    for (int i = 0; i < night.stores().size(); i++) {
      NightStore store = plan.stores().get(i);
      boolean led = store.store().carrier().isPresent() && pumped(plan, store.id());
      boolean reaches = led || store.store().place().reachesHouse();
      double[] usable = night.stores().get(i).usableJoules();
      left += reaches ? usable[usable.length - 1] : 0;
    }
    return new Shortfall(missing, left > missing ? Kind.SPEED : Kind.HEAT);
  }

  private static boolean pumped(NightPlan plan, String id) {
    return plan.actions().stream()
        .anyMatch(a -> a.kind() == Action.Kind.PUMP && a.storeId().equals(id));
  }
}
