package nightbank.core.night;

import nightbank.core.store.HeatStore;
import nightbank.core.store.StoreGrid;
import nightbank.core.store.StoreState;

/** A store with its state at the start of the night. */
public record NightStore(String id, HeatStore store, StoreState start) {
  /** The same on the small grid that suffices for many nights at once. */
  public NightStore small() {
    return new NightStore(id, store, start.on(StoreGrid.night(store)));
  }
}
