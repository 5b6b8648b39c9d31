package nightbank.core.night;

import nightbank.core.store.HeatStore;
import nightbank.core.store.StoreState;

/** A store with its state at the start of the night. */
public record NightStore(String id, HeatStore store, StoreState start) {}
