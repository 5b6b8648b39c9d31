package nightbank.core.medium;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import nightbank.core.internal.Tables;

/** The shipped tables of media, insulation and skins; every row names its source. */
public final class MediumCatalogue {
  private static final Map<String, Medium> MEDIA =
      Tables.read(MediumCatalogue.class, "media.tsv", MediumCatalogue::medium, Medium::id);
  private static final Map<String, InsulationMaterial> INSULATION =
      Tables.read(
          MediumCatalogue.class,
          "insulation.tsv",
          MediumCatalogue::insulation,
          InsulationMaterial::id);
  private static final Map<String, SkinMaterial> SKINS =
      Tables.read(MediumCatalogue.class, "skins.tsv", MediumCatalogue::skin, SkinMaterial::id);

  private MediumCatalogue() {}

  public static List<Medium> media() {
    return List.copyOf(MEDIA.values());
  }

  public static List<InsulationMaterial> insulation() {
    return List.copyOf(INSULATION.values());
  }

  public static List<SkinMaterial> skins() {
    return List.copyOf(SKINS.values());
  }

  public static Optional<Medium> medium(String id) {
    return Optional.ofNullable(MEDIA.get(id));
  }

  public static Optional<SkinMaterial> skin(String id) {
    return Optional.ofNullable(SKINS.get(id));
  }

  public static Optional<InsulationMaterial> insulation(String id) {
    return Optional.ofNullable(INSULATION.get(id));
  }

  private static Medium medium(String[] f) {
    return MediumBuilder.builder()
        .id(f[0])
        .name(f[1])
        .kind(Medium.Kind.valueOf(f[2].toUpperCase(Locale.ROOT)))
        .moisture(range(f, 3))
        .density(range(f, 6))
        .specificHeat(range(f, 9))
        .law(Medium.HeatLaw.valueOf(f[12].replace('-', '_').toUpperCase(Locale.ROOT)))
        .conductivity(range(f, 13))
        .dryConductivity(range(f, 16))
        .highestCelsius(range(f, 19))
        .heatSlope(range(f, 22))
        .conductivitySlope(range(f, 25))
        .source(f[28])
        .build();
  }

  private static InsulationMaterial insulation(String[] f) {
    return new InsulationMaterial(
        f[0],
        f[1],
        Tables.number(f[2]),
        new Range(Tables.number(f[3]), Tables.number(f[2]), Tables.number(f[4])),
        range(f, 5),
        range(f, 8),
        range(f, 11),
        f[14]);
  }

  private static SkinMaterial skin(String[] f) {
    return new SkinMaterial(
        f[0],
        f[1],
        new Range(Tables.number(f[3]), Tables.number(f[2]), Tables.number(f[4])),
        range(f, 5),
        range(f, 8),
        range(f, 11),
        f[14]);
  }

  /** Three fields: low, value as used, high. */
  private static Range range(String[] f, int first) {
    return new Range(
        Tables.number(f[first]), Tables.number(f[first + 1]), Tables.number(f[first + 2]));
  }
}
