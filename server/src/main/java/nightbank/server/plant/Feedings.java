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
import nightbank.core.upkeep.HeapBook;
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
  private static final double CRUMBS = 0.5; // kg
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
      if (!(p.design() instanceof PartDesign.Heap h)) {
        all.add(p);
        continue;
      }
      Whole whole = whole(holding, h, materials);
      List<Fed> since = whole.logged();
      all.add(
          since.isEmpty() && !whole.taken()
              ? p
              : new PartView(p.id(), p.name(), p.houseId(), whole.heap(), p.version()));
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
   * A heap with all that lies on it.
   *
   * @param logged what its own list does not say, and lies there still
   * @param fed all that was ever put on, also what was taken out as compost since
   * @param taken whether finished compost was taken out since its own list ends
   */
  public record Whole(PartDesign.Heap heap, List<Fed> logged, List<Fed> fed, boolean taken) {}

  public Whole whole(UUID holding, PartDesign.Heap heap) {
    return whole(holding, heap, books.materials(holding));
  }

  private Whole whole(UUID holding, PartDesign.Heap heap, Materials materials) {
    List<Fed> own = own(heap).toList();
    List<Fed> since = logged(holding, heap, materials);
    List<Fed> all = Stream.concat(own.stream(), since.stream()).toList();
    List<HeapBook.Load> taken =
        logged(holding, heap, EventKind.COMPOST_OUT).stream()
            .map(
                e -> new HeapBook.Load(e.at().getEpochSecond(), Objects.requireNonNull(e.amount())))
            .toList();
    double[] left = HeapBook.left(all.stream().map(Feedings::load).toList(), taken);
    List<Fed> lies = new ArrayList<>();
    List<Fed> logged = new ArrayList<>();
    for (int i = 0; i < left.length; i++) {
      if (left[i] > CRUMBS) {
        Fed f = new Fed(all.get(i).feedstock(), left[i], all.get(i).at());
        lies.add(f);
        if (i >= own.size()) {
          logged.add(f);
        }
      }
    }
    return new Whole(new PartDesign.Heap(heap.storeId(), lies), logged, all, !taken.isEmpty());
  }

  private static HeapBook.Load load(Fed f) {
    double at = f.at() == null ? Double.NEGATIVE_INFINITY : f.at().getEpochSecond();
    return new HeapBook.Load(at, f.kilograms());
  }

  /** What the log adds to a heap's own list, oldest first. */
  private List<Fed> logged(UUID holding, PartDesign.Heap heap, Materials materials) {
    String of = own(heap).reduce((a, b) -> b).map(Fed::feedstock).orElse("");
    List<Fed> all = new ArrayList<>();
    for (EventView e : logged(holding, heap, EventKind.HEAP)) {
      of = named(materials, e.note()).orElse(of);
      if (!of.isEmpty()) {
        all.add(new Fed(of, Objects.requireNonNull(e.amount()), e.at()));
      }
    }
    return all;
  }

  /** Of a kind, with its amount, since the heap's own list ends. */
  private List<EventView> logged(UUID holding, PartDesign.Heap heap, EventKind kind) {
    UUID store = heap.storeId();
    if (store == null) {
      return List.of();
    }
    Instant now = clock.instant();
    Instant from =
        own(heap)
            .filter(f -> f.at() != null && !f.at().isAfter(now))
            .max(Comparator.comparing(Fed::at))
            .map(f -> f.at().plusSeconds(1))
            .orElse(now.minus(LONGEST));
    return from.isAfter(now)
        ? List.of()
        : log.counted(holding, store, List.of(kind), from, now).stream()
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
