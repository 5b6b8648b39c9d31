package nightbank.core.caution;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import nightbank.core.internal.Tables;

/**
 * A pipe, vessel or glue in a build and what it stands.
 *
 * @param conductivity W/(m K), for the walls of pipes
 */
public record PartLimit(
    String id, String name, Kind kind, double highestCelsius, double conductivity, String source) {
  private static final List<PartLimit> ALL =
      List.copyOf(
          Tables.read(PartLimit.class, "parts.tsv", PartLimit::row, PartLimit::id).values());

  /** What it is for. */
  public enum Kind {
    PIPE,
    VESSEL,
    GLUE
  }

  public static List<PartLimit> all() {
    return ALL;
  }

  public static Optional<PartLimit> of(String id) {
    return ALL.stream().filter(p -> p.id.equals(id)).findFirst();
  }

  private static PartLimit row(String[] f) {
    return new PartLimit(
        f[0],
        f[1],
        Kind.valueOf(f[2].toUpperCase(Locale.ROOT)),
        Tables.number(f[3]),
        Tables.number(f[4]),
        f[5]);
  }
}
