package nightbank.core.store.model;

import nightbank.core.medium.Medium;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;

/**
 * Cells over a body. A cylinder is cut into rings × layers. A box is cut into a quarter plan
 * (across × along, mirrored about both middles) × layers: rings parallel to the sides were tried
 * and miss the centre of a squat stone bin by 6 % of its start excess, since its corners cool
 * first. Cells grow thinner towards the faces, where temperature bends most.
 *
 * <p>Cells are numbered across (from the middle to the side) fastest, then along, then layers from
 * the foot up.
 */
public final class StoreGrid {
  private static final double CORE =
      0.6; // of the half width: wider ones need no cells of their own
  private static final int FINE = 8; // cells across from which a core gets edges of its own
  private static final double BUNCHED = 0.35; // how much finer cells are at core and side

  private final Geometry geometry;
  private final int across;
  private final int along;
  private final int layers;
  private final double[] acrossEdge; // m from the middle to the nearer side
  private final double[] alongEdge; // m from the middle towards the far end; one cell in a cylinder
  private final double[] layerEdge; // m above the foot
  private final double[] acrossCentre;
  private final double[] alongCentre;
  private final double[] layerCentre;
  private final double[] volume; // m³ by cell, all mirror images together

  public StoreGrid(Geometry geometry, int across, int along, int layers) {
    this(geometry, across, along, layers, 0);
  }

  /**
   * Cells of which some end where a slender core does, fine inside and round it.
   *
   * @param core share of the half width, 0 for none
   */
  private StoreGrid(Geometry geometry, int across, int along, int layers, double core) {
    if (across < 1 || along < 1 || layers < 1 || (long) across * along * layers > 20_000) {
      throw new IllegalArgumentException(
          "grid must have 1 to 20000 cells, was " + across + " × " + along + " × " + layers);
    }
    this.geometry = geometry;
    this.across = across;
    this.along = isRound(geometry) ? 1 : along;
    this.layers = layers;
    acrossEdge = fromMiddle(geometry.halfWidth(), across, core);
    double halfLength =
        geometry instanceof Geometry.Box box
            ? Math.max(box.lengthMetres(), box.widthMetres()) / 2
            : 1;
    double tip = 1 - (1 - core) * geometry.halfWidth() / halfLength;
    alongEdge = fromMiddle(halfLength, this.along, core > 0 && tip < CORE ? tip : 0);
    layerEdge = new double[layers + 1];
    for (int i = 0; i <= layers; i++) {
      double x = (double) i / layers;
      double thin = layers > 2 ? 0.06 * Math.sin(2 * Math.PI * x) : 0;
      layerEdge[i] = geometry.heightMetres() * (x - thin);
    }
    acrossCentre = middles(acrossEdge);
    alongCentre = middles(alongEdge);
    layerCentre = middles(layerEdge);
    if (isRound(geometry)) {
      acrossCentre[0] = acrossEdge[1] / Math.sqrt(2); // splits the innermost disc's area in two
    }
    volume = new double[cells()];
    for (int c = 0; c < volume.length; c++) {
      int layer = c / (across * this.along);
      volume[c] = planArea(c % across, c / across % this.along) * thickness(layer);
    }
  }

  /** Fine enough to follow exact solutions within 0.01 of the start excess; one cell for water. */
  public static StoreGrid standard(HeatStore store) {
    return of(store, 12, 8, 14);
  }

  /** For nights and ensembles, where a tenth of a kelvin in the house is enough. */
  public static StoreGrid coarse(HeatStore store) {
    return of(store, 8, 5, 10);
  }

  /** For many nights at once: a night's lowest moves by less than a tenth of a kelvin. */
  public static StoreGrid night(HeatStore store) {
    return few(store, 4, 3, 7, 8);
  }

  /**
   * For whole winters, many of them at once: of a hot bin whose element cycles, a night's lowest
   * moves by less than 0.15 K, in half the time of {@link #night}. Not for heaps: whether they take
   * off hangs on a little.
   */
  public static StoreGrid winter(HeatStore store) {
    return few(store, 3, 3, 5, 6);
  }

  /** Of a block so many cells each way, of what is round rings as many as a block's layers. */
  private static StoreGrid few(HeatStore store, int across, int along, int layers, int round) {
    return store.medium().kind() != Medium.Kind.WATER
            && !store.isBed()
            && !isRound(store.geometry())
        ? new StoreGrid(store.geometry(), across, along, layers)
        : of(store, layers, 1, round);
  }

