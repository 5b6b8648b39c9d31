package nightbank.core.store.model;

import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleUnaryOperator;
import nightbank.core.internal.Exchange;
import nightbank.core.internal.LineSweeps;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import org.jspecify.annotations.Nullable;

/**
 * Transient conduction in a solid body by finite volumes, implicit sweeps along one direction after
 * the other (locally one-dimensional splitting, Yanenko 1971; Incropera et al., 5.10.2 for one
 * direction).
 *
 * <p>Every sweep is conservative, so energy closes to rounding whatever the step. The state is
 * carried as enthalpy: sweeps use the specific heat at the start of the step, their heat is then
 * booked and the temperature found from the enthalpy curve. Unconditionally stable; error first
 * order in time, second in the grid. Face conductances are taken at the start of the step from the
 * face's mean temperature. Water in a damp medium stays until its cell reaches 100 °C; what comes
 * after boils it off, the steam leaves, and the cell conducts as dry. Neglects moisture that moves,
 * freezes or condenses elsewhere, and air flow inside the mass.
 */
public final class ConductionStore implements StoreModel {
  private static final int SIDE = FaceName.SIDE.ordinal();
  private static final int TOP = FaceName.TOP.ordinal();
  private static final int FOOT = FaceName.FOOT.ordinal();
  private static final FaceName[] FACES = FaceName.values();

  private HeatStore store;
  private final StoreGrid grid;
  private final CellMedia media;
  private final boolean constantHeat;
  private final int ni;
  private final int nj;
  private final int nl;
  private final @Nullable PoreWater water;
  private double steam; // J
  private final double[] mass; // kg per cell, one body
  private final double[] heated; // share of the heated zone by cell
  private final List<double[]> shares = new ArrayList<>(); // of each zone's heat by cell
  private double[] pending = new double[1]; // W into each zone, one body
  private boolean warmed;
  private final double[] put; // W into each cell during the coming step
  private final double[] celsius;
  private final double[] joulesPerKg;
  private final double[] specificHeat;
  private final double[] inertia; // W/K over the step
  private final double[] swept; // temperatures while sweeping
  private final double[] ratio;
  private final LineSweeps.Edge foot;
  private final LineSweeps.Edge top;
  private final LineSweeps.Edge middle;
  private final LineSweeps.Edge sideAcross;
  private final LineSweeps.Edge sideAlong;
  private final double[] transmittance = new double[3]; // mass surface to beyond, W/(m² K)
  private final double[] surface = new double[3];
  private final double[] watts = new double[3];
  private final SolidLinks links;
  private final SolidStream stream;

  public ConductionStore(HeatStore store, StoreState start) {
    this.store = store;
    grid = start.grid();
    media = new CellMedia(store, grid);
    constantHeat = media.constant();
    ni = grid.across();
    nj = grid.along();
    nl = grid.layers();
    int n = grid.cells();
    celsius = start.celsius();
    joulesPerKg = new double[n];
    specificHeat = new double[n];
    inertia = new double[n];
    swept = new double[n];
    mass = new double[n];
    heated = new double[n];
    ratio = new double[n];
    put = new double[n];
    water = media.dries() ? new PoreWater(media, celsius) : null;
    double[] plan = new double[ni * nj];
    double[] outer = new double[nj * nl];
    double[] farther = new double[ni * nl];
    for (int l = 0; l < nl; l++) {
      for (int j = 0; j < nj; j++) {
        outer[l * nj + j] = grid.acrossInterface(ni - 1, j) * grid.thickness(l);
        for (int i = 0; i < ni; i++) {
          plan[j * ni + i] = grid.planArea(i, j);
          farther[l * ni + i] = grid.alongInterface(i) * grid.thickness(l);
        }
      }
    }
    foot = new LineSweeps.Edge(plan);
    top = new LineSweeps.Edge(plan);
    sideAcross = new LineSweeps.Edge(outer);
    sideAlong = new LineSweeps.Edge(farther);
    middle = LineSweeps.Edge.closed(n);
    lay();
    links = new SolidLinks(media, grid, water, celsius);
    stream = new SolidStream(this, store, grid, links, heated);
    for (int i = 0; i < n; i++) {
      joulesPerKg[i] = content(i, celsius[i]);
    }
    for (FaceName name : FACES) {
      surface[name.ordinal()] = meanOuterCell(name);
    }
  }

