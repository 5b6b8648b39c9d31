package nightbank.core.fit;

import java.util.List;

/**
 * A house as its logged nights show it. Factors are over the design, each with half a 95 % interval
 * of its log.
 *
 * @param describedWattsPerKelvin skin and draught as described in a wind of 2 m/s
 * @param loss skin and draught together in a wind of 2 m/s: better known than its two parts
 * @param mass of what follows slowly
 * @param scatterKelvin of readings round the model, root mean square over nights alike
 */
public record LearnedHouse(
    double describedWattsPerKelvin,
    Factor skin,
    Factor leak,
    Factor mass,
    Factor loss,
    double scatterKelvin,
    List<NightLearned> nights) {

  /** A factor and half a 95 % interval of its natural log. */
  public record Factor(double value, double halfLog) {
    public double low() {
      return value * Math.exp(-halfLog);
    }

    public double high() {
      return value * Math.exp(halfLog);
    }
  }

  /**
   * One night in the learned house.
   *
   * @param lossTimes loss of this night over the learned one
   * @param unlike whether it lost heat so much faster or slower that something was different
   * @param changesPerHour of the house's air that would explain a faster loss; 0 for none
   * @param lowest simulated low of the air with every gain, °C
   * @param lowestWithout simulated low with no gain at all, °C
   * @param shares what each source alone was worth
   */
  public record NightLearned(
      String id,
      double lossTimes,
      boolean unlike,
      double changesPerHour,
      double scatterKelvin,
      double lowest,
      double lowestWithout,
      List<Share> shares) {}

  /** By how much the low would have been lower without one source, K. */
  public record Share(String of, double kelvin) {}
}