  private static StoreGrid of(HeatStore store, int rings, int plan, int layers) {
    if (store.isBed()) {
      return new StoreGrid(store.geometry(), 1, 1, 2 * layers);
    }
    if (store.isLayered()) {
      return new StoreGrid(store.geometry(), 1, 1, 3 * layers / 2);
    }
    if (store.medium().kind() == Medium.Kind.WATER) {
      return new StoreGrid(store.geometry(), 1, 1, 1);
    }
    double reach = store.zone().radiusFraction();
    boolean slender = store.zone().innerFraction() == 0 && reach < CORE && plan >= FINE;
    double core = slender ? reach : 0;
    return isRound(store.geometry())
        ? new StoreGrid(store.geometry(), slender ? rings * 4 / 3 : rings, 1, layers, core)
        : new StoreGrid(store.geometry(), plan, plan, layers, core);
  }

  private static boolean isRound(Geometry geometry) {
    return geometry instanceof Geometry.Cylinder;
  }

  private static double[] fromMiddle(double extent, int cells, double core) {
    double[] edges = new double[cells + 1];
    if (core > 0) {
      int inside = Math.max(2, Math.min(cells / 3, (int) Math.round(cells * core * 1.35) + 1));
      for (int i = 0; i <= cells; i++) {
        double x = (double) (i - inside) / (cells - inside);
        double wave = BUNCHED * Math.sin(2 * Math.PI * x) / (2 * Math.PI);
        double out = core + (1 - core) * (x - wave);
        edges[i] = extent * (i <= inside ? core * i / inside : out);
      }
      return edges;
    }
    for (int i = 0; i <= cells; i++) {
      double x = (double) i / cells;
      edges[i] = extent * (cells > 2 ? 1.35 * x - 0.35 * x * x : x);
    }
    return edges;
  }

  private static double[] middles(double[] edges) {
    double[] m = new double[edges.length - 1];
    for (int i = 0; i < m.length; i++) {
      m[i] = (edges[i] + edges[i + 1]) / 2;
    }
    return m;
  }

  public Geometry geometry() {
    return geometry;
  }

  public int across() {
    return across;
  }

  public int along() {
    return along;
  }

  public int layers() {
    return layers;
  }

  public int cells() {
    return across * along * layers;
  }

  public int cell(int i, int j, int layer) {
    return (layer * along + j) * across + i;
  }

  public double cellVolume(int cell) {
    return volume[cell];
  }

  /** Horizontal area of a cell, all mirror images together, m². */
  double planArea(int i, int j) {
    if (isRound(geometry)) {
      return Math.PI * (acrossEdge[i + 1] * acrossEdge[i + 1] - acrossEdge[i] * acrossEdge[i]);
    }
    return 4 * (acrossEdge[i + 1] - acrossEdge[i]) * (alongEdge[j + 1] - alongEdge[j]);
  }

  /** Length of the upright interface at the outer edge of cell i, all mirror images, m. */
  double acrossInterface(int i, int j) {
    return isRound(geometry)
        ? 2 * Math.PI * acrossEdge[i + 1]
        : 4 * (alongEdge[j + 1] - alongEdge[j]);
  }

  double alongInterface(int i) {
    return 4 * (acrossEdge[i + 1] - acrossEdge[i]);
  }

  public double acrossRun(int i) {
    return run(acrossCentre, acrossEdge, i);
  }

  double alongRun(int j) {
    return run(alongCentre, alongEdge, j);
  }

  public double layerRun(int layer) {
    return run(layerCentre, layerEdge, layer);
  }

  /** Centre to next centre, or from the last centre to the face, m. */
  private static double run(double[] centres, double[] edges, int i) {
    return (i + 1 < centres.length ? centres[i + 1] : edges[edges.length - 1]) - centres[i];
  }

  /** How far out the cell lies, by the nearer of the two ways to a side; 0 middle, 1 side. */
  double radiusFraction(int cell) {
    double out = acrossCentre[cell % across] / acrossEdge[across];
    return round()
        ? out
        : Math.max(
            out, 1 - (alongEdge[along] - alongCentre[cell / across % along]) / acrossEdge[across]);
  }

  double heightFraction(int cell) {
    return layerCentre[cell / (across * along)] / geometry.heightMetres();
  }

  double footRun() {
    return layerCentre[0];
  }

