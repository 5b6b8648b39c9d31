package nightbank.core.medium;

/**
 * A bulk insulation or skin of a store.
 *
 * @param conductivityAt20 W/(m K) at 20 °C, dry
 * @param conductivityRange as met in practice, W/(m K)
 * @param slopePerKelvin relative rise of conductivity per kelvin above 20 °C
 * @param highestCelsius temperature above which it chars, melts or loses its binder, °C; low where
 *     poor stuff takes its first harm
 * @param wetFactor by how much conductivity rises when soaked
 */
public record InsulationMaterial(
    String id,
    String name,
    double conductivityAt20,
    Range conductivityRange,
    Range slopePerKelvin,
    Range highestCelsius,
    Range wetFactor,
    String source) {

  /** Conductivity at a mean layer temperature, W/(m K). */
  public double conductivity(double meanCelsius, boolean wet) {
    double dry = conductivityAt20 * Math.max(0.5, 1 + slopePerKelvin.value() * (meanCelsius - 20));
    return wet ? dry * wetFactor.value() : dry;
  }
}