  private double[] shareOf(HeatedZone zone) {
    double[] share = new double[grid.cells()];
    double all = 0;
    for (int l = 0; l < nl; l++) {
      for (int j = 0; j < nj; j++) {
        for (int i = 0; i < ni; i++) {
          int c = grid.cell(i, j, l);
          share[c] = grid.overlap(zone, i, j, l);
          all += share[c];
        }
      }
    }
    for (int c = 0; c < share.length; c++) {
      share[c] /= all;
    }
    return share;
  }

  private void lay() {
    for (int l = 0; l < nl; l++) {
      for (int j = 0; j < nj; j++) {
        for (int i = 0; i < ni; i++) {
          int c = grid.cell(i, j, l);
          mass[c] = grid.cellVolume(c) * media.density(c);
        }
      }
    }
    System.arraycopy(shareOf(store.zone()), 0, heated, 0, heated.length);
    shares.add(heated.clone());
  }

  /** J in a kilogram as filled, its water included. */
  private double content(int c, double t) {
    double dry = media.dryJoules(c, t);
    return water != null ? dry + water.specificHeat(c) * t : dry;
  }

  @Override
  public void step(double seconds, Surroundings around) {
    double beside = around.at(store.place().beyond(FaceName.SIDE));
    double above = around.at(store.place().beyond(FaceName.TOP));
    double below = around.at(store.place().beyond(FaceName.FOOT));
    links.renewWhereHot();
    renew(FaceName.SIDE, beside);
    renew(FaceName.TOP, above);
    renew(FaceName.FOOT, below);
    if (warmed) {
      spread();
    }
    double perSecond = 1 / seconds;
    for (int c = 0; c < celsius.length; c++) {
      specificHeat[c] = heatOf(c);
      inertia[c] = mass[c] * specificHeat[c] * perSecond;
      swept[c] = put[c] == 0 ? celsius[c] : celsius[c] + put[c] / inertia[c];
      put[c] = 0;
    }
    sweepUpward(above, below);
    double side = sweepAcross(beside);
    if (!grid.round()) {
      side += sweepAlong(beside);
    }
    watts[SIDE] = side;
    boolean boils = false;
    for (int c = 0; c < celsius.length; c++) {
      double next = swept[c];
      joulesPerKg[c] += specificHeat[c] * (next - celsius[c]);
      celsius[c] = constantHeat ? next : warmth(c, next);
      boils |= celsius[c] > PoreWater.BOILING;
    }
    if (water != null && boils) {
      dry(water);
    }
    for (int f = 0; f < 3; f++) {
      watts[f] *= store.count();
    }
  }

  /** J/(K kg as filled). */
  double heatOf(int c) {
    double dry = media.drySpecificHeat(c, celsius[c]);
    return water != null ? dry + water.specificHeat(c) : dry;
  }

  /** Temperature at a cell's heat content, found near a guess. */
  private double warmth(int c, double near) {
    return media.celsius(c, joulesPerKg[c], water == null ? 0 : water.specificHeat(c), near);
  }

  private void dry(PoreWater water) {
    boolean dried = false;
    for (int c = 0; c < celsius.length; c++) {
      if (water.any(c) && celsius[c] > PoreWater.BOILING) {
        double gone = water.boil(c, joulesPerKg[c] - content(c, PoreWater.BOILING));
        joulesPerKg[c] -= gone;
        steam += mass[c] * gone * store.count();
        celsius[c] = warmth(c, PoreWater.BOILING);
        dried = true;
      }
    }
    if (dried) {
      links.renew();
    }
  }

  @Override
  public double steamJoules() {
    return steam;
  }

  /** Water left in all bodies, kg. */
  public double waterKilograms() {
    double kilograms = 0;
    for (int c = 0; water != null && c < mass.length; c++) {
      kilograms += mass[c] * water.share(c);
    }
    return kilograms * store.count();
  }

