package nightbank.server.plant;

import java.util.List;
import nightbank.server.part.PartDesign.Fed;
import org.jspecify.annotations.Nullable;

/**
 * What a heap is fed and what that is worth.
 *
 * @param solidsKilograms that can still be burnt
 * @param drawWatts largest steady draw that keeps it warm for two weeks
 * @param keepCelsius that it is kept at
 * @param logged what the log says was fed since its own list ends
 * @param rhythm how to feed it for a draw
 */
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
    RhythmView rhythm,
    List<Hint> hints) {

  /**
   * How to feed it for a draw.
   *
   * @param everyDays between loads; 0: none is needed; -1: not even a load a day does
   * @param lowestCelsius of its mean meanwhile, absent where nothing does
   */
  public record RhythmView(
      double watts,
      String feedstock,
      double loadKilograms,
      int everyDays,
      @Nullable Double lowestCelsius) {}

  /** What is wrong with the mixture and how to mend it. */
  public record Hint(String reason, String remedy) {}
}
