package nightbank.server.book;

import java.util.List;
import nightbank.core.sizing.Pack;

/**
 * What a holding knows of its own: prices and media.
 *
 * @param currency as it is written before or after a sum
 */
public record Book(String currency, List<Price> prices, List<OwnMedium> media) {
  /**
   * How something is sold here.
   *
   * @param of id of a medium, a layer's material, a part, or a fuel
   */
  public record Price(String of, String pack, double amount, Pack.Unit unit, double price) {}

  /**
   * A medium that is in no table.
   *
   * @param moisture wet-basis share, 0 when dry
   * @param spread relative doubt of density, heat and conductivity, 0.05 when nobody says
   * @param note where the numbers come from
   */
  public record OwnMedium(
      String id,
      String name,
      double density,
      double specificHeat,
      double conductivity,
      double moisture,
      double highestCelsius,
      Double spread,
      String note) {}

  static Book empty() {
    return new Book("", List.of(), List.of());
  }
}
