package nightbank.core.sizing;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import nightbank.core.caution.PartLimit;
import nightbank.core.internal.Tables;
import nightbank.core.medium.Medium;
import nightbank.core.store.Geometry;

/**
 * A body that is set up once or many times.
 *
 * @param solid whether it holds sand, stone or earth
 * @param water whether it holds water
 */
public record ContainerKind(
    String id,
    String name,
    Geometry geometry,
    boolean solid,
    boolean water,
    Optional<PartLimit> vessel,
    String source) {
  private static final List<ContainerKind> ALL =
      List.copyOf(
          Tables.read(ContainerKind.class, "containers.tsv", ContainerKind::row, ContainerKind::id)
              .values());

  public static List<ContainerKind> all() {
    return ALL;
  }

  public boolean holds(Medium medium) {
    return medium.kind() == Medium.Kind.WATER ? water : solid;
  }

  private static ContainerKind row(String[] f) {
    double a = Tables.number(f[3]);
    Geometry g =
        f[2].equals("round")
            ? new Geometry.Cylinder(a / 2, Tables.number(f[5]))
            : new Geometry.Box(a, Tables.number(f[4]), Tables.number(f[5]));
    String holds = f[6].toLowerCase(Locale.ROOT);
    return new ContainerKind(
        f[0], f[1], g, holds.contains("solid"), holds.contains("water"), PartLimit.of(f[7]), f[8]);
  }
}
