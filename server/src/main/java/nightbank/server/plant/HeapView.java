package nightbank.server.plant;

import java.util.List;

/**
 * What a heap is fed and what that is worth.
 *
 * @param solidsKilograms that can still be burnt
 * @param drawWatts largest steady draw that keeps it warm for two weeks
 * @param keepCelsius that it is kept at
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
    List<Hint> hints) {

  /** What is wrong with the mixture and how to mend it. */
  public record Hint(String reason, String remedy) {}
}
