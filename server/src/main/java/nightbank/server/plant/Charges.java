package nightbank.server.plant;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import nightbank.core.source.CompostHeat;
import nightbank.core.source.FeedMix;
import nightbank.core.source.FireLoad;
import nightbank.core.store.HeatStore;
import nightbank.core.store.StoreGrid;
import nightbank.core.store.StoreState;
import nightbank.core.system.Action;
import nightbank.core.system.Charge;
import nightbank.core.system.ChargeBench;
import nightbank.core.system.Control;
import nightbank.core.system.FluidCircuit;
import nightbank.core.system.HeapDraw;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.PumpedHeat;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemSource;
import nightbank.core.weather.Weather;
import nightbank.server.shared.Problem;
import nightbank.server.store.Sections;
import nightbank.server.store.SourceDesign;
import nightbank.server.store.StoreDesign;
import nightbank.server.store.StoreView;
import nightbank.server.store.Stores;
import org.springframework.stereotype.Service;

/** Charges tried on a design, by the core; nothing is kept. */
@Service
public class Charges {
  private static final double GROUND = 8;
  private static final double HOLD_HOURS = 12;
  private static final double USUAL_HOURS = 5;
  private static final double HEAP_HOURS = 14 * 24;
  private static final double FIRE_HOURS = 9; // that one load burns
  private static final int POINTS = 160;
  private static final double KEEP = 45; // °C, above which a heap works well
  private static final double DAYS = 14;
  private static final double USUAL_WOOD = 6; // kg
  private static final double BRIGHT = 350; // W/m² on a dark face on a bright winter's day

  private final Stores stores;
  private final Clock clock;

  Charges(Stores stores, Clock clock) {
    this.stores = stores;
    this.clock = clock;
  }

  public ChargeView charge(UUID holding, ChargeQuestion q) {
    HeatStore store = stores.tried(holding, q.design());
    double floor = store.floorCelsius();
    double air = within("airCelsius", q.airCelsius(), floor, -40, 60);
    double ground = within("groundCelsius", q.groundCelsius(), GROUND, -20, 40);
    double start = within("startCelsius", q.startCelsius(), floor, -30, 1000);
    double hold = within("holdHours", q.holdHours(), HOLD_HOURS, 0, 24 * 14);
    UUID id = UUID.randomUUID();
    Instant now = clock.instant();
    PartView source = source(id, q.design(), now);
    double seconds = seconds(q.design().source());
    double length = seconds + hold * 3600;
    List<Plants.Standing> standing = new ArrayList<>();
    standing.add(
        new Plants.Standing(
            id, q.design().indoors(), store, StoreState.uniform(StoreGrid.standard(store), start)));
    cold(holding, q.design().source(), air).ifPresent(standing::add);
    Span span = new Span(now, length, ZoneOffset.UTC);
    Plants.Sunshine sun = brightDay(q.design(), seconds);
    PlantSystem system =
        first(
            Plants.system(null, standing, List.of(source), span, sun),
            seconds,
            q.design().source());
    double step = Math.max(30, Math.min(900, length / 600));
    SystemPlan plan =
        SystemPlan.of(
                system, still(air, sun.seconds()), air, air, ground, Math.max(600, length), step)
            .withSun(new double[0], sun.wattsPerSquareMetre())
            .withActions(bypass(q.design().source(), source.id()));
    Charge charge =
        ChargeBench.of(plan, id.toString())
            .aimingAt(q.design().chargeToCelsius())
            .with(
                Stores.parts(q.design()).stream()
                    .map(p -> new ChargeBench.Part(p.name(), p.highestCelsius()))
                    .toList())
            .run();
    return view(charge, seconds, store, q.design());
  }

  private static PartView source(UUID id, StoreDesign design, Instant now) {
    SourceDesign s = design.source();
    if (s == null || s.kind() == null || s.kind() == SourceDesign.Kind.NONE) {
      throw Problem.invalid(
          "design.source.kind", "Nothing charges this store.", "Choose what charges it.");
    }
    if (s.kind() == SourceDesign.Kind.HEAP && (s.feeds() == null || s.feeds().isEmpty())) {
      throw Problem.invalid(
          "design.source.feeds",
          "Nobody has said what the heap was fed.",
          "Write down the feedings of the last weeks.");
    }
    boolean streamed =
        s.kind() == SourceDesign.Kind.WATER_LOOP || s.kind() == SourceDesign.Kind.WARM_AIR;
    if (streamed && (design.led() == null || design.led().way() == null)) {
      throw Problem.invalid(
          "design.led", "Nothing is led through this store.", "Say what pipe goes through it.");
    }
    return PartsOfStores.source(id, design, now)
        .orElseThrow(
            () ->
                Problem.invalid(
                    "design.source.powerWatts",
                    "Its power is not known.",
                    "Read it off the plate, or measure what it draws."));
  }

  private static double seconds(SourceDesign s) {
    double usual =
        switch (s.kind()) {
          case HEAP -> HEAP_HOURS;
          case FIRE -> FIRE_HOURS;
          default -> USUAL_HOURS;
        };
    double hours = s.hours() == null || s.kind() == SourceDesign.Kind.FIRE ? usual : s.hours();
    if (!(hours > 0 && hours <= 24 * 30)) {
      throw Problem.invalid(
          "design.source.hours",
          "A charge must last between 0 and 720 hours, was " + hours + " h.",
          "Give the hours of one charge.");
    }
    return hours * 3600;
  }

