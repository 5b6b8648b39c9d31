package nightbank.server.book;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nightbank.core.medium.Medium;
import nightbank.core.medium.MediumBuilder;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.medium.Range;
import nightbank.core.sizing.Pack;
import nightbank.core.sizing.Prices;
import nightbank.server.book.internal.BookRepository;
import nightbank.server.change.Changes;
import nightbank.server.change.Reversible;
import nightbank.server.shared.InputChanged;
import nightbank.server.shared.Json;
import nightbank.server.shared.Problem;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;

/** A holding's own prices and media: kept, checked, and handed to the core. */
@Service
public class Books implements Reversible {
  private static final String BOOK = "book"; // a holding has but one
  private static final int MOST_PRICES = 300;
  private static final int MOST_MEDIA = 50;
  private static final double DRY_SHARE = 0.4; // of a damp medium's conductivity once it is dry

  private final BookRepository repository;
  private final ApplicationEventPublisher events;
  private final Changes changes;
  private final Json json;
  private final Clock clock;

  Books(
      BookRepository repository,
      ApplicationEventPublisher events,
      Changes changes,
      Json json,
      Clock clock) {
    this.repository = repository;
    this.events = events;
    this.changes = changes;
    this.json = json;
    this.clock = clock;
  }

  public BookView get(UUID holding) {
    return repository.find(holding).orElse(new BookView(0, Book.empty()));
  }

  @Transactional
  public BookView change(UUID holding, Book draft, int version) {
    Book before = get(holding).book();
    Book book =
        new Book(
            draft.currency() == null ? "" : draft.currency().strip(),
            draft.prices() == null ? List.of() : draft.prices(),
            draft.media() == null ? List.of() : draft.media());
    check(book);
    keep(holding, before, book, version);
    changes.made(holding, kind(), BOOK, BOOK, before, book);
    return get(holding);
  }

  private void keep(UUID holding, Book before, Book book, int version) {
    if (!repository.save(holding, book, version, clock.instant())) {
      throw Problem.changedMeanwhile("book");
    }
    Set<String> touched =
        Stream.concat(before.media().stream(), book.media().stream())
            .filter(m -> !(before.media().contains(m) && book.media().contains(m)))
            .map(m -> InputChanged.Keys.medium(m.id()))
            .collect(Collectors.toSet());
    if (!touched.isEmpty()) {
      events.publishEvent(InputChanged.design(holding, touched));
    }
  }

  @Override
  public Changes.Kind kind() {
    return Changes.Kind.BOOK;
  }

  @Override
  public Book now(UUID holding, String subject) {
    return get(holding).book();
  }

  @Override
  @Transactional
  public void put(UUID holding, String subject, @Nullable JsonNode state) {
    BookView now = get(holding);
    Book book = state == null ? Book.empty() : json.read(state, Book.class);
    keep(holding, now.book(), book, now.version());
  }

  public MediaBook media(UUID holding) {
    Book book = get(holding).book();
    return new MediaBook(
        book.media().stream().map(Books::medium).toList(), prices(book), book.currency());
  }

  private static void check(Book book) {
    if (book.currency().length() > 8) {
      throw Problem.invalid(
          "currency", "A currency has up to 8 letters.", "Write its sign or its short name.");
    }
    if (book.prices().size() > MOST_PRICES || book.media().size() > MOST_MEDIA) {
      throw Problem.invalid(
          "prices",
          "A book has up to " + MOST_PRICES + " prices and " + MOST_MEDIA + " media.",
          "Leave out what you do not build with.");
    }
    prices(book);
    Set<String> names = new HashSet<>();
    for (int i = 0; i < book.media().size(); i++) {
      Book.OwnMedium m = book.media().get(i);
      String field = "media." + i;
      if (m.name() == null || m.name().isBlank() || m.name().length() > 80) {
        throw Problem.invalid(
            field + ".name", "A medium needs a name of up to 80 letters.", "Give it a name.");
      }
      if (m.id() == null || !m.id().matches("own-[a-z0-9-]{1,60}") || !names.add(m.id())) {
        throw Problem.invalid(
            field + ".id", "Its key must begin with own- and be its own.", "Add it once more.");
      }
      Problem.field(field, () -> medium(m));
    }
  }

  private static Prices prices(Book book) {
    Map<String, Pack> packs = new HashMap<>();
    List<Book.Price> lines = new ArrayList<>(book.prices());
    for (int i = 0; i < lines.size(); i++) {
      Book.Price p = lines.get(i);
      String field = "prices." + i;
      if (p.of() == null || p.of().isBlank() || p.unit() == null) {
        throw Problem.invalid(field, "What is sold, or its unit, is missing.", "Choose both.");
      }
      String name = p.pack() == null || p.pack().isBlank() ? "pack" : p.pack().strip();
      if (name.length() > 40) {
        throw Problem.invalid(
            field + ".pack", "More than 40 letters.", "Bag, barrel or roll will do.");
      }
      Pack pack =
          Problem.field(field + ".price", () -> new Pack(name, p.amount(), p.unit(), p.price()));
      if (packs.put(p.of(), pack) != null) {
        throw Problem.invalid(field, "This is priced twice.", "Keep the one you would buy.");
      }
    }
    return new Prices(packs);
  }

  /** Of a dry fill that nobody has tabled, 1/K: as of cob and brick. */
  private static final Range OWN_HEAT_SLOPE = new Range(0.0002, 0.0005, 0.001);

  private static Medium medium(Book.OwnMedium m) {
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
        .source(m.note() == null || m.note().isBlank() ? "the holding's own" : m.note())
        .build();
  }

  private static Range around(double value, double spread) {
    return new Range(value * (1 - spread), value, value * (1 + spread));
  }
}
