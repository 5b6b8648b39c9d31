package nightbank.core.system;

import nightbank.core.store.HeatStore;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreState;

/** A store with its state at the start. */
public record SystemStore(String id, HeatStore store, StoreState start) {
  public SystemStore with(HeatStore other, StoreState otherStart) {
    return new SystemStore(id, other, otherStart);
  }

  /** The same on another grid. */
  public SystemStore on(StoreGrid grid) {
    return with(store, start.on(grid));
  }
}
