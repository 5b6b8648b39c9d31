package nightbank.server.store;

import java.util.ArrayList;
import java.util.List;
import nightbank.core.store.model.StoreState;

/** Cuts through a store's field. */
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
}
