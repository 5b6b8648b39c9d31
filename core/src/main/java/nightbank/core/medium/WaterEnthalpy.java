package nightbank.core.medium;

/**
 * Water with freezing: 4184 J/(kg K) above 0 °C, 334 kJ/kg set free between 0 and -0.2 °C, ice at
 * 2050 J/(kg K) below. Neglects supercooling and the 1 % swing of c between 0 and 95 °C.
 */
public final class WaterEnthalpy implements Enthalpy {
  public static final double LATENT_ICE = 3.34e5; // J/kg, Incropera app. A
  private static final double LIQUID = 4184;
  private static final double ICE = 2050;
  private static final double MUSHY = 0.2; // K over which freezing is spread for the solver

  @Override
  public double joulesPerKg(double celsius) {
    if (celsius >= 0) {
      return LIQUID * celsius;
    }
    double slope = LATENT_ICE / MUSHY + ICE;
    return celsius >= -MUSHY ? slope * celsius : -slope * MUSHY + ICE * (celsius + MUSHY);
  }

  @Override
  public double specificHeat(double celsius) {
    if (celsius >= 0) {
      return LIQUID;
    }
    return celsius >= -MUSHY ? LATENT_ICE / MUSHY + ICE : ICE;
  }
}
