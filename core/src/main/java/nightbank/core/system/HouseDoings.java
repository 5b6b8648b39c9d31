package nightbank.core.system;

import java.util.List;

/** What is done to the house itself, by the hour. */
final class HouseDoings {
  private static final double DOOR = 1.6; // m², a door wide open

  private final Action[] all;

  HouseDoings(List<Action> actions) {
    all = actions.stream().filter(a -> a.kind().at() == Action.At.HOUSE).toArray(Action[]::new);
  }

  boolean any(Action.Kind kind, double at) {
    for (Action a : all) {
      if (a.kind() == kind && a.runs(at)) {
        return true;
      }
    }
    return false;
  }

  /** m² of doors that stand open. */
  double door(double at) {
    for (Action a : all) {
      if (a.kind() == Action.Kind.DOOR_OPEN && a.runs(at)) {
        return Double.isNaN(a.amount()) ? DOOR : a.amount();
      }
    }
    return 0;
  }
}
