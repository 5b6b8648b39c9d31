package nightbank.server.store;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import nightbank.core.caution.StoreCautions;
import nightbank.core.charge.Charge;
import nightbank.core.charge.ChargeSimulation;
import nightbank.core.charge.FeedMix;
import nightbank.core.charge.HeapWarmth;
import nightbank.core.charge.Source;
import nightbank.core.store.HeatStore;
import nightbank.core.store.StoreGrid;
import nightbank.core.store.StoreModel;
import nightbank.core.store.StoreState;
import nightbank.server.book.Books;
import nightbank.server.book.MediaBook;
import nightbank.server.shared.Problem;
import org.springframework.stereotype.Service;

/** Charges tried on a design, by the core; nothing is kept. */
@Service
public class Charges {
  private static final double GROUND = 8;
  private static final double HOLD_HOURS = 12;
  private static final int POINTS = 160;
  private static final double KEEP = 45; // °C, above which a heap works well
  private static final double DAYS = 14;

  private final Stores stores;
  private final Books books;

  Charges(Stores stores, Books books) {
    this.stores = stores;
    this.books = books;
  }

  public ChargeView charge(UUID holding, ChargeQuestion q) {
    MediaBook book = books.media(holding);
    HeatStore drawn = StoreMapping.toCore(q.design(), List.of(), book);
    HeatStore store = HeapWarmth.asFed(drawn, fed(q.design().source()));
    double floor = store.floorCelsius();
    double air = within("airCelsius", q.airCelsius(), floor, -40, 60);
    double ground = within("groundCelsius", q.groundCelsius(), GROUND, -20, 40);
    double start = within("startCelsius", q.startCelsius(), floor, -30, 1000);
    double hold = within("holdHours", q.holdHours(), HOLD_HOURS, 0, 24 * 14);
    SourceDesign design = q.design().source();
    Source source = SourceMapping.toCore(design, store, air, coldStore(holding, design, air));
    double length = source.endsAt() + hold * 3600;
    Charge charge =
        ChargeSimulation.of(store, StoreState.uniform(StoreGrid.standard(store), start), source)
            .in(air, ground)
            .aimingAt(q.design().chargeToCelsius())
            .thenLeft(hold * 3600)
            .stepping(Math.max(30, Math.min(900, length / 600)))
            .with(
                FactsMapping.parts(q.design()).stream()
                    .map(p -> new ChargeSimulation.Part(p.name(), p.highestCelsius()))
                    .toList())
            .run();
    return view(charge, source, store, q.design());
  }

  private static List<HeapWarmth.Batch> fed(SourceDesign source) {
    return source != null && source.kind() == SourceDesign.Kind.HEAP
        ? SourceMapping.batches(source)
        : List.of();
  }

  private StoreModel coldStore(UUID holding, SourceDesign source, double air) {
    if (source == null
        || source.kind() != SourceDesign.Kind.HEAT_PUMP
        || source.coldStoreId() == null) {
      return null;
    }
    StoreView cold = stores.get(holding, source.coldStoreId());
    HeatStore core = stores.core(holding, source.coldStoreId()).store();
    Double mean = cold.now().meanCelsius();
    return StoreModel.of(
        core, StoreState.uniform(StoreGrid.coarse(core), mean == null ? air : mean));
  }

  /** The heap's mixture and what can be drawn from it. */
  public HeapView heap(UUID holding, StoreDesign design) {
    HeatStore store = StoreMapping.toCore(design, List.of(), books.media(holding));
    SourceDesign source = design.source();
    if (source == null || source.feeds() == null || source.feeds().isEmpty()) {
      throw Problem.invalid(
          "design.source.feeds",
          "Nobody has said what the heap was fed.",
          "Write down the feedings of the last weeks.");
    }
    FeedMix mix = SourceMapping.mix(source.feeds());
    List<HeapWarmth.Batch> batches = SourceMapping.batches(source);
    double draw =
        HeapWarmth.largestDraw(
            store,
            StoreState.uniform(StoreGrid.night(store), KEEP + 5),
            batches,
            KEEP,
            0,
            GROUND,
            DAYS);
    return new HeapView(
        mix.kilograms(),
        mix.carbonToNitrogen(),
        mix.moisture(),
        mix.density(),
        mix.freeAir(),
        batches.stream().mapToDouble(HeapWarmth.Batch::solids).sum(),
        draw,
        KEEP,
        Stream.concat(HeapWarmth.unlike(store, batches).stream(), mix.hints().stream())
            .map(h -> new HeapView.Hint(h.reason(), h.remedy()))
            .toList());
  }

  private static double within(
      String field, Double said, double otherwise, double low, double high) {
    double v = said == null ? otherwise : said;
    if (!(v >= low && v <= high)) {
      throw Problem.invalid(
          field,
          "It must lie between " + low + " and " + high + ", was " + v + ".",
          "Check the number and its sign.");
    }
    return v;
  }

  private static ChargeView view(Charge c, Source source, HeatStore store, StoreDesign design) {
    int every = Math.max(1, c.seconds().length / POINTS);
    double contact = 0;
    for (double t : c.contact()) {
      contact = Math.max(contact, t);
    }
    var facts = FactsMapping.toCore(design, store).withPeak(c.hottest().celsius(), contact);
    return new ChargeView(
        thin(c.seconds(), every),
        thin(c.mean(), every),
        thin(c.contact(), every),
        thin(c.hottestCelsius(), every),
        thin(c.usableJoules(), every),
        thin(c.storeWatts(), every),
        c.inputJoules(),
        c.gainJoules(),
        c.outJoules(),
        c.roomJoules(),
        c.storedJoules(),
        c.facesJoules(),
        c.steamJoules(),
        c.residualJoules(),
        Double.isNaN(c.efficiency()) ? null : c.efficiency(),
        c.reachedSeconds().isPresent() ? c.reachedSeconds().getAsDouble() : null,
        source.endsAt(),
        new ChargeView.Spot(
            c.hottest().celsius(),
            c.hottest().second(),
            c.hottest().radiusFraction(),
            c.hottest().heightFraction()),
        c.overheated().stream()
            .map(
                o ->
                    new ChargeView.Overheated(
                        o.face() == null ? null : o.face().name(),
                        o.what(),
                        o.limitCelsius(),
                        o.celsius()))
            .toList(),
        StoreCautions.of(facts).stream().map(Appraiser::view).toList(),
        c.frames().stream()
            .map(f -> new ChargeView.Frame(f.second(), Sections.of(f.state())))
            .toList());
  }

  private static List<Double> thin(double[] values, int every) {
    List<Double> kept = new ArrayList<>();
    for (int i = 0; i < values.length; i++) {
      if (i % every == 0 || i == values.length - 1) {
        kept.add(Math.round(values[i] * 100) / 100.0);
      }
    }
    return kept;
  }
}
