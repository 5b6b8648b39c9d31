package nightbank.core.unit;

/**
 * A number that a sentence speaks of; the sentence holds {@code {0}}, {@code {1}} in its place, so
 * that whoever reads it sees it in units of their own.
 */
public record Figure(double value, Unit unit) {

  /** What it is counted in. */
  public enum Unit {
    CELSIUS,
    METRES,
    /** Metres, of something thin. */
    THIN_METRES,
    KILOGRAMS,
    /** kg/m² */
    FLOOR_LOAD,
    LITRES,
    NEWTONS
  }

  public static Figure celsius(double value) {
    return new Figure(value, Unit.CELSIUS);
  }

  public static Figure metres(double value) {
    return new Figure(value, Unit.METRES);
  }

  public static Figure kilograms(double value) {
    return new Figure(value, Unit.KILOGRAMS);
  }
}
