package nightbank.server.plant;

import java.time.Clock;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.UUID;
import nightbank.core.source.CompostHeat;
import nightbank.core.source.FireLoad;
import nightbank.core.source.Fuel;
import nightbank.core.source.WoodFire;
import nightbank.core.store.HeatStore;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreState;
import nightbank.core.system.Action;
import nightbank.core.system.Charge;
import nightbank.core.system.ChargeBench;
import nightbank.core.system.Control;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemSource;
import nightbank.core.usual.Usual;
import nightbank.core.weather.Weather;
import nightbank.server.book.Books;
import nightbank.server.part.PartDesign;
import nightbank.server.part.PartView;
import nightbank.server.part.Span;
import nightbank.server.part.StoreHeat;
import nightbank.server.shared.Problem;
import nightbank.server.store.Sections;
import nightbank.server.store.StoreView;
import nightbank.server.store.Stores;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Charges tried on a design, by the core; nothing is kept. */
@Service
public class Charges {
  private static final double HEAP_HOURS = 14 * 24;
  private static final int POINTS = 160;

  private final Stores stores;
  private final Books books;
  private final Clock clock;

  Charges(Stores stores, Books books, Clock clock) {
    this.stores = stores;
    this.books = books;
    this.clock = clock;
  }

  public ChargeView charge(UUID holding, ChargeQuestion q) {
    if (q.storeId() == null || q.part() == null) {
      throw Problem.invalid("part", "Nothing charges this store.", "Choose what charges it.");
    }
    HeatStore store = stores.tried(holding, q.design());
    double floor = store.floorCelsius();
    double air = within("airCelsius", q.airCelsius(), floor, -40, 60);
    double ground =
        within("groundCelsius", q.groundCelsius(), Usual.UNHOUSED_GROUND.value(), -20, 40);
    double start = within("startCelsius", q.startCelsius(), floor, -30, 1000);
    double hold = within("holdHours", q.holdHours(), Usual.HOLD_HOURS.value(), 0, 24 * 14);
    double seconds = 3600 * within("hours", q.hours(), usualHours(q.part()), 0.1, 24 * 30);
    double length = Math.max(600, seconds + hold * 3600);
    Span span = new Span(clock.instant(), length, ZoneOffset.UTC);
    Plants.Sunshine sun = brightDay(seconds);
    PartView part = new PartView(UUID.randomUUID(), "", null, known(q.part()), 1);
    PlantSystem whole =
        Plants.system(
            null,
            standing(holding, q, store, start, air),
            List.of(part),
            span,
            sun,
            books.materials(holding));
    PlantSystem system = begun(whole, q, seconds);
    double step = Math.max(30, Math.min(900, length / 600));
    SystemPlan plan =
        SystemPlan.of(system, still(air, sun.seconds()), air, air, ground, length, step)
            .withSun(new double[0], sun.wattsPerSquareMetre())
            .withActions(bypass(q, part.id()));
    Charge charge =
        ChargeBench.of(plan, q.storeId().toString())
            .aimingAt(q.design().chargeToCelsius())
            .with(
                Stores.parts(q.design()).stream()
                    .map(p -> new ChargeBench.Part(p.name(), p.highestCelsius()))
                    .toList())
            .run();
    OptionalDouble cost = cost(holding, q.part(), charge);
    return view(
        charge,
        seconds,
        store,
        q,
        StoreHeat.of(q.storeId(), List.of(part)),
        cost.isPresent() ? cost.getAsDouble() : null);
  }

  private static double usualHours(PartDesign part) {
    if (part instanceof PartDesign.Heap) {
      return HEAP_HOURS;
    }
    return (part instanceof PartDesign.Fire ? Usual.LOAD_HOURS : Usual.SURPLUS_HOURS).value();
  }

  /** Power that nobody knows cannot be tried. */
  private static PartDesign known(PartDesign part) {
    if (part instanceof PartDesign.Element e && !(e.watts() > 0)) {
      throw Problem.invalid(
          "part.watts", "Its power is not known.", "Read it off the plate, or measure it.");
    }
    if (part instanceof PartDesign.Heap h && (h.fed() == null || h.fed().isEmpty())) {
      throw Heaps.unfed("part.fed");
    }
    return part;
  }

  /** The store that is charged, and whatever else its source draws on. */
  private List<Plants.Standing> standing(
      UUID holding, ChargeQuestion q, HeatStore store, double start, double air) {
    List<Plants.Standing> all = new ArrayList<>();
    StoreState even = StoreState.uniform(StoreGrid.standard(store), start);
    all.add(new Plants.Standing(q.storeId(), q.design().indoors(), store, even));
    for (UUID other : q.part().stores()) {
      if (!other.equals(q.storeId())) {
        StoreView view = stores.get(holding, other);
        HeatStore core = stores.core(holding, other).store();
        Double mean = view.now().meanCelsius();
        StoreState state = StoreState.uniform(StoreGrid.coarse(core), mean == null ? air : mean);
        all.add(new Plants.Standing(other, view.design().indoors(), core, state));
      }
    }
    return all;
  }

  /** All that charges it running from the start for so long. */
  private static PlantSystem begun(PlantSystem s, ChargeQuestion q, double seconds) {
    List<Control.Window> window = List.of(new Control.Window(0, seconds));
    return s.withSources(s.sources().stream().map(x -> begun(x, window, q, seconds)).toList())
        .withCircuits(s.circuits().stream().map(c -> c.with(during(window, c.control()))).toList())
        .withPumps(s.pumps().stream().map(p -> p.with(during(window, p.control()))).toList());
  }

