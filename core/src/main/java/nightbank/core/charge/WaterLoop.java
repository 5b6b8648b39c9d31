package nightbank.core.charge;

/**
 * A loop of water through a coil in a store: effectiveness of an exchanger with one side at the
 * store's temperature, ε = 1 - e^(-NTU), NTU = UA/(ṁc) (Incropera et al., ch. 11). The direction of
 * heat follows from the temperatures. Neglects heat held in pipe and water.
 *
 * @param coilConductance UA, W/K
 * @param flow ṁ, kg/s
 * @param specificHeat of the fluid, J/(kg K)
 */
public record WaterLoop(double coilConductance, double flow, double specificHeat) {
  public WaterLoop {
    if (!(coilConductance > 0 && coilConductance <= 1e5)) {
      throw new IllegalArgumentException(
          "coil UA must lie between 0 and 1e5 W/K, was " + coilConductance);
    }
    if (!(flow > 0 && flow <= 50)) {
      throw new IllegalArgumentException("flow must lie between 0 and 50 kg/s, was " + flow);
    }
    if (!(specificHeat >= 500 && specificHeat <= 6000)) {
      throw new IllegalArgumentException(
          "specific heat must lie between 500 and 6000 J/(kg K), was " + specificHeat);
    }
  }

  /** Share of the greatest possible heat that is handed over, 0 to 1. */
  public double effectiveness() {
    return -Math.expm1(-coilConductance / (flow * specificHeat));
  }

  /** Heat to the store, W; negative once the loop empties it. */
  public double watts(double inletCelsius, double storeCelsius) {
    return effectiveness() * flow * specificHeat * (inletCelsius - storeCelsius);
  }

  public double outletCelsius(double inletCelsius, double storeCelsius) {
    return inletCelsius - effectiveness() * (inletCelsius - storeCelsius);
  }
}
