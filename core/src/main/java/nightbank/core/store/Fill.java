package nightbank.core.store;

import nightbank.core.medium.Medium;
import nightbank.core.medium.Range;

/**
 * Another medium in part of a body: a layer of cob on sand, a core of stone in earth, the hollow of
 * a firebox.
 *
 * @param where which part; two fills must not lie in the same
 */
public record Fill(Medium medium, HeatedZone where) {
  /**
   * A hollow with a fire's gas in it: it holds next to nothing, and its walls shine on each other,
   * which conducts like 4 σ T³ over its width (0.3 m at 300 °C: 13 W/(m K); 5 to 25).
   */
  public static final Medium HOLLOW =
      new Medium(
          "hollow",
          "Hollow",
          Medium.Kind.SOLID,
          0,
          Range.exactly(10),
          Range.exactly(1005),
          Medium.HeatLaw.LINEAR,
          new Range(5, 13, 25),
          1500,
          "Incropera et al., 13.1: radiation across a gap, linear");

  public Fill {
    if (medium.kind() != Medium.Kind.SOLID) {
      throw new IllegalArgumentException("only what stays put fills a part of a body");
    }
  }

  /** A hollow stays what it is. */
  Fill scaled(double densityFactor, double conductivityFactor) {
    return medium.equals(HOLLOW)
        ? this
        : new Fill(medium.scaled(densityFactor, conductivityFactor), where);
  }

  /** All across, between two fractions of the height. */
  public static Fill layer(Medium medium, double lowFraction, double highFraction) {
    return new Fill(medium, new HeatedZone(1, lowFraction, highFraction));
  }
}
