package nightbank.server.book;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nightbank.core.medium.InsulationMaterial;
import nightbank.core.medium.Medium;
import nightbank.core.medium.MediumBuilder;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.medium.Range;
import nightbank.core.source.Feedstock;
import nightbank.server.book.Book.OwnFeedstock;
import nightbank.server.book.Book.OwnInsulation;
import nightbank.server.book.Book.OwnMedium;
import nightbank.server.shared.Problem;

/** What a holding has that is in no table: checked, and as the core has it. */
final class OwnMaterials {
  private static final int MOST = 50;
  private static final double DRY_SHARE = 0.4; // of a damp medium's conductivity once it is dry

  /** Of a dry fill that nobody has tabled, 1/K: as of cob and brick. */
  private static final Range OWN_HEAT_SLOPE = new Range(0.0002, 0.0005, 0.001);

  /** Of loose insulation that nobody has tabled, 1/K: from boards to fibres. */
  private static final Range OWN_SLOPE = new Range(0.001, 0.002, 0.004);

  private OwnMaterials() {}

  static Set<String> ids(Book book) {
    return Stream.of(
            book.media().stream().map(OwnMedium::id),
            book.insulation().stream().map(OwnInsulation::id),
            book.feedstocks().stream().map(OwnFeedstock::id))
        .flatMap(s -> s)
        .collect(Collectors.toSet());
  }

  static void check(Book book) {
    Set<String> taken = new HashSet<>();
    all("media", book.media(), OwnMedium::id, OwnMedium::name, taken, OwnMaterials::medium);
    all(
        "insulation",
        book.insulation(),
        OwnInsulation::id,
        OwnInsulation::name,
        taken,
        OwnMaterials::insulation);
    all(
        "feedstocks",
        book.feedstocks(),
        OwnFeedstock::id,
        OwnFeedstock::name,
        taken,
        OwnMaterials::feedstock);
  }

  private static <T> void all(
      String field,
      List<T> all,
      Function<T, String> idOf,
      Function<T, String> nameOf,
      Set<String> taken,
      Consumer<T> made) {
    if (all.size() > MOST) {
      throw Problem.invalid(
          field,
          "A book has up to " + MOST + " of a kind.",
          "Leave out what you do not build with.");
    }
    for (int i = 0; i < all.size(); i++) {
      T t = all.get(i);
      String at = field + "." + i;
      String name = t == null ? null : nameOf.apply(t);
      if (name == null || name.isBlank() || name.length() > 80) {
        throw Problem.invalid(
            at + ".name", "It needs a name of up to 80 letters.", "Give it a name.");
      }
      String id = idOf.apply(t);
      if (id == null || !id.matches("own-[a-z0-9-]{1,60}") || !taken.add(id)) {
        throw Problem.invalid(
            at + ".id", "Its key must begin with own- and be its own.", "Add it once more.");
      }
      Problem.field(
          at,
          () -> {
            made.accept(t);
            return id;
          });
    }
  }

  static Medium medium(OwnMedium m) {
    double spread = m.spread() == null ? 0.05 : m.spread();
    if (!(spread >= 0 && spread <= 0.5)) {
      throw new IllegalArgumentException("the doubt must lie between 0 and 0.5, was " + spread);
    }
    if (MediumCatalogue.medium(m.id()).isPresent()) {
      throw new IllegalArgumentException("this key is one of the table's");
    }
    double dry = m.moisture() > 0 ? DRY_SHARE * m.conductivity() : m.conductivity();
    return MediumBuilder.builder()
        .id(m.id())
        .name(m.name().strip())
        .kind(Medium.Kind.SOLID)
        .moisture(Range.exactly(m.moisture()))
        .density(around(m.density(), spread))
        .specificHeat(around(m.specificHeat(), spread))
        .law(Medium.HeatLaw.LINEAR)
        .conductivity(around(m.conductivity(), spread))
        .dryConductivity(around(dry, spread))
        .highestCelsius(Range.exactly(m.highestCelsius()))
        .heatSlope(m.moisture() > 0 ? Range.exactly(0) : OWN_HEAT_SLOPE)
        .conductivitySlope(Range.exactly(0))
        .source(source(m.note()))
        .build();
  }

  static InsulationMaterial insulation(OwnInsulation m) {
    within("conductivity", m.conductivityLow(), 0.005, 5, "W/(m K)");
    within("conductivity", m.conductivityHigh(), 0.005, 5, "W/(m K)");
    within("what it stands", m.highestCelsius(), 30, 1500, "°C");
    within("wet lets through", m.wetFactor(), 1, 20, "times");
    return new InsulationMaterial(
        m.id(),
        m.name().strip(),
        m.conductivity(),
        new Range(m.conductivityLow(), m.conductivity(), m.conductivityHigh()),
        OWN_SLOPE,
        Range.exactly(m.highestCelsius()),
        Range.exactly(m.wetFactor()),
        source(m.note()));
  }

  static Feedstock feedstock(OwnFeedstock m) {
    within("carbon to nitrogen", m.carbonToNitrogen(), 1, 600, "to one");
    within("nitrogen", m.nitrogen(), 0.0005, 0.2, "of dry weight");
    within("water", m.moisture(), 0, 0.95, "of its weight");
    within("density", m.density(), 10, 2000, "kg/m³");
    within("what can rot", m.volatileShare(), 0, 1, "of dry weight");
    within("what burns in a season", m.degradableLow(), 0, 1, "of what can rot");
    within("what burns in a season", m.degradableHigh(), 0, 1, "of what can rot");
    return new Feedstock(
        m.id(),
        m.name().strip(),
        m.nitrogen(),
        m.carbonToNitrogen(),
        m.moisture(),
        m.density(),
        m.volatileShare(),
        new Range(m.degradableLow(), m.degradable(), m.degradableHigh()),
        source(m.note()));
  }

  private static void within(String what, double v, double low, double high, String unit) {
    if (!(v >= low && v <= high)) {
      throw new IllegalArgumentException(
          what + " must lie between " + low + " and " + high + " " + unit + ", was " + v);
    }
  }

  private static String source(String note) {
    return note == null || note.isBlank() ? "the holding's own" : note;
  }

  private static Range around(double value, double spread) {
    return new Range(value * (1 - spread), value, value * (1 + spread));
  }
}
