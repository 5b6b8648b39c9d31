package nightbank.core.source;

import java.util.List;
import java.util.Optional;
import nightbank.core.internal.Tables;
import nightbank.core.medium.Range;

/**
 * Something bought or gathered to burn.
 *
 * @param heatingValue lower heating value as burnt, J/kg
 * @param waterPerKilogram vapour that its burning makes, kg/kg
 */
public record Fuel(
    String id, String name, Range heatingValue, double waterPerKilogram, String source) {
  private static final List<Fuel> ALL =
      List.copyOf(Tables.read(Fuel.class, "fuels.tsv", Fuel::row, Fuel::id).values());

  public static List<Fuel> all() {
    return ALL;
  }

  public static Optional<Fuel> of(String id) {
    return ALL.stream().filter(f -> f.id.equals(id)).findFirst();
  }

  private static Fuel row(String[] f) {
    return new Fuel(
        f[0],
        f[1],
        new Range(1e6 * Tables.number(f[2]), 1e6 * Tables.number(f[3]), 1e6 * Tables.number(f[4])),
        Tables.number(f[5]),
        f[6]);
  }
}
