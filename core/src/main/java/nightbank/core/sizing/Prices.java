package nightbank.core.sizing;

import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/** The grower's own prices by the id of medium, insulation, part or fuel; most may be missing. */
public record Prices(Map<String, Pack> packs) {
  private static final double KILOWATT_HOUR = 3.6e6; // J

  public static final Prices NONE = new Prices(Map.of());

  public Prices {
    packs = Map.copyOf(packs);
  }

  public Optional<Pack> of(String id) {
    return Optional.ofNullable(packs.get(id));
  }

  /**
   * What fuel and power come to; empty where the price of either is missing.
   *
   * @param fuel id; wood's is {@code firewood}
   * @param kilograms of it
   */
  public OptionalDouble running(String fuel, double kilograms, double electricJoules) {
    double sum = 0;
    if (kilograms > 0) {
      Optional<Pack> sold = of(fuel).filter(p -> p.unit() == Pack.Unit.KILOGRAM);
      if (sold.isEmpty()) {
        return OptionalDouble.empty();
      }
      sum += kilograms / sold.get().amount() * sold.get().price();
    }
    if (electricJoules > 0) {
      Optional<Pack> sold = of("electricity");
      if (sold.isEmpty()) {
        return OptionalDouble.empty();
      }
      sum += electricJoules / KILOWATT_HOUR / sold.get().amount() * sold.get().price();
    }
    return OptionalDouble.of(sum);
  }
}
