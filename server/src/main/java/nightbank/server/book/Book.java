package nightbank.server.book;

import java.util.List;
import nightbank.core.sizing.Pack;

/**
 * What a holding knows of its own: prices, and what is in no table.
 *
 * @param currency as it is written before or after a sum
 */
public record Book(
    String currency,
    List<Price> prices,
    List<OwnMedium> media,
    List<OwnInsulation> insulation,
    List<OwnFeedstock> feedstocks) {
  public Book {
    currency = currency == null ? "" : currency.strip();
    prices = prices == null ? List.of() : prices;
    media = media == null ? List.of() : media;
    insulation = insulation == null ? List.of() : insulation;
    feedstocks = feedstocks == null ? List.of() : feedstocks;
  }

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

  /**
   * Insulation that is in no table.
   *
   * @param conductivityLow W/(m K), the least that it may be; conductivity and high alike
   * @param wetFactor by how much more it lets through when soaked
   * @param highestCelsius that it stands
   * @param note where the numbers come from
   */
  public record OwnInsulation(
      String id,
      String name,
      double conductivityLow,
      double conductivity,
      double conductivityHigh,
      double wetFactor,
      double highestCelsius,
      String note) {}

  /**
   * Feed for a heap that is in no table.
   *
   * @param carbonToNitrogen by mass
   * @param nitrogen share of dry mass
   * @param moisture share of what is thrown on
   * @param density kg/m³ as thrown on
   * @param volatileShare volatile solids in dry mass
   * @param degradableLow share of those that a heap burns in a season; degradable and high alike
   * @param note where the numbers come from
   */
  public record OwnFeedstock(
      String id,
      String name,
      double carbonToNitrogen,
      double nitrogen,
      double moisture,
      double density,
      double volatileShare,
      double degradableLow,
      double degradable,
      double degradableHigh,
      String note) {}

  static Book empty() {
    return new Book("", List.of(), List.of(), List.of(), List.of());
  }
}
