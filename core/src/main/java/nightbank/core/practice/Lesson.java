package nightbank.core.practice;

/**
 * Evenings of rising difficulty, each for something that people get wrong: how far below what the
 * plants stand it gets, how clouded, how windy. Own choices, so that doing nothing loses most.
 */
public enum Lesson {
  STILL_UNDER_CLOUD(5, 1, 0.5),
  /** Draughts before mass. */
  WIND_IN_THE_GAPS(6, 1, 8),
  /** Leaves are colder than the air. */
  CLEAR_SKY(7, 0, 0.5),
  HARD_AND_CLEAR(12, 0, 2);

  private final double below; // K
  private final double cloud; // share of the sky
  private final double wind; // m/s

  Lesson(double below, double cloud, double wind) {
    this.below = below;
    this.cloud = cloud;
    this.wind = wind;
  }

  /** The night's low for plants that stand so much, °C, whole. */
  public double lowCelsius(double plantLimitCelsius) {
    return Math.rint(plantLimitCelsius - below);
  }

  /** Share of the sky. */
  public double cloud() {
    return cloud;
  }

  /** In the open, m/s. */
  public double windMetresPerSecond() {
    return wind;
  }
}
