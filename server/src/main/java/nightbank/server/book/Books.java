package nightbank.server.book;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
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

  /** Materials that are being taken out; whoever is built of them refuses. */
  public record TakenOut(UUID holding, Set<String> ids) {}

  public BookView get(UUID holding) {
    return repository.find(holding).orElse(new BookView(0, Book.empty()));
  }

  @Transactional
  public BookView change(UUID holding, Book book, int version) {
    BookView kept = get(holding);
    Book before = kept.book();
    check(book);
    if (kept.version() != version && json.same(before, book)) {
      return kept;
    }
    keep(holding, before, book, version);
    changes.made(holding, kind(), BOOK, BOOK, before, book);
    return get(holding);
  }

  private void keep(UUID holding, Book before, Book book, int version) {
    Set<String> gone = new HashSet<>(OwnMaterials.ids(before));
    gone.removeAll(OwnMaterials.ids(book));
    if (!gone.isEmpty()) {
      events.publishEvent(new TakenOut(holding, gone));
    }
    if (!repository.save(holding, book, version, clock.instant())) {
      throw Problem.changedMeanwhile("book");
    }
    Set<String> touched = new HashSet<>();
    touched.addAll(touched(before.media(), book.media(), Book.OwnMedium::id));
    touched.addAll(touched(before.insulation(), book.insulation(), Book.OwnInsulation::id));
    touched.addAll(touched(before.feedstocks(), book.feedstocks(), Book.OwnFeedstock::id));
    if (!touched.isEmpty()) {
      events.publishEvent(InputChanged.design(holding, touched));
    }
  }

  /** What is in one and not in the other, or otherwise. */
  private static <T> Set<String> touched(List<T> before, List<T> now, Function<T, String> idOf) {
    return Stream.concat(before.stream(), now.stream())
        .filter(m -> !(before.contains(m) && now.contains(m)))
        .map(m -> InputChanged.Keys.material(idOf.apply(m)))
        .collect(Collectors.toSet());
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

  public Materials materials(UUID holding) {
    Book book = get(holding).book();
    return new Materials(
        book.media().stream().map(OwnMaterials::medium).toList(),
        book.insulation().stream().map(OwnMaterials::insulation).toList(),
        book.feedstocks().stream().map(OwnMaterials::feedstock).toList(),
        prices(book),
        book.currency());
  }

  private static void check(Book book) {
    if (book.currency().length() > 8) {
      throw Problem.invalid(
          "currency", "A currency has up to 8 letters.", "Write its sign or its short name.");
    }
    if (book.prices().size() > MOST_PRICES) {
      throw Problem.invalid(
          "prices",
          "A book has up to " + MOST_PRICES + " prices.",
          "Leave out what you do not build with.");
    }
    prices(book);
    OwnMaterials.check(book);
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
}
