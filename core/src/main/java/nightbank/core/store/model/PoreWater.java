package nightbank.core.store.model;

import java.util.Arrays;
import nightbank.core.medium.DampEnthalpy;
import nightbank.core.medium.Medium;

/**
 * Water in the cells of a damp medium. It stays until its cell reaches 100 °C; what heat comes
 * after boils it off, the steam leaves, and the cell conducts as dry. A cell that begins above 100
 * °C is dry.
 */
final class PoreWater {
  static final double BOILING = 100;

  private final double[] share; // kg of water per kg as filled
  private final double full;
  private final double wetConductivity;
  private final double dryConductivity;

  PoreWater(Medium medium, double[] celsius) {
    full = medium.moisture().value();
    wetConductivity = medium.conductivity().value();
    dryConductivity = medium.dryConductivity().value();
    share = Arrays.stream(celsius).map(t -> t > BOILING ? 0 : full).toArray();
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
    return dryConductivity + (wetConductivity - dryConductivity) * share[c] / full;
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