  @Override
  public double meanOf(DoubleUnaryOperator ofCelsius) {
    double sum = 0;
    double total = 0;
    for (int c = 0; c < celsius.length; c++) {
      sum += mass[c] * ofCelsius.applyAsDouble(celsius[c]);
      total += mass[c];
    }
    return sum / total;
  }

  @Override
  public void heatWhere(int zone, DoubleUnaryOperator ofCelsius) {
    double[] where = shares.get(zone);
    double sum = 0;
    double size = 0;
    for (int c = 0; c < celsius.length; c++) {
      where[c] = mass[c] * ofCelsius.applyAsDouble(celsius[c]);
      sum += where[c];
      size += Math.abs(where[c]);
    }
    boolean told = Math.abs(sum) > 1e-6 * size; // where it comes to nothing it is spread evenly
    for (int c = 0; c < celsius.length; c++) {
      where[c] = told ? where[c] / sum : heated[c];
    }
  }

  @Override
  public int zone(HeatedZone zone) {
    shares.add(shareOf(zone));
    pending = java.util.Arrays.copyOf(pending, shares.size());
    return shares.size() - 1;
  }

  @Override
  public void put(int zone, double watts) {
    pending[zone] += watts / store.count();
    warmed = true;
  }

  @Override
  public double heat(int zone, double watts, double hottest, double band, double seconds) {
    double[] where = shares.get(zone);
    double each = watts / store.count();
    double taken = 0;
    for (int c = 0; c < put.length; c++) {
      if (where[c] > 0) {
        double room = Math.max(0, hottest - celsius[c]);
        double holds = media.dryJoules(c, hottest) - media.dryJoules(c, celsius[c]);
        double most = Math.max(0, mass[c] * holds / seconds - put[c]);
        double w = Math.min(most, each * where[c] * Math.min(1, room / band));
        put[c] += w;
        taken += w;
      }
    }
    return taken * store.count();
  }

  private void spread() {
    for (int z = 0; z < pending.length; z++) {
      double watts = pending[z];
      if (watts != 0) {
        double[] where = shares.get(z);
        for (int c = 0; c < put.length; c++) {
          put[c] += where[c] * watts;
        }
        pending[z] = 0;
      }
    }
    warmed = false;
  }

  @Override
  public double zoneCelsius(int zone) {
    double[] where = zone == OWN_ZONE ? heated : shares.get(zone);
    double sum = 0;
    for (int c = 0; c < celsius.length; c++) {
      sum += where[c] * celsius[c];
    }
    return sum;
  }

  @Override
  public void respond(
      double seconds, double capacityRate, double conductance, boolean charging, Outlet out) {
    out.atZero = 0;
    out.slope = 1;
    along(seconds, capacityRate, conductance, charging, 0, out);
  }

  @Override
  public double lead(
      double seconds, double capacityRate, double conductance, boolean charging, double inlet) {
    return along(seconds, capacityRate, conductance, charging, inlet, null);
  }

  private double along(
      double seconds,
      double rate,
      double conductance,
      boolean charging,
      double inlet,
      @Nullable Outlet out) {
    double n = store.count();
    return n * stream.along(seconds, rate / n, conductance / n, charging, inlet, out);
  }

  /**
   * What a cell gives to the stream, W, into the coming step; told to {@code out} it gives none.
   */
  double give(
      int c, double share, double seconds, double rate, double stream, @Nullable Outlet out) {
    double conductance = Exchange.overStep(rate, share, mass[c] * heatOf(c) / seconds);
    if (out == null) {
      double w = conductance * (celsius[c] - stream);
      put[c] -= w;
      return w;
    }
    double part = conductance / rate;
    out.atZero += part * (celsius[c] - out.atZero);
    out.slope *= 1 - part;
    return 0;
  }

