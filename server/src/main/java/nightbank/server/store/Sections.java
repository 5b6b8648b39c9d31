package nightbank.server.store;

import java.util.ArrayList;
import java.util.List;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreState;

/** Cuts through a store's field, and fields by their cuts. */
public final class Sections {
  private static final int ACROSS = 12;
  private static final int UP = 18;

  private Sections() {}

  public static StoreView.Section of(StoreState state) {
    List<Double> celsius = new ArrayList<>();
    for (int up = 0; up < UP; up++) {
      for (int out = 0; out < ACROSS; out++) {
        double t = state.at((out + 0.5) / ACROSS, (up + 0.5) / UP);
        celsius.add(Math.round(t * 10) / 10.0);
      }
    }
    return new StoreView.Section(ACROSS, UP, celsius);
  }

  /** The field that was cut, on a grid of the same body. */
  public static StoreState field(StoreView.Section cut, StoreGrid grid) {
    return StoreState.by(
        grid,
        (out, up) ->
            cut.celsius().get(place(up, cut.up()) * cut.across() + place(out, cut.across())));
  }

  private static int place(double share, int of) {
    return Math.max(0, Math.min(of - 1, (int) (share * of)));
  }
}
