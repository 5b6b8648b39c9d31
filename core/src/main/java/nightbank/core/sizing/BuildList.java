package nightbank.core.sizing;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import nightbank.core.caution.PartLimit;
import nightbank.core.medium.Medium;
import nightbank.core.store.FaceName;
import nightbank.core.store.Fill;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatExchanger;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Layer;
import nightbank.core.unit.Figure;

/**
 * What a store is built of: fill with bags, layers cut to size face by face, pipe, weight, tipping,
 * steps in order, and cost as far as prices are known. Neglects offcuts beyond whole packs; fill is
 * counted as it settles, which is 3 to 8 % more than loose bags say.
 */
public final class BuildList {
  private static final double PALLET = 1000; // kg on one pallet

  private final HeatStore store;
  private final Prices prices;
  private final List<PartLimit> parts;
  private final List<Item> items = new ArrayList<>();
  private final List<Cut> cuts = new ArrayList<>();
  private final List<Step> steps = new ArrayList<>();
  private double cost;
  private int unpriced;

  /**
   * Something to get.
   *
   * @param packs whole bags or pieces, empty when nobody says how it is sold
   * @param cost empty without a price
   */
  public record Item(
      String id,
      String name,
      double amount,
      Pack.Unit unit,
      Optional<String> packName,
      Optional<Integer> packs,
      OptionalDouble cost) {}

  /**
   * A piece to cut, for all bodies together.
   *
   * @param round a disc of that diameter, else a rectangle
   */
  public record Cut(
      FaceName face,
      String what,
      int pieces,
      double lengthMetres,
      double widthMetres,
      double thicknessMetres,
      boolean round) {}

  /** A sentence of what to do, with the numbers that it speaks of. */
  public record Step(String text, List<Figure> figures) {}

  private BuildList(HeatStore store, List<PartLimit> parts, Prices prices) {
    this.store = store;
    this.parts = List.copyOf(parts);
    this.prices = prices;
    store.media().stream().filter(m -> !m.equals(Fill.HOLLOW)).forEach(this::fill);
    for (FaceName face : new FaceName[] {FaceName.FOOT, FaceName.SIDE, FaceName.TOP}) {
      layers(face);
    }
    pipe();
    for (PartLimit p : parts) {
      if (p.kind() == PartLimit.Kind.VESSEL) {
        add(p.id(), p.name(), store.count(), Pack.Unit.PIECE);
      }
    }
    order();
  }

  public static BuildList of(HeatStore store, List<PartLimit> parts, Prices prices) {
    return new BuildList(store, parts, prices);
  }

  public List<Item> items() {
    return List.copyOf(items);
  }

  public List<Cut> cuts() {
    return List.copyOf(cuts);
  }

  public List<Step> steps() {
    return List.copyOf(steps);
  }

  /** Cost of what has a price. */
  public double cost() {
    return cost;
  }

  /** Things without a price. */
  public int unpriced() {
    return unpriced;
  }

  public int pallets() {
    return store.medium().kind() == Medium.Kind.WATER ? 0 : (int) Math.ceil(store.mass() / PALLET);
  }

  /** Load on the footprint, insulation of the foot left out, kg/m². */
  public double loadPerSquareMetre() {
    return store.massPerFloorArea();
  }

  /** Height over the smaller width of one body. */
  public double slenderness() {
    return store.geometry().heightMetres() / (2 * store.geometry().halfWidth());
  }

  /** Level push at the top that begins to tip one full body: m g b / (2 h), N. */
  public double tippingNewtons() {
    return store.mass()
        / store.count()
        * 9.81
        * store.geometry().halfWidth()
        / store.geometry().heightMetres();
  }

  private void fill(Medium m) {
    boolean litres =
        prices
            .of(m.id())
            .map(p -> p.unit() == Pack.Unit.LITRE)
            .orElse(m.kind() == Medium.Kind.WATER);
    double volume = store.volumeOf(m);
    add(
        m.id(),
        m.name(),
        litres ? volume * 1000 : volume * m.density().value(),
        litres ? Pack.Unit.LITRE : Pack.Unit.KILOGRAM);
  }

  /** A layer, core or hollow of something else. */
  private void partly(Fill f) {
    double tall = store.geometry().heightMetres();
    Figure from = Figure.metres(f.where().lowFraction() * tall);
    Figure to = Figure.metres(f.where().highFraction() * tall);
    if (f.medium().equals(Fill.HOLLOW)) {
      say(
          "Leave it hollow from {0} to {1} above the foot; build the hollow's roof of whole stones.",
          from, to);
    } else {
      say(
          "From {0} to {1} above the foot it is %s."
              .formatted(f.medium().name().toLowerCase(Locale.ROOT)),
          from,
          to);
    }
  }

  private void layers(FaceName face) {
    double out = 0;
    double tall = store.geometry().heightMetres() + total(FaceName.TOP) + total(FaceName.FOOT);
    for (Layer layer : store.face(face).layers()) {
      double t = layer.thicknessMetres();
      String id = layer instanceof Layer.Bulk b ? b.material().id() : "foil";
      double area =
          face == FaceName.SIDE ? side(layer.name(), out, t, tall) : end(face, layer.name(), t);
      add(id, layer.name(), area, Pack.Unit.SQUARE_METRE);
      out += t;
    }
  }

