package nightbank.core.store;

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
  public double pass(double seconds, double capacityRate, double conductance, double inlet) {
    boolean down = inlet > meanCelsius();
    double high = grid.geometry().heightMetres();
    double stream = inlet;
    double given = 0;
    for (int k = 0; k < n; k++) {
      int l = down ? n - 1 - k : k;
      double part = conductance * grid.thickness(l) / high;
      double w = fromLayer(l, seconds, capacityRate, part, stream);
      take(l, w * seconds);
      stream += w / capacityRate;
      given += w;
    }
    return given;
  }
}
