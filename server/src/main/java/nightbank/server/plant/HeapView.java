package nightbank.server.plant;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Instant;
import java.util.List;
import nightbank.server.part.PartDesign.Fed;
import org.jspecify.annotations.Nullable;

/**
 * What a heap is fed and what that is worth.
 *
 * @param solidsKilograms that can still be burnt
 * @param drawWatts largest steady draw that keeps it warm inside for two weeks
 * @param keepCelsius that it is kept at inside, where its loop lies
 * @param logged what the log says was fed since its own list ends
 * @param layers all that was put on it, as listed, then as logged
 * @param rhythm how to feed it for a draw
 * @param course how warm it is meanwhile
 */
@RecordBuilder
public record HeapView(
    double kilograms,
    double carbonToNitrogen,
    double moisture,
    double density,
    double freeAir,
    double solidsKilograms,
    double solidsLow,
    double solidsHigh,
    double drawWatts,
    double keepCelsius,
    List<Fed> logged,
    List<LayerView> layers,
    RhythmView rhythm,
    CourseView course,
    List<Hint> hints) {

  /**
   * What was put on it at once.
   *
   * @param left share of what it could burn that it still has
   * @param logged whether the log says so and not its own list
   */
  public record LayerView(
      String feedstock, double kilograms, @Nullable Instant at, double left, boolean logged) {}

  /**
   * How to feed it for a draw.
   *
   * @param of the feedstock's id
   * @param everyDays between loads; 0: none is needed; -1: not even a load a day does
   * @param lowestCelsius inside meanwhile, absent where nothing does
   */
  public record RhythmView(
      double watts,
      String of,
      String feedstock,
      double loadKilograms,
      int everyDays,
      @Nullable Double lowestCelsius) {}

  /**
   * How warm it is inside, where its loop lies, under the draw through the days to come, °C.
   *
   * @param startCelsius of its warmest place as it begins
   * @param read whether that was read these days, not taken for granted
   * @param outsideCelsius throughout
   * @param days of the other rows
   * @param unfed when nothing more is put on
   * @param low the same if it gives as little as may be, high as much
   * @param fed by the rhythm; empty where there is none or none is needed
   */
  public record CourseView(
      double startCelsius,
      boolean read,
      double outsideCelsius,
      List<Double> days,
      List<Double> unfed,
      List<Double> low,
      List<Double> high,
      List<Double> fed) {}

  /** What is wrong with the mixture and how to mend it. */
  public record Hint(String reason, String remedy) {}
}