  private static Control during(List<Control.Window> window, Control c) {
    return new Control(new Control.Schedule.Between(window), c.guards());
  }

  private static SystemSource begun(
      SystemSource x, List<Control.Window> window, ChargeQuestion q, double seconds) {
    if (x.source() instanceof WoodFire fire && q.part() instanceof PartDesign.Fire design) {
      return x.with(fire.with(loads(q, design, seconds)));
    }
    return x.source() instanceof CompostHeat ? x : x.with(during(window, x.control()));
  }

  private static List<FireLoad> loads(ChargeQuestion q, PartDesign.Fire fire, double seconds) {
    double usual = Usual.WOOD_LOAD.or(fire.usualKilograms());
    double kilograms = q.kilograms() == null ? usual : q.kilograms();
    double damp = fire.moisture() == null ? Usual.WOOD_MOISTURE.value() : fire.moisture();
    int many = (int) within("loads", q.loads() == null ? null : (double) q.loads(), 1, 1, 24);
    List<FireLoad> all = new ArrayList<>();
    for (int i = 0; i < many; i++) {
      double at = i * seconds / many;
      all.add(Problem.field("kilograms", () -> new FireLoad(at, kilograms, damp)));
    }
    return all;
  }

  /** So long the smoke goes past the mass, until it draws. */
  private static List<Action> bypass(ChargeQuestion q, UUID fire) {
    double hours = within("bypassHours", q.bypassHours(), 0, 0, 24);
    return hours == 0
        ? List.of()
        : List.of(new Action(Action.Kind.BYPASS, fire.toString(), 0, hours * 3600, Double.NaN));
  }

  private static Weather still(double celsius, double[] seconds) {
    double[] rows = new double[seconds.length];
    Arrays.fill(rows, celsius);
    return new Weather(seconds, rows, new double[seconds.length], new double[seconds.length]);
  }

  /** A bright winter's day as a half sine. */
  private static Plants.Sunshine brightDay(double seconds) {
    int n = 24;
    double[] at = new double[n + 1];
    double[] shine = new double[n + 1];
    for (int i = 0; i <= n; i++) {
      at[i] = seconds * i / n;
      shine[i] = Usual.BRIGHT_SUN.value() * Math.sin(Math.PI * i / n);
    }
    return new Plants.Sunshine(at, shine);
  }

  static double within(
      String field, @Nullable Double said, double otherwise, double low, double high) {
    double v = said == null ? otherwise : said;
    if (!(v >= low && v <= high)) {
      throw Problem.invalid(
          field,
          "It must lie between " + low + " and " + high + ", was " + v + ".",
          "Check the number and its sign.");
    }
    return v;
  }

  private OptionalDouble cost(UUID holding, PartDesign part, Charge c) {
    String fuel = "firewood";
    double perKilogram = FireLoad.heatingValue(Usual.WOOD_MOISTURE.value());
    if (part instanceof PartDesign.Fire f && f.moisture() != null) {
      perKilogram = FireLoad.heatingValue(f.moisture());
    } else if (part instanceof PartDesign.Flames || part instanceof PartDesign.Heater) {
      fuel = part instanceof PartDesign.Flames f ? f.fuel() : ((PartDesign.Heater) part).fuel();
      perKilogram = Fuel.of(fuel).map(f -> f.heatingValue().value()).orElse(perKilogram);
    }
    return books
        .materials(holding)
        .prices()
        .running(fuel, c.fuelJoules() / perKilogram, c.electricJoules());
  }

  private static ChargeView view(
      Charge c,
      double chargeSeconds,
      HeatStore store,
      ChargeQuestion q,
      StoreHeat heat,
      @Nullable Double cost) {
    int every = Math.max(1, c.seconds().length / POINTS);
    double contact = 0;
    for (double t : c.contact()) {
      contact = Math.max(contact, t);
    }
    return ChargeViewBuilder.builder()
        .seconds(thin(c.seconds(), every))
        .mean(thin(c.mean(), every))
        .contact(thin(c.contact(), every))
        .hottest(thin(c.hottestCelsius(), every))
        .usableJoules(thin(c.usableJoules(), every))
        .storeWatts(thin(c.storeWatts(), every))
        .fuelJoules(c.fuelJoules())
        .electricJoules(c.electricJoules())
        .cost(cost)
        .broughtJoules(c.broughtJoules())
        .gainJoules(c.gainJoules())
        .outJoules(c.outJoules())
        .roomJoules(c.roomJoules())
        .flueJoules(c.flueJoules())
        .storedJoules(c.storedJoules())
        .facesJoules(c.facesJoules())
        .steamJoules(c.steamJoules())
        .residualJoules(c.residualJoules())
        .efficiency(Double.isNaN(c.efficiency()) ? null : c.efficiency())
        .reachedSeconds(c.reachedSeconds().isPresent() ? c.reachedSeconds().getAsDouble() : null)
        .chargeSeconds(chargeSeconds)
        .hottestSpot(
            new ChargeView.Spot(
                c.hottest().celsius(),
                c.hottest().second(),
                c.hottest().radiusFraction(),
                c.hottest().heightFraction()))
        .overheated(
            c.overheated().stream()
                .map(
                    o ->
                        new ChargeView.Overheated(
                            o.face() == null ? null : o.face().name(),
                            o.what(),
                            o.limitCelsius(),
                            o.celsius()))
                .toList())
        .cautions(Stores.cautions(q.design(), store, heat, c.hottest().celsius(), contact))
        .frames(
            c.frames().stream()
                .map(f -> new ChargeView.Frame(f.second(), Sections.of(f.state())))
                .toList())
        .build();
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
