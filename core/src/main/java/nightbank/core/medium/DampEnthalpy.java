package nightbank.core.medium;

/**
 * A dry medium with water in it, by parts of mass. Sensible heat only: up to 100 °C the water
 * counts, above it the water is taken to have left as steam. The heat that drying takes is {@link
 * #dryingJoulesPerKg()} and never comes back; a store that has been above 100 °C is a dry one.
 */
public record DampEnthalpy(Enthalpy dry, double moisture) implements Enthalpy {
  public static final double WATER_SPECIFIC_HEAT = 4184; // J/(kg K) at 20 °C, Incropera app. A
  public static final double LATENT_STEAM = 2.257e6; // J/kg at 100 °C, Incropera app. A

  public DampEnthalpy {
    if (!(moisture >= 0 && moisture < 0.9)) {
      throw new IllegalArgumentException("moisture must lie in 0 to 0.9, was " + moisture);
    }
  }

  @Override
  public double joulesPerKg(double celsius) {
    return (1 - moisture) * dry.joulesPerKg(celsius)
        + moisture * WATER_SPECIFIC_HEAT * Math.min(celsius, 100);
  }

  @Override
  public double specificHeat(double celsius) {
    return (1 - moisture) * dry.specificHeat(celsius)
        + (celsius < 100 ? moisture * WATER_SPECIFIC_HEAT : 0);
  }

  /** The dry part of one kilogram of the damp medium. */
  Enthalpy dryPart() {
    return new DryShare(dry, 1 - moisture);
  }

  private record DryShare(Enthalpy whole, double share) implements Enthalpy {
    @Override
    public double joulesPerKg(double celsius) {
      return share * whole.joulesPerKg(celsius);
    }

    @Override
    public double specificHeat(double celsius) {
      return share * whole.specificHeat(celsius);
    }
  }

  /** Heat spent once on boiling the water off, J per kg of damp medium. */
  public double dryingJoulesPerKg() {
    return moisture * LATENT_STEAM;
  }
}
