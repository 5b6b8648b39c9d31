package nightbank.core.house;

/** How much of the wind at ten metres reaches the house; estimates, each half to double. */
public enum Shelter {
  /** A field or hillside. */
  OPEN(0.7),
  /** Hedges, trees and buildings about. */
  GARDEN(0.4),
  /** Walls close on most sides. */
  YARD(0.25);

  private final double windShare;

  Shelter(double windShare) {
    this.windShare = windShare;
  }

  public double windShare() {
    return windShare;
  }
}
