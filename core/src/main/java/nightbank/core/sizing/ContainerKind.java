package nightbank.core.sizing;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import nightbank.core.caution.PartLimit;
import nightbank.core.internal.Tables;
import nightbank.core.medium.Medium;
import nightbank.core.store.Geometry;

/**
 * A body that is set up once or many times.
 *
 * @param metresEach length of one where it is told by the metre, else 0
 * @param holds what goes into it
 */
public record ContainerKind(
    String id,
    String name,
    Geometry geometry,
    double metresEach,
    Set<Fill> holds,
    Optional<PartLimit> vessel,
    String source) {
  private static final List<ContainerKind> ALL =
      List.copyOf(
          Tables.read(ContainerKind.class, "containers.tsv", ContainerKind::row, ContainerKind::id)
              .values());

  public static List<ContainerKind> all() {
    return ALL;
  }

  /** What goes into a body. */
  public enum Fill {
    WATER,
    LOOSE,
    STONE,
    SOIL
  }

  private static final Set<String> STONES =
      Set.of("granite", "basalt", "limestone", "soapstone", "concrete", "brick", "cob");

  public boolean holds(Medium medium) {
    return holds.contains(fill(medium));
  }

  /** Stones are laid, earth is for beds, all else is poured; a holding's own media too. */
  private static Fill fill(Medium medium) {
    if (medium.kind() == Medium.Kind.WATER) {
      return Fill.WATER;
    }
    if (STONES.contains(medium.id())) {
      return Fill.STONE;
    }
    return medium.id().equals("soil") ? Fill.SOIL : Fill.LOOSE;
  }

  private static ContainerKind row(String[] f) {
    double a = Tables.number(f[3]);
    Geometry g =
        f[2].equals("round")
            ? new Geometry.Cylinder(a / 2, Tables.number(f[5]))
            : new Geometry.Box(a, Tables.number(f[4]), Tables.number(f[5]));
    Set<Fill> holds =
        Arrays.stream(f[7].split(","))
            .map(x -> Fill.valueOf(x.toUpperCase(Locale.ROOT)))
            .collect(Collectors.toUnmodifiableSet());
    return new ContainerKind(f[0], f[1], g, Tables.number(f[6]), holds, PartLimit.of(f[8]), f[9]);
  }
}
