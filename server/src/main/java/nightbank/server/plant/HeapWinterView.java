package nightbank.server.plant;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;

/**
 * How warm a heap was by its own thermometers, and what it was fed meanwhile.
 *
 * @param keepCelsius below it a heap slows down
 * @param days that were read, in order
 * @param warm of them, over what it is to be kept at
 */
public record HeapWinterView(
    UUID storeId, String name, double keepCelsius, List<Day> days, int warm, List<Load> fed) {

  /** A day's highest in the warmest place. */
  public record Day(LocalDate day, double celsius) {}

  /** What was put on it. */
  public record Load(Instant at, String feedstock, double kilograms) {}
}
