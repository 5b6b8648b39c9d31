package nightbank.core.store.model;

import nightbank.core.medium.DampEnthalpy;

/**
 * Water in the cells of a damp medium. It stays until its cell reaches 100 °C; what heat comes
 * after boils it off, the steam leaves, and the cell conducts as dry. A cell that begins above 100
 * °C is dry.
 */
final class PoreWater {
  static final double BOILING = 100;

  private final double[] share; // kg of water per kg as filled
  private final CellMedia media;

  PoreWater(CellMedia media, double[] celsius) {
    this.media = media;
    share = new double[celsius.length];
    for (int c = 0; c < share.length; c++) {
      share[c] = celsius[c] > BOILING ? 0 : media.moisture(c);
    }
  }

  boolean any(int c) {
    return share[c] > 0;
  }

  double share(int c) {
    return share[c];
  }

  /** Heat that a kelvin takes, J/(K kg as filled). */
  double specificHeat(int c) {
    return share[c] * DampEnthalpy.WATER_SPECIFIC_HEAT;
  }

  double conductivity(int c) {
    double dry = media.driedConductivity(c);
    return share[c] == 0 ? dry : dry + (media.conductivity(c) - dry) * share[c] / media.moisture(c);
  }

  /**
   * Boils off what so much heat above that of the damp cell at 100 °C can.
   *
   * @return heat that leaves with the steam, J per kg as filled
   */
  double boil(int c, double joulesPerKg) {
    double boiled = Math.min(share[c], joulesPerKg / DampEnthalpy.LATENT_STEAM);
    share[c] = boiled >= share[c] ? 0 : share[c] - boiled;
    return boiled * (DampEnthalpy.LATENT_STEAM + DampEnthalpy.WATER_SPECIFIC_HEAT * BOILING);
  }
}