  private double side(String what, double out, double t, double tall) {
    int n = store.count();
    if (store.geometry() instanceof Geometry.Box box) {
      double length = box.lengthMetres() + 2 * out + 2 * t;
      double width = box.widthMetres() + 2 * out;
      cuts.add(new Cut(FaceName.SIDE, what, 2 * n, length, tall, t, false));
      cuts.add(new Cut(FaceName.SIDE, what, 2 * n, width, tall, t, false));
      return 2 * n * (length + width) * tall;
    }
    double round = 2 * Math.PI * (store.geometry().halfWidth() + out + t / 2);
    cuts.add(new Cut(FaceName.SIDE, what, n, round, tall, t, false));
    return n * round * tall;
  }

  /** Top and foot lie within the side's layers. */
  private double end(FaceName face, String what, double t) {
    int n = store.count();
    if (store.geometry() instanceof Geometry.Box box) {
      cuts.add(new Cut(face, what, n, box.lengthMetres(), box.widthMetres(), t, false));
    } else {
      double d = 2 * store.geometry().halfWidth();
      cuts.add(new Cut(face, what, n, d, d, t, true));
    }
    return n * store.geometry().endArea();
  }

  private double total(FaceName face) {
    return store.face(face).thicknessMetres();
  }

  private void pipe() {
    Optional<PartLimit> kind =
        parts.stream().filter(p -> p.kind() == PartLimit.Kind.PIPE).findFirst();
    String id = kind.map(PartLimit::id).orElse("pipe");
    String name = kind.map(PartLimit::name).orElse("Pipe");
    store
        .carrier()
        .ifPresent(
            c -> {
              if (c.passage() instanceof HeatExchanger.Coil coil) {
                add(id, name, coil.lengthMetres() * store.count(), Pack.Unit.METRE);
              } else if (c.passage() instanceof HeatExchanger.Bore) {
                add(id, name, store.geometry().heightMetres() * store.count(), Pack.Unit.METRE);
              }
            });
  }

  private void add(String id, String name, double amount, Pack.Unit unit) {
    Optional<Pack> pack = prices.of(id).filter(p -> p.unit() == unit);
    OptionalDouble price =
        pack.map(p -> OptionalDouble.of(p.packs(amount) * p.price()))
            .orElse(OptionalDouble.empty());
    items.add(
        new Item(
            id, name, amount, unit, pack.map(Pack::name), pack.map(p -> p.packs(amount)), price));
    if (price.isPresent()) {
      cost += price.getAsDouble();
    } else {
      unpriced++;
    }
  }

  private void order() {
    boolean water = store.medium().kind() == Medium.Kind.WATER;
    boolean buried = store.place().buried();
    if (buried) {
      say("Dig the trenches or bore the holes to depth, with a fall to a drain.");
    } else if (store.place().onGround()) {
      say("Level and tamp the ground where it stands: it bears {0}.", load());
    } else {
      say("Have the floor seen that bears {0}.", load());
    }
    if (total(FaceName.FOOT) > 0) {
      say(
          "Lay the foot's %s, {0} in all."
              .formatted(layers(store.face(FaceName.FOOT).layers().size())),
          thin(total(FaceName.FOOT)));
    }
    if (slenderness() > 2.5 && !buried) {
      say(
          "Fix a strap to wall or neighbour before anything goes in: a push of {0} at the top tips a full one.",
          new Figure(tippingNewtons(), Figure.Unit.NEWTONS));
    }
    say(
        store.count() > 1
            ? "Set up the %d vessels or moulds.".formatted(store.count())
            : "Set up the vessel or the mould.");
    store
        .carrier()
        .ifPresent(
            c -> {
              if (c.passage() instanceof HeatExchanger.Coil coil) {
                say(
                    "Wind the pipe, {0} each at {1} from turn to turn, and press it before it is covered.",
                    Figure.metres(coil.lengthMetres()), thin(coil.spacingMetres()));
              } else if (c.passage() instanceof HeatExchanger.Bed) {
                say(
                    "Lay the air space and its grating at the foot, then the upper one after filling.");
              } else {
                say(
                    "Lay the pipes, their joints sealed, and press them before the trench is closed.");
              }
            });
    if (store.dries()) {
      say("Dry the fill as far as you can before it goes in; leave a vent that stays open.");
    }
    if (water) {
      double litres = 1000 * store.geometry().volume() * store.count();
      say(
          "Fill with {0}, a hand's width short of the rim.",
          new Figure(litres, Figure.Unit.LITRES));
    } else {
      say(
          "Fill in layers of a hand's width and tamp each: {0} in all.",
          Figure.kilograms(store.mass()));
      for (Fill f : store.fills()) {
        partly(f);
      }
    }
    if (!store.probes().isEmpty()) {
      say(
          "Set the %d probes at their places before the top closes, and note their names."
              .formatted(store.probes().size()));
    }
    if (total(FaceName.SIDE) > 0) {
      say(
          "Put on the side's layers from the mass outwards, joints staggered, {0} in all.",
          thin(total(FaceName.SIDE)));
    }
    if (total(FaceName.TOP) > 0) {
      say("Make the lid, {0}, so that one person can lift it.", thin(total(FaceName.TOP)));
    }
    say(
        "Warm it gently the first time, over two or three days, and look for steam, smell and cracks.");
  }

  private static String layers(int n) {
    return n == 1 ? "layer" : n + " layers";
  }

  private Figure load() {
    return new Figure(loadPerSquareMetre(), Figure.Unit.FLOOR_LOAD);
  }

  private static Figure thin(double metres) {
    return new Figure(metres, Figure.Unit.THIN_METRES);
  }

  private void say(String words, Figure... figures) {
    steps.add(new Step(words, List.of(figures)));
  }
}
