package nightbank.server.trial;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A trial as judged; °C, W/K, seconds. Bounds are 95 %.
 *
 * @param excessKelvin over the air that all are brought to; absent when no run tells anything
 * @param seconds that all are carried along
 * @param at of the sides' curves, seconds after the common start
 */
public record TrialSheet(
    TrialView trial,
    @Nullable Double excessKelvin,
    @Nullable Double airCelsius,
    @Nullable Double seconds,
    List<Double> at,
    List<SideView> sides,
    List<DifferenceView> differences,
    List<DifferedView> differed) {

  /**
   * One side.
   *
   * @param fair absent when none of its runs tells anything
   */
  public record SideView(
      String name,
      @Nullable FairView fair,
      List<Double> curve,
      List<Double> low,
      List<Double> high,
      List<Dots> runs) {}

  /** How a side keeps its heat. */
  public record FairView(
      double halfLifeSeconds,
      double halfLifeLow,
      double halfLifeHigh,
      double lossWattsPerKelvin,
      double lossLow,
      double lossHigh,
      double readingCelsius,
      double readingLow,
      double readingHigh) {}

  /**
   * A run's readings brought to the common start.
   *
   * @param silent why it tells nothing, blank when it does
   */
  public record Dots(UUID runId, String silent, List<Double> at, List<Double> celsius) {}

  /**
   * A side against the first; figures are absent when it cannot be told.
   *
   * @param word LOSES_LESS, LOSES_MORE, ALIKE, CANNOT_TELL
   * @param ratio of the loss to the first side's
   */
  public record DifferenceView(
      String side,
      String word,
      @Nullable Double ratio,
      @Nullable Double ratioLow,
      @Nullable Double ratioHigh,
      @Nullable Double readingKelvin,
      @Nullable Double readingLow,
      @Nullable Double readingHigh) {}

  /** What else was not alike. */
  public record DifferedView(String what, String side, double first, double other) {}
}
