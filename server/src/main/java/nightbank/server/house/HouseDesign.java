package nightbank.server.house;

import java.util.List;

/**
 * A house as its keeper describes it; SI.
 *
 * @param innerMassKg of floor, beds, walls inside
 * @param innerMassMedium what it is made of, from the catalogue
 * @param innerMassAreaSquareMetres that faces the air
 * @param groundCelsius deep ground below
 */
public record HouseDesign(
    List<Part> skin,
    double volumeCubicMetres,
    double airChangesPerHour,
    double innerMassKg,
    String innerMassMedium,
    double innerMassAreaSquareMetres,
    double plantLimitCelsius,
    double groundCelsius) {

  /** One part of the skin; roofs see the sky, walls half of it, shared walls none. */
  public record Part(
      String name, Looks looks, double areaSquareMetres, double transmittance, String material) {}

  /** Which way a part looks. */
  public enum Looks {
    UP,
    OUT,
    SHELTERED
  }
}