  /** All that charges it running from the start for so long. */
  private static PlantSystem first(PlantSystem s, double seconds, SourceDesign design) {
    List<Control.Window> window = List.of(new Control.Window(0, seconds));
    double wood = design.woodKilograms() == null ? USUAL_WOOD : design.woodKilograms();
    return s.withSources(
            s.sources().stream().map(x -> begun(x, window, wood, design.woodMoisture())).toList())
        .withCircuits(
            s.circuits().stream()
                .map(
                    c ->
                        new FluidCircuit(
                            c.id(),
                            c.stream(),
                            c.ends(),
                            new Control(
                                new Control.Schedule.Between(window), c.control().guards())))
                .toList())
        .withPumps(
            s.pumps().stream()
                .map(
                    p ->
                        new PumpedHeat(
                            p.id(),
                            p.machine(),
                            p.cold(),
                            p.hot(),
                            new Control(
                                new Control.Schedule.Between(window), p.control().guards())))
                .toList());
  }

  private static SystemSource begun(
      SystemSource x, List<Control.Window> window, double wood, Double moisture) {
    if (x.source() instanceof nightbank.core.source.WoodFire fire) {
      double damp = moisture == null ? FireLoad.USUAL_MOISTURE : moisture;
      FireLoad load =
          Problem.field("design.source.woodKilograms", () -> new FireLoad(0, wood, damp));
      return x.with(fire.with(List.of(load)));
    }
    if (x.source() instanceof CompostHeat) {
      return x;
    }
    return new SystemSource(
        x.id(),
        x.source(),
        new Control(new Control.Schedule.Between(window), x.control().guards()),
        x.indoors());
  }

  /** So long the smoke goes past the mass, until it draws. */
  private static List<Action> bypass(SourceDesign s, UUID fire) {
    Double hours = s.bypassHours();
    return s.kind() != SourceDesign.Kind.FIRE || hours == null || hours <= 0
        ? List.of()
        : List.of(new Action(Action.Kind.BYPASS, fire.toString(), 0, hours * 3600, Double.NaN));
  }

  private static Weather still(double celsius, double[] seconds) {
    double[] rows = new double[seconds.length];
    Arrays.fill(rows, celsius);
    return new Weather(seconds, rows, new double[seconds.length], new double[seconds.length]);
  }

  /** A bright winter's day as a half sine, at the best that the sunlit face gets. */
  private static Plants.Sunshine brightDay(StoreDesign design, double seconds) {
    int n = 24;
    double[] at = new double[n + 1];
    double[] shine = new double[n + 1];
    SourceDesign s = design.source();
    boolean known = s.powerWatts() > 0 && s.sunlitSquareMetres() != null;
    double best = known ? s.powerWatts() / s.sunlitSquareMetres() : BRIGHT;
    for (int i = 0; i <= n; i++) {
      at[i] = seconds * i / n;
      shine[i] = best * Math.sin(Math.PI * i / n);
    }
    return new Plants.Sunshine(at, shine);
  }

  private java.util.Optional<Plants.Standing> cold(UUID holding, SourceDesign source, double air) {
    if (source.kind() != SourceDesign.Kind.HEAT_PUMP || source.coldStoreId() == null) {
      return java.util.Optional.empty();
    }
    StoreView cold = stores.get(holding, source.coldStoreId());
    HeatStore core = stores.core(holding, source.coldStoreId()).store();
    Double mean = cold.now().meanCelsius();
    StoreState state = StoreState.uniform(StoreGrid.coarse(core), mean == null ? air : mean);
    return java.util.Optional.of(
        new Plants.Standing(cold.id(), cold.design().indoors(), core, state));
  }

  /** The heap's mixture and what can be drawn from it. */
  public HeapView heap(UUID holding, StoreDesign design) {
    HeatStore store = stores.tried(holding, design);
    Instant now = clock.instant();
    PartView part = source(UUID.randomUUID(), design, now);
    if (!(part.design() instanceof PartDesign.Heap heap)) {
      throw Problem.invalid("design.source.kind", "It is no heap.", "Choose the heap's own heat.");
    }
    PartMapping to =
        new PartMapping(part.id(), "design.source", new Span(now, 86_400, ZoneOffset.UTC));
    FeedMix mix = to.mix(heap.fed());
    List<CompostHeat.Batch> batches = to.batches(heap);
    double draw =
        HeapDraw.largest(
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
        batches.stream().mapToDouble(CompostHeat.Batch::solids).sum(),
        draw,
        KEEP,
        Stream.concat(CompostHeat.unlike(store, batches).stream(), mix.hints().stream())
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

  private static ChargeView view(
      Charge c, double chargeSeconds, HeatStore store, StoreDesign design) {
    int every = Math.max(1, c.seconds().length / POINTS);
    double contact = 0;
    for (double t : c.contact()) {
      contact = Math.max(contact, t);
    }
    return new ChargeView(
        thin(c.seconds(), every),
        thin(c.mean(), every),
        thin(c.contact(), every),
        thin(c.hottestCelsius(), every),
        thin(c.usableJoules(), every),
        thin(c.storeWatts(), every),
        c.fuelJoules(),
        c.electricJoules(),
        c.broughtJoules(),
        c.gainJoules(),
        c.outJoules(),
        c.roomJoules(),
        c.flueJoules(),
        c.storedJoules(),
        c.facesJoules(),
        c.steamJoules(),
        c.residualJoules(),
        Double.isNaN(c.efficiency()) ? null : c.efficiency(),
        c.reachedSeconds().isPresent() ? c.reachedSeconds().getAsDouble() : null,
        chargeSeconds,
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
        Stores.cautions(design, store, c.hottest().celsius(), contact),
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
