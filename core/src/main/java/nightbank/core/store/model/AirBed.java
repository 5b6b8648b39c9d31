package nightbank.core.store.model;

import nightbank.core.store.HeatStore;

/**
 * Stones with air blown through, up or down: air and stone coupled by a volumetric coefficient
 * (Schumann 1929), the air's own heat neglected beside the stones'. Warm air goes in at the top,
 * cold air at the foot, so that the hot end stays hot. Stones are taken as one temperature each:
 * true below 5 cm or so.
 */
public final class AirBed extends LayeredStore {
  public AirBed(HeatStore store, StoreState start) {
    super(store, start);
  }

  @Override
  void settle() {}

  @Override
  double exchangerShare(int layer) {
    return grid.thickness(layer) / grid.geometry().heightMetres();
  }
}
