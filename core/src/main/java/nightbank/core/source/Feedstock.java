package nightbank.core.source;

import java.util.List;
import java.util.Optional;
import nightbank.core.internal.Tables;
import nightbank.core.medium.Range;

/**
 * Something a heap is fed with.
 *
 * @param nitrogen share of dry mass
 * @param carbonToNitrogen by mass
 * @param moisture wet-basis share
 * @param density kg/m³ as thrown on
 * @param volatileShare volatile solids in dry mass
 * @param degradable share of the volatile solids that a heap can burn in a season, a fifth either
 *     way where nobody knows better (Haug, ch. 9)
 */
public record Feedstock(
    String id,
    String name,
    double nitrogen,
    double carbonToNitrogen,
    double moisture,
    double density,
    double volatileShare,
    Range degradable,
    String source) {
  private static final List<Feedstock> ALL =
      List.copyOf(
          Tables.read(Feedstock.class, "feedstocks.tsv", Feedstock::row, Feedstock::id).values());

  public static List<Feedstock> all() {
    return ALL;
  }

  public static Optional<Feedstock> of(String id) {
    return ALL.stream().filter(f -> f.id.equals(id)).findFirst();
  }

  /** Volatile solids that can be destroyed in a wet mass, kg. */
  public double degradableSolids(double wetKilograms) {
    return rotting(wetKilograms) * degradable.value();
  }

  /** Volatile solids in a wet mass, kg. */
  double rotting(double wetKilograms) {
    return wetKilograms * (1 - moisture) * volatileShare;
  }

  private static Range aFifthEitherWay(double share) {
    return new Range(0.8 * share, share, Math.min(1, 1.2 * share));
  }

  private static Feedstock row(String[] f) {
    return new Feedstock(
        f[0],
        f[1],
        Tables.number(f[2]) / 100,
        Tables.number(f[3]),
        Tables.number(f[4]) / 100,
        Tables.number(f[5]),
        Tables.number(f[6]) / 100,
        aFifthEitherWay(Tables.number(f[7]) / 100),
        f[8]);
  }
}