  double thickness(int layer) {
    return layerEdge[layer + 1] - layerEdge[layer];
  }

  boolean round() {
    return isRound(geometry);
  }

  /** Edges of the layers above the foot, m. */
  public double[] layerEdges() {
    return layerEdge.clone();
  }

  /** Edges across from the middle to the side, m. */
  public double[] acrossEdges() {
    return acrossEdge.clone();
  }

  /** Part of a cell's volume that lies in the zone, m³. */
  double overlap(HeatedZone zone, int i, int j, int layer) {
    double height = geometry.heightMetres();
    double tall =
        Math.min(layerEdge[layer + 1], zone.highFraction() * height)
            - Math.max(layerEdge[layer], zone.lowFraction() * height);
    double outer = core(zone.radiusFraction(), i, j);
    double inner = zone.innerFraction() == 0 ? 0 : core(zone.innerFraction(), i, j);
    return Math.max(0, tall) * (outer - inner);
  }

  /** Part of a cell's plan that lies within a fraction of the half width, m². */
  private double core(double fraction, int i, int j) {
    double wide = fraction * geometry.halfWidth();
    if (isRound(geometry)) {
      double out = Math.max(acrossEdge[i], Math.min(acrossEdge[i + 1], wide));
      return Math.PI * (out * out - acrossEdge[i] * acrossEdge[i]);
    }
    double inset = geometry.halfWidth() - wide;
    return planArea(i, j)
        * within(acrossEdge, i, wide)
        * within(alongEdge, j, alongEdge[along] - inset);
  }

  private static double within(double[] edges, int i, double limit) {
    return Math.max(0, Math.min(edges[i + 1], limit) - edges[i]) / (edges[i + 1] - edges[i]);
  }

  /**
   * Linear between cell centres, °C. In a box the position lies on the line from the middle to the
   * nearer side. A parabola level at the middle inside the first centre; flat beyond the outermost.
   */
  public double interpolate(double[] celsius, double radiusFraction, double heightFraction) {
    double x = radiusFraction * geometry.halfWidth();
    double z = heightFraction * geometry.heightMetres();
    int i = below(acrossCentre, x);
    int l = below(layerCentre, z);
    double fi = shareFromMiddle(acrossCentre, i, x);
    double fl = share(layerCentre, l, z);
    int i1 = Math.min(i + 1, across - 1);
    int l1 = Math.min(l + 1, layers - 1);
    double low = celsius[cell(i, 0, l)] * (1 - fi) + celsius[cell(i1, 0, l)] * fi;
    double high = celsius[cell(i, 0, l1)] * (1 - fi) + celsius[cell(i1, 0, l1)] * fi;
    return low * (1 - fl) + high * fl;
  }

  /** Volume that a cell here and a cell of another grid of the same body have in common, m³. */
  double shared(int i, int j, int layer, StoreGrid other, int oi, int oj, int ol) {
    double tall = common(layerEdge, layer, other.layerEdge, ol);
    if (tall <= 0) {
      return 0;
    }
    if (round()) {
      double inner = Math.max(acrossEdge[i], other.acrossEdge[oi]);
      double outer = Math.min(acrossEdge[i + 1], other.acrossEdge[oi + 1]);
      return outer > inner ? Math.PI * (outer * outer - inner * inner) * tall : 0;
    }
    return 4
        * common(acrossEdge, i, other.acrossEdge, oi)
        * common(alongEdge, j, other.alongEdge, oj)
        * tall;
  }

  private static double common(double[] a, int i, double[] b, int k) {
    return Math.max(0, Math.min(a[i + 1], b[k + 1]) - Math.max(a[i], b[k]));
  }

  private static int below(double[] centres, double x) {
    int i = 0;
    while (i < centres.length - 2 && centres[i + 1] <= x) {
      i++;
    }
    return i;
  }

  private static double share(double[] centres, int i, double x) {
    if (centres.length == 1) {
      return 0;
    }
    return Math.min(1, Math.max(0, (x - centres[i]) / (centres[i + 1] - centres[i])));
  }

  /** As {@link #share}, but level at the middle: a parabola inside the first centre. */
  private static double shareFromMiddle(double[] centres, int i, double x) {
    if (centres.length == 1 || x >= centres[0]) {
      return share(centres, i, x);
    }
    double first = centres[0] * centres[0];
    return (x * x - first) / (centres[1] * centres[1] - first);
  }
}
