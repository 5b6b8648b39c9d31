package nightbank.core.store.model;

import nightbank.core.store.HeatedZone;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatExchanger;
import nightbank.core.store.FaceName;
import nightbank.core.store.Face;
import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleUnaryOperator;
import java.util.function.IntToDoubleFunction;
import nightbank.core.internal.Exchange;
import nightbank.core.internal.LineSweeps;
import nightbank.core.medium.TabledEnthalpy;

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
  private static final double STALE = 0.02; // change of conductivity that is worth new links
  private static final double MET = 1e-9; // K: one Newton step more is below rounding

  private HeatStore store;
  private final StoreGrid grid;
  private final TabledEnthalpy enthalpy;
  private final boolean constantHeat;
  private final int ni;
  private final int nj;
  private final int nl;
  private final double conductivity;
  private final double slope;
  private final boolean even; // the same conductivity everywhere and always
  private final double[] conducts; // W/(m K) by cell
  private final double[] linkedAt; // °C at which it was taken
  private final boolean dries;
  private final PoreWater water;
  private double steam; // J
  private final double[] mass; // kg per cell, one body
  private final double[] across; // W/K between a cell and the next across
  private final double[] along;
  private final double[] upward;
  private final double[] heated; // share of the heated zone by cell
  private final List<double[]> shares = new ArrayList<>(); // of each zone's heat by cell
  private double[] pending = new double[1]; // W into each zone, one body
  private boolean warmed;
  private final double[] put; // W into each cell during the coming step
  private final double[] coil; // share of the greatest exchange by cell
  private double coilUa = Double.NaN;
  private int boreRing = -1;
  private double boreEarth; // of the earth between pipe and ring, times k
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
  private final double[] atFaces = new double[3]; // W/(m K) of the cells behind each face
  private final IntToDoubleFunction ofCell;

  public ConductionStore(HeatStore store, StoreState start) {
    this.store = store;
    grid = start.grid();
    dries = store.medium().dries();
    enthalpy = new TabledEnthalpy(dries ? store.medium().dryPart() : store.medium().enthalpy());
    constantHeat = !dries && store.medium().enthalpy().isConstant();
    ni = grid.across();
    nj = grid.along();
    nl = grid.layers();
    conductivity = store.medium().conductivity().value();
    slope = store.medium().conductivitySlope().value();
    even = !dries && slope == 0;
    int n = grid.cells();
    conducts = new double[n];
    linkedAt = new double[n];
    celsius = start.celsius();
    ofCell = c -> celsius[c];
    joulesPerKg = new double[n];
    specificHeat = new double[n];
    inertia = new double[n];
    swept = new double[n];
    mass = new double[n];
    across = new double[n];
    along = new double[n];
    upward = new double[n];
    heated = new double[n];
    ratio = new double[n];
    put = new double[n];
    coil = new double[n];
    water = dries ? new PoreWater(store.medium(), celsius) : null;
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
    lay(store.medium().density().value());
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

  private void lay(double density) {
    for (int l = 0; l < nl; l++) {
      for (int j = 0; j < nj; j++) {
        for (int i = 0; i < ni; i++) {
          int c = grid.cell(i, j, l);
          mass[c] = grid.cellVolume(c) * density;
        }
      }
    }
    System.arraycopy(shareOf(store.zone()), 0, heated, 0, heated.length);
    shares.add(heated.clone());
    link();
  }

  private void link() {
    for (int c = 0; c < conducts.length; c++) {
      double base = dries ? water.conductivity(c) : conductivity;
      conducts[c] = slope == 0 ? base : base * store.medium().conductivityFactor(celsius[c]);
      linkedAt[c] = celsius[c];
    }
    for (int l = 0; l < nl; l++) {
      double thick = grid.thickness(l);
      for (int j = 0; j < nj; j++) {
        for (int i = 0; i < ni; i++) {
          int c = grid.cell(i, j, l);
          across[c] =
              i == ni - 1
                  ? 0
                  : between(c, c + 1) * grid.acrossInterface(i, j) * thick / grid.acrossRun(i);
          along[c] =
              j == nj - 1
                  ? 0
                  : between(c, c + ni) * grid.alongInterface(i) * thick / grid.alongRun(j);
          upward[c] =
              l == nl - 1 ? 0 : between(c, c + ni * nj) * grid.planArea(i, j) / grid.layerRun(l);
        }
      }
    }
    for (FaceName name : FACES) {
      atFaces[name.ordinal()] = even ? conductivity : mean(name, c -> conducts[c]);
    }
  }

  private void relinkWhereHot() {
    double most = slope == 0 ? Double.POSITIVE_INFINITY : STALE / Math.abs(slope);
    for (int c = 0; c < celsius.length && slope != 0; c++) {
      if (Math.abs(celsius[c] - linkedAt[c]) > most) {
        link();
        return;
      }
    }
  }

  /** Conductivity between two cells: one where all conduct alike, else the two halves in series. */
  private double between(int a, int b) {
    return even ? conductivity : 2 * conducts[a] * conducts[b] / (conducts[a] + conducts[b]);
  }

  private double atFace(FaceName name) {
    return atFaces[name.ordinal()];
  }

  /** J in a kilogram as filled, its water included. */
  private double content(int c, double t) {
    double dry = enthalpy.joulesPerKg(t);
    return dries ? dry + water.specificHeat(c) * t : dry;
  }

  @Override
  public void step(double seconds, Surroundings around) {
    double beside = around.at(store.place().beyond(FaceName.SIDE));
    double above = around.at(store.place().beyond(FaceName.TOP));
    double below = around.at(store.place().beyond(FaceName.FOOT));
    relinkWhereHot();
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
    if (dries && boils) {
      dry();
    }
    for (int f = 0; f < 3; f++) {
      watts[f] *= store.count();
    }
  }

  private double heatOf(int c) {
    double dry = enthalpy.specificHeat(celsius[c]);
    return dries ? dry + water.specificHeat(c) : dry;
  }

  /** Temperature at a cell's heat content, found near a guess. */
  private double warmth(int c, double near) {
    if (!dries || !water.any(c)) {
      return enthalpy.celsius(joulesPerKg[c], near);
    }
    double perKelvin = water.specificHeat(c);
    double t = near;
    for (int k = 0; k < 4; k++) {
      double off =
          (enthalpy.joulesPerKg(t) + perKelvin * t - joulesPerKg[c])
              / (enthalpy.specificHeat(t) + perKelvin);
      t -= off;
      if (Math.abs(off) < MET) {
        break;
      }
    }
    return t;
  }

  private void dry() {
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
      link();
    }
  }

  @Override
  public double steamJoules() {
    return steam;
  }

  /** Water left in all bodies, kg. */
  public double waterKilograms() {
    double kilograms = 0;
    for (int c = 0; dries && c < mass.length; c++) {
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
        double holds = enthalpy.joulesPerKg(hottest) - enthalpy.joulesPerKg(celsius[c]);
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

  /** Cell by cell along the stream: told to {@code out}, or booked into the coming step. */
  private double along(
      double seconds,
      double capacityRate,
      double conductance,
      boolean charging,
      double inlet,
      Outlet out) {
    double c = capacityRate / store.count();
    double ua = conductance / store.count();
    boolean bore =
        store.carrier().isPresent()
            && store.carrier().get().passage() instanceof HeatExchanger.Bore;
    double given =
        bore
            ? alongBore(seconds, c, ua, inlet, out)
            : alongCoil(seconds, c, ua, charging, inlet, out);
    return given * store.count();
  }

  private double alongCoil(
      double seconds, double rate, double conductance, boolean charging, double inlet, Outlet out) {
    if (coilUa != conductance / rate) {
      coilUa = conductance / rate;
      for (int c = 0; c < coil.length; c++) {
        coil[c] = heated[c] == 0 ? 0 : -Math.expm1(-coilUa * heated[c]);
      }
    }
    int plan = ni * nj;
    double stream = inlet;
    double given = 0;
    for (int k = 0; k < nl; k++) {
      int first = (charging ? nl - 1 - k : k) * plan;
      for (int c = first; c < first + plan; c++) {
        if (coil[c] > 0) {
          double g = Exchange.overStep(rate, coil[c], mass[c] * heatOf(c) / seconds);
          double w = give(c, g, rate, stream, out);
          stream += w / rate;
          given += w;
        }
      }
    }
    return given;
  }

  /**
   * What a cell gives to the stream, W, into the coming step; told to {@code out} it gives none.
   */
  private double give(int c, double conductance, double rate, double stream, Outlet out) {
    if (out == null) {
      double w = conductance * (celsius[c] - stream);
      put[c] -= w;
      return w;
    }
    double share = conductance / rate;
    out.atZero += share * (celsius[c] - out.atZero);
    out.slope *= 1 - share;
    return 0;
  }

  /**
   * Along the middle from the foot up: each layer's ring next to the pipe gives to the stream what
   * film and the earth between them let through.
   */
  private double alongBore(double seconds, double rate, double film, double inlet, Outlet out) {
    HeatExchanger.Bore bore = (HeatExchanger.Bore) store.carrier().orElseThrow().passage();
    double radius = bore.diameterMetres() / 2;
    if (boreRing < 0) {
      double[] edges = grid.acrossEdges();
      boreRing = 0;
      while (boreRing < ni - 1 && (edges[boreRing] + edges[boreRing + 1]) / 2 < 1.1 * radius) {
        boreRing++;
      }
      double in = edges[boreRing];
      double over = edges[boreRing + 1];
      double middle = Math.sqrt((in * in + over * over) / 2);
      boreEarth = Math.log(Math.max(1.0001, middle / radius)) / (2 * Math.PI);
    }
    double high = grid.geometry().heightMetres();
    double stream = inlet;
    double given = 0;
    for (int l = 0; l < nl; l++) {
      int c = grid.cell(boreRing, 0, l);
      double thick = grid.thickness(l);
      double ua = 1 / (high / (film * thick) + boreEarth / (conducts[c] * thick));
      double share = -Math.expm1(-ua / rate);
      double g = Exchange.overStep(rate, share, mass[c] * heatOf(c) / seconds);
      double w = give(c, g, rate, stream, out);
      stream += w / rate;
      given += w;
    }
    return given;
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
    foot.set(1 / (grid.footRun() / atFace(FaceName.FOOT) + 1 / transmittance[FOOT]), below);
    top.set(1 / (grid.layerRun(nl - 1) / atFace(FaceName.TOP) + 1 / transmittance[TOP]), above);
    LineSweeps.solve(0, nl, plan, plan, 1, inertia, upward, swept, ratio, foot, top);
    watts[FOOT] = foot.watts(swept, 0, plan, 1);
    watts[TOP] = top.watts(swept, (nl - 1) * plan, plan, 1);
  }

  private double sweepAcross(double air) {
    int lines = nj * nl;
    double k = atFace(FaceName.SIDE);
    sideAcross.set(1 / (grid.acrossRun(ni - 1) / k + 1 / transmittance[SIDE]), air);
    LineSweeps.solve(0, ni, 1, lines, ni, inertia, across, swept, ratio, middle, sideAcross);
    return sideAcross.watts(swept, ni - 1, lines, ni);
  }

  private double sweepAlong(double air) {
    double out = 0;
    double k = atFace(FaceName.SIDE);
    sideAlong.set(1 / (grid.alongRun(nj - 1) / k + 1 / transmittance[SIDE]), air);
    for (int l = 0; l < nl; l++) {
      int first = l * ni * nj;
      sideAlong.from(l * ni);
      LineSweeps.solve(first, nj, ni, ni, 1, inertia, along, swept, ratio, middle, sideAlong);
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
    double k = atFace(name);
    double flux = (cell - beyond) / (run / k + 1 / u);
    surface[f] = cell - flux * run / k;
    transmittance[f] = u;
  }

  private double outerRun(FaceName name) {
    return name == FaceName.TOP ? grid.layerRun(nl - 1) : grid.acrossRun(ni - 1);
  }

  private double meanOuterCell(FaceName name) {
    return mean(name, ofCell);
  }

  /** Mean over the cells behind a face, by area. */
  private double mean(FaceName name, IntToDoubleFunction of) {
    double sum = 0;
    double weight = 0;
    if (name == FaceName.SIDE) {
      for (int l = 0; l < nl; l++) {
        for (int j = 0; j < nj; j++) {
          double w = grid.acrossInterface(ni - 1, j) * grid.thickness(l);
          sum += of.applyAsDouble(grid.cell(ni - 1, j, l)) * w;
          weight += w;
        }
      }
      return sum / weight;
    }
    int layer = name == FaceName.TOP ? nl - 1 : 0;
    for (int j = 0; j < nj; j++) {
      for (int i = 0; i < ni; i++) {
        double w = grid.planArea(i, j);
        sum += of.applyAsDouble(grid.cell(i, j, layer)) * w;
        weight += w;
      }
    }
    return sum / weight;
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
    double floor = enthalpy.joulesPerKg(store.floorCelsius());
    double joules = 0;
    for (int c = 0; c < celsius.length; c++) {
      double own = dries ? content(c, store.floorCelsius()) : floor;
      joules += mass[c] * Math.max(0, joulesPerKg[c] - own);
    }
    return joules * store.count();
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
