package nightbank.server.plant;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import nightbank.core.medium.Range;
import nightbank.core.source.CompostHeat;
import nightbank.core.source.FeedMix;
import nightbank.core.source.Feedstock;
import nightbank.core.store.HeatStore;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreState;
import nightbank.core.system.HeapDraw;
import nightbank.core.usual.Usual;
import nightbank.server.book.Books;
import nightbank.server.book.Materials;
import nightbank.server.part.PartDesign;
import nightbank.server.part.PartDesign.Fed;
import nightbank.server.part.PartMapping;
import nightbank.server.part.Span;
import nightbank.server.shared.Problem;
import nightbank.server.store.Sections;
import nightbank.server.store.StoreView;
import nightbank.server.store.Stores;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** The heap book: what lies on a heap, what it can give, and how to feed it for more. */
@Service
public class Heaps {
  private static final double A_QUARTER_MORE = 1.25;

  private final Stores stores;
  private final Books books;
  private final Feedings feedings;
  private final Clock clock;

  Heaps(Stores stores, Books books, Feedings feedings, Clock clock) {
    this.stores = stores;
    this.books = books;
    this.feedings = feedings;
    this.clock = clock;
  }

  static Problem unfed(String field) {
    return Problem.invalid(
        field,
        "Nobody has said what the heap was fed.",
        "Write down the feedings of the last weeks.");
  }

  public HeapView heap(UUID holding, HeapQuestion q) {
    HeatStore store = stores.tried(holding, q.design());
    Materials materials = books.materials(holding);
    Feedings.Whole whole = feedings.whole(holding, new PartDesign.Heap(q.storeId(), q.fed()));
    PartDesign.Heap heap = whole.heap();
    if (heap.fed().isEmpty()) {
      throw unfed("fed");
    }
    Span day = new Span(clock.instant(), 86_400, ZoneOffset.UTC);
    PartMapping to = new PartMapping(UUID.randomUUID(), "", day, materials);
    FeedMix mix = to.mix(heap.fed());
    List<CompostHeat.Batch> batches = to.batches(heap);
    double keep = Usual.HEAP_KEPT_OVER.value();
    StoreGrid grid = StoreGrid.night(store);
    Optional<StoreState> read =
        cut(holding, q.storeId()).map(section -> Sections.field(section, grid));
    StoreState start = read.orElse(StoreState.uniform(grid, keep + Usual.HEAP_UNREAD_OVER.value()));
    HeapDraw now =
        new HeapDraw(
            store,
            start,
            batches,
            keep,
            Usual.HEAP_WEATHER.value(),
            Usual.UNHOUSED_GROUND.value(),
            (int) Usual.HEAP_DAYS.value());
    double draw = now.largest();
    double asked =
        Charges.within("watts", q.watts(), Math.ceil(draw * A_QUARTER_MORE / 10) * 10, 0, 100_000);
    double kilograms =
        Charges.within("loadKilograms", q.loadKilograms(), Usual.HEAP_LOAD.value(), 1, 20_000);
    String of = heap.fed().get(heap.fed().size() - 1).feedstock();
    CompostHeat.Batch load =
        CompostHeat.Batch.of(to.mix(List.of(new Fed(of, kilograms, day.start()))), 0);
    Optional<HeapDraw.Rhythm> rhythm = now.rarest(load, asked);
    double left = batches.stream().mapToDouble(CompostHeat.Batch::solids).sum();
    Range all = mix.degradableSolids();
    return HeapViewBuilder.builder()
        .kilograms(mix.kilograms())
        .carbonToNitrogen(mix.carbonToNitrogen())
        .moisture(mix.moisture())
        .density(mix.density())
        .freeAir(mix.freeAir())
        .solidsKilograms(left)
        .solidsLow(left * all.low() / all.value())
        .solidsHigh(left * all.high() / all.value())
        .drawWatts(draw)
        .keepCelsius(keep)
        .logged(whole.logged())
        .layers(layers(whole, batches, materials))
        .rhythm(
            new HeapView.RhythmView(
                asked,
                of,
                name(materials, of),
                kilograms,
                rhythm.map(HeapDraw.Rhythm::everyDays).orElse(-1),
                rhythm.map(HeapDraw.Rhythm::lowestCelsius).orElse(null)))
        .course(course(now, load, asked, rhythm, read.isPresent()))
        .hints(
            Stream.concat(CompostHeat.unlike(store, batches).stream(), mix.hints().stream())
                .map(h -> new HeapView.Hint(h.reason(), h.remedy()))
                .toList())
        .build();
  }

  /** Its field as its own probes told it these days. */
  private Optional<StoreView.Section> cut(UUID holding, @Nullable UUID store) {
    if (store == null) {
      return Optional.empty();
    }
    StoreView.Now now = stores.get(holding, store).now();
    Instant oldest = clock.instant().minusSeconds((long) (Usual.HEAP_READ_FOR.value() * 86_400));
    return now.at() == null || now.at().isBefore(oldest)
        ? Optional.empty()
        : Optional.ofNullable(now.section());
  }

  private static List<HeapView.LayerView> layers(
      Feedings.Whole whole, List<CompostHeat.Batch> batches, Materials materials) {
    List<Fed> fed = whole.heap().fed();
    int own = fed.size() - whole.logged().size();
    List<HeapView.LayerView> layers = new ArrayList<>();
    for (int i = 0; i < fed.size(); i++) {
      Fed f = fed.get(i);
      double whenFed =
          materials
              .feedstock(f.feedstock())
              .map(of -> of.degradableSolids(f.kilograms()))
              .orElse(0.0);
      layers.add(
          new HeapView.LayerView(
              name(materials, f.feedstock()),
              f.kilograms(),
              f.at(),
              whenFed > 0 ? batches.get(i).solids() / whenFed : 0,
              i >= own));
    }
    return layers;
  }

  private static HeapView.CourseView course(
      HeapDraw now,
      CompostHeat.Batch load,
      double watts,
      Optional<HeapDraw.Rhythm> rhythm,
      boolean read) {
    HeapDraw.Course unfed = now.course(watts);
    return new HeapView.CourseView(
        now.start().highestCelsius(),
        read,
        now.airCelsius(),
        row(unfed.seconds(), 1 / 86_400.0),
        row(unfed.insideCelsius(), 1),
        row(now.burning(1 / CompostHeat.GOOD_TO).course(watts).insideCelsius(), 1),
        row(now.burning(CompostHeat.GOOD_TO).course(watts).insideCelsius(), 1),
        rhythm
            .filter(r -> r.everyDays() > 0)
            .map(r -> row(now.fed(load, r.everyDays()).course(watts).insideCelsius(), 1))
            .orElse(List.of()));
  }

  private static List<Double> row(double[] values, double times) {
    return Arrays.stream(values).mapToObj(v -> v * times).toList();
  }

  private static String name(Materials materials, String feedstock) {
    return materials.feedstock(feedstock).map(Feedstock::name).orElse(feedstock);
  }
}
