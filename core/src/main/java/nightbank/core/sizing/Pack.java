package nightbank.core.sizing;

import java.util.Locale;

/**
 * How something is sold, as the grower knows it.
 *
 * @param amount in one bag, barrel, roll or piece
 * @param price of one, in the grower's money
 */
public record Pack(String name, double amount, Unit unit, double price) {
  /** What the amount is of. */
  public enum Unit {
    KILOGRAM,
    LITRE,
    SQUARE_METRE,
    METRE,
    KILOWATT_HOUR,
    PIECE
  }

  public Pack {
    if (!(amount > 0 && amount <= 1e6)) {
      throw new IllegalArgumentException(
          String.format(Locale.ROOT, "a pack must hold between 0 and 1e6, was %s", amount));
    }
    if (!(price >= 0 && price <= 1e6)) {
      throw new IllegalArgumentException(
          String.format(Locale.ROOT, "a price must lie between 0 and 1000000, was %s", price));
    }
  }

  /** Whole packs for so much, with nothing to spare but rounding. */
  public int packs(double needed) {
    return (int) Math.ceil(needed / amount - 1e-9);
  }
}
