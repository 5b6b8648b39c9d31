package nightbank.core.source;

/**
 * A fire that was logged: wood lit at an epoch second in a hearth.
 *
 * <p>Its heat rises within three quarters of an hour and dies away, E t/τ² e^(-t/τ), as {@link
 * WoodFire} burns one load that its hearth lets burn as it likes.
 */
public record LitFire(long at, double kilograms, double moisture, Hearth hearth) {
  private static final double PEAK = 2700; // s

  public double joules() {
    return kilograms * FireLoad.heatingValue(moisture);
  }

  /** Heat given off at an epoch second, wherever it goes, W. */
  public double watts(double epochSecond) {
    double t = epochSecond - at;
    return t < 0 || t > WoodFire.LONGEST ? 0 : joules() * t / (PEAK * PEAK) * Math.exp(-t / PEAK);
  }

  /** Share that the mass takes up. */
  public double toStore() {
    return hearth.toStore().value();
  }

  /** Share given to the room at once. */
  public double toRoom() {
    return hearth.toRoom().value();
  }
}
