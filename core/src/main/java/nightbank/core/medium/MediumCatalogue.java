package nightbank.core.medium;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/** The shipped tables of media, insulation and skins; every row names its source. */
public final class MediumCatalogue {
  private static final Map<String, Medium> MEDIA =
      read("media.tsv", MediumCatalogue::medium, Medium::id);
  private static final Map<String, InsulationMaterial> INSULATION =
      read("insulation.tsv", MediumCatalogue::insulation, InsulationMaterial::id);
  private static final Map<String, SkinMaterial> SKINS =
      read("skins.tsv", MediumCatalogue::skin, SkinMaterial::id);

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
    return new Medium(
        f[0],
        f[1],
        Medium.Kind.valueOf(f[2].toUpperCase(Locale.ROOT)),
        number(f[3]),
        new Range(number(f[4]), number(f[5]), number(f[6])),
        new Range(number(f[7]), number(f[8]), number(f[9])),
        Medium.HeatLaw.valueOf(f[10].replace('-', '_').toUpperCase(Locale.ROOT)),
        new Range(number(f[11]), number(f[12]), number(f[13])),
        number(f[14]),
        f[15]);
  }

  private static InsulationMaterial insulation(String[] f) {
    return new InsulationMaterial(
        f[0], f[1], number(f[2]), number(f[3]), number(f[4]), number(f[5]), f[6]);
  }

  private static SkinMaterial skin(String[] f) {
    return new SkinMaterial(
        f[0],
        f[1],
        new Range(number(f[3]), number(f[2]), number(f[4])),
        number(f[5]),
        number(f[6]),
        f[7]);
  }

  private static double number(String text) {
    return Double.parseDouble(text);
  }

  private static <T> Map<String, T> read(
      String table, Function<String[], T> row, Function<T, String> key) {
    var stream = MediumCatalogue.class.getResourceAsStream(table);
    if (stream == null) {
      throw new IllegalStateException("table " + table + " is not on the class path");
    }
    try (var lines = new BufferedReader(new InputStreamReader(stream, StandardCharsets.UTF_8))) {
      Map<String, T> rows = new LinkedHashMap<>();
      lines
          .lines()
          .filter(line -> !line.isBlank() && !line.startsWith("#"))
          .map(line -> row.apply(line.split("\t", -1)))
          .forEach(item -> rows.put(key.apply(item), item));
      return rows;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