  @Override
  public void mixIn(double joulesPerKelvin, double added) {
    double has = 0;
    for (int c = 0; c < celsius.length; c++) {
      has += mass[c] * heatOf(c);
    }
    double more = joulesPerKelvin / (has * store.count());
    for (int c = 0; c < celsius.length; c++) {
      joulesPerKg[c] = (joulesPerKg[c] + more * content(c, added)) / (1 + more);
      mass[c] *= 1 + more;
      celsius[c] = warmth(c, celsius[c]);
    }
  }

  private void sweepUpward(double above, double below) {
    int plan = ni * nj;
    foot.set(1 / (grid.footRun() / links.atFace(FaceName.FOOT) + 1 / transmittance[FOOT]), below);
    top.set(
        1 / (grid.layerRun(nl - 1) / links.atFace(FaceName.TOP) + 1 / transmittance[TOP]), above);
    LineSweeps.solve(0, nl, plan, plan, 1, inertia, links.upward, swept, ratio, foot, top);
    watts[FOOT] = foot.watts(swept, 0, plan, 1);
    watts[TOP] = top.watts(swept, (nl - 1) * plan, plan, 1);
  }

  private double sweepAcross(double air) {
    int lines = nj * nl;
    double k = links.atFace(FaceName.SIDE);
    sideAcross.set(1 / (grid.acrossRun(ni - 1) / k + 1 / transmittance[SIDE]), air);
    LineSweeps.solve(0, ni, 1, lines, ni, inertia, links.across, swept, ratio, middle, sideAcross);
    return sideAcross.watts(swept, ni - 1, lines, ni);
  }

  private double sweepAlong(double air) {
    double out = 0;
    double k = links.atFace(FaceName.SIDE);
    sideAlong.set(1 / (grid.alongRun(nj - 1) / k + 1 / transmittance[SIDE]), air);
    for (int l = 0; l < nl; l++) {
      int first = l * ni * nj;
      sideAlong.from(l * ni);
      LineSweeps.solve(first, nj, ni, ni, 1, inertia, links.along, swept, ratio, middle, sideAlong);
      out += sideAlong.watts(swept, first + (nj - 1) * ni, ni, 1);
    }
    return out;
  }

  /** Transmittance at the face's present mean surface temperature. */
  private void renew(FaceName name, double beyond) {
    int f = name.ordinal();
    double u = store.transmittance(name, surface[f], beyond);
    double run = name == FaceName.FOOT ? grid.footRun() : outerRun(name);
    double cell = meanOuterCell(name);
    double k = links.atFace(name);
    double flux = (cell - beyond) / (run / k + 1 / u);
    surface[f] = cell - flux * run / k;
    transmittance[f] = u;
  }

  private double outerRun(FaceName name) {
    return name == FaceName.TOP ? grid.layerRun(nl - 1) : grid.acrossRun(ni - 1);
  }

  private double meanOuterCell(FaceName name) {
    return links.mean(name, celsius);
  }

  @Override
  public double at(double radiusFraction, double heightFraction) {
    return grid.interpolate(celsius, radiusFraction, heightFraction);
  }

  @Override
  public StoreState state() {
    return new StoreState(grid, celsius);
  }

  @Override
  public double faceWatts(FaceName face) {
    return watts[face.ordinal()];
  }

  @Override
  public void replace(FaceName name, Face face) {
    store = store.withFace(name, face);
  }

  @Override
  public double highestCelsius() {
    double highest = celsius[0];
    for (double t : celsius) {
      highest = Math.max(highest, t);
    }
    return highest;
  }

  @Override
  public double meanCelsius() {
    double sum = 0;
    double total = 0;
    for (int c = 0; c < celsius.length; c++) {
      sum += celsius[c] * mass[c];
      total += mass[c];
    }
    return sum / total;
  }

  @Override
  public double usableEnergy() {
    double joules = 0;
    for (int c = 0; c < celsius.length; c++) {
      joules += mass[c] * (joulesPerKg[c] - content(c, store.floorCelsius()));
    }
    return Math.max(0, joules) * store.count();
  }

  @Override
  public double heatContent() {
    double joules = 0;
    for (int c = 0; c < celsius.length; c++) {
      joules += mass[c] * joulesPerKg[c];
    }
    return joules * store.count();
  }
}
