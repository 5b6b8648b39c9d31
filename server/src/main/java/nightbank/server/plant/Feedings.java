package nightbank.server.plant;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import nightbank.core.evidence.EventKind;
import nightbank.core.source.Feedstock;
import nightbank.server.book.Books;
import nightbank.server.book.Materials;
import nightbank.server.log.EventLog;
import nightbank.server.log.EventView;
import nightbank.server.part.PartDesign;
import nightbank.server.part.PartDesign.Fed;
import nightbank.server.part.PartView;
import nightbank.server.part.Parts;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/**
 * Heaps as they are fed: what their own list says, and what the log says since that list ends. A
 * feeding whose note names no feedstock was of the same as the one before it.
 */
@Component
public class Feedings {
  private static final Duration LONGEST = Duration.ofDays(400); // after it nothing of it burns

  private final Parts parts;
  private final EventLog log;
  private final Books books;
  private final Clock clock;

  Feedings(Parts parts, EventLog log, Books books, Clock clock) {
    this.parts = parts;
    this.log = log;
    this.books = books;
    this.clock = clock;
  }

  /**
   * The parts of a house's place.
   *
   * @param parts its heaps with all that was put on them
   * @param logged by heap that was fed since its own list ends
   */
  public record Place(List<PartView> parts, List<Logged> logged) {}

  /**
   * What was put on a heap since.
   *
   * @param of names of its feedstocks
   */
  public record Logged(String heap, double kilograms, Instant last, List<String> of) {}

  public Place place(UUID holding, UUID house) {
    List<PartView> all = new ArrayList<>();
    List<Logged> told = new ArrayList<>();
    Materials materials = books.materials(holding);
    for (PartView p : parts.of(holding, house)) {
      List<Fed> since =
          p.design() instanceof PartDesign.Heap h ? logged(holding, h, materials) : List.of();
      all.add(since.isEmpty() ? p : fed(p, (PartDesign.Heap) p.design(), since));
      if (!since.isEmpty()) {
        double kilograms = since.stream().mapToDouble(Fed::kilograms).sum();
        List<String> of =
            since.stream()
                .map(
                    f ->
                        materials
                            .feedstock(f.feedstock())
                            .map(Feedstock::name)
                            .orElse(f.feedstock()))
                .distinct()
                .toList();
        told.add(new Logged(p.name(), kilograms, since.get(since.size() - 1).at(), of));
      }
    }
    return new Place(all, told);
  }

  /**
   * A heap with all that was put on it.
   *
   * @param logged what its own list does not say
   */
  public record Whole(PartDesign.Heap heap, List<Fed> logged) {}

  public Whole whole(UUID holding, PartDesign.Heap heap) {
    List<Fed> since = logged(holding, heap, books.materials(holding));
    return new Whole(all(heap, since), since);
  }

  private static PartDesign.Heap all(PartDesign.Heap heap, List<Fed> since) {
    return new PartDesign.Heap(heap.storeId(), Stream.concat(own(heap), since.stream()).toList());
  }

  private static PartView fed(PartView part, PartDesign.Heap heap, List<Fed> since) {
    return new PartView(part.id(), part.name(), part.houseId(), all(heap, since), part.version());
  }

  /** What the log adds to a heap's own list, oldest first. */
  private List<Fed> logged(UUID holding, PartDesign.Heap heap, Materials materials) {
    if (heap.storeId() == null) {
      return List.of();
    }
    Instant now = clock.instant();
    Optional<Fed> last =
        own(heap)
            .filter(f -> f.at() != null && !f.at().isAfter(now))
            .max(Comparator.comparing(Fed::at));
    Instant from = last.map(f -> f.at().plusSeconds(1)).orElse(now.minus(LONGEST));
    String of = own(heap).reduce((a, b) -> b).map(Fed::feedstock).orElse("");
    List<Fed> all = new ArrayList<>();
    for (EventView e : fedBetween(holding, heap.storeId(), from, now)) {
      of = named(materials, e.note()).orElse(of);
      if (!of.isEmpty()) {
        all.add(new Fed(of, Objects.requireNonNull(e.amount()), e.at()));
      }
    }
    return all;
  }

  private List<EventView> fedBetween(UUID holding, UUID store, Instant from, Instant to) {
    return from.isAfter(to)
        ? List.of()
        : log.counted(holding, store, List.of(EventKind.HEAP), from, to).stream()
            .filter(e -> store.equals(e.storeId())) // else another heap's too
            .filter(e -> e.amount() != null && e.amount() > 0)
            .filter(e -> !e.at().isBefore(from))
            .toList();
  }

  private static Stream<Fed> own(PartDesign.Heap heap) {
    return heap.fed() == null ? Stream.empty() : heap.fed().stream();
  }

  /** Whole words only: strawberry tops are no straw. */
  private static Optional<String> named(Materials materials, @Nullable String note) {
    String said = words(note == null ? "" : note);
    return Stream.concat(materials.feedstocks().stream(), Feedstock.all().stream())
        .filter(f -> said.contains(words(f.id())) || said.contains(words(f.name())))
        .map(Feedstock::id)
        .findFirst();
  }

  private static String words(String text) {
    return ' ' + text.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]+", " ").strip() + ' ';
  }
}
