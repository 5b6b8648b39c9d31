package nightbank.core.charge;

/** A fire and the epoch second at which it was lit. */
public record LitFire(long at, WoodFire fire) {
  /** Heat given off at an epoch second, wherever it goes, W. */
  public double watts(double epochSecond) {
    return fire.watts(epochSecond - at);
  }
}
