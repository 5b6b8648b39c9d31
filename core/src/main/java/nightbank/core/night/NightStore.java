package nightbank.core.night;

import nightbank.core.charge.Hearth;
import nightbank.core.store.HeatStore;
import nightbank.core.store.StoreGrid;
import nightbank.core.store.StoreState;

/**
 * A store with its state at the start of the night.
 *
 * @param hearth how a fire in it splits its heat
 */
public record NightStore(String id, HeatStore store, StoreState start, Hearth hearth) {
  /** A store whose fire, if any, burns in a bench or wall. */
  public NightStore(String id, HeatStore store, StoreState start) {
    this(id, store, start, Hearth.bench());
  }

  public NightStore with(HeatStore other, StoreState otherStart) {
    return new NightStore(id, other, otherStart, hearth);
  }

  /** The same on the small grid that suffices for many nights at once. */
  public NightStore small() {
    return with(store, start.on(StoreGrid.night(store)));
  }
}
