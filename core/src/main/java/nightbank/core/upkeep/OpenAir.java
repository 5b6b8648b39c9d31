package nightbank.core.upkeep;

import java.time.Instant;
import nightbank.core.weather.Ground;
import nightbank.core.weather.MoistAir;

/** Outdoor air through the year, as days' means. */
public interface OpenAir {
  double celsius(Instant at);

  /** Relative, 0 to 1. */
  double humidity(Instant at);

  /** How far its vapour is from saturation, Pa. */
  default double deficit(Instant at) {
    return MoistAir.saturationPressure(celsius(at)) * (1 - humidity(at));
  }

  /** Air that stays so. */
  static OpenAir steady(double celsius, double humidity) {
    return new OpenAir() {
      @Override
      public double celsius(Instant at) {
        return celsius;
      }

      @Override
      public double humidity(Instant at) {
        return humidity;
      }
    };
  }

  /**
   * By latitude and height alone: temperature as the surface of the ground, damp in winter and less
   * so in summer (days' means of 0.86 and 0.74, windward coasts; inland drier). Own guess.
   */
  static OpenAir of(double latitude, double heightMetres) {
    double mean = Ground.mean(latitude, heightMetres);
    double swing = Ground.swing(latitude);
    return new OpenAir() {
      @Override
      public double celsius(Instant at) {
        return Ground.celsius(latitude, heightMetres, at, 0);
      }

      @Override
      public double humidity(Instant at) {
        return 0.80 - 0.06 * (celsius(at) - mean) / swing;
      }
    };
  }
}
