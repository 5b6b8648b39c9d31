package nightbank.core.store.model;

import nightbank.core.store.HeatExchanger;
import nightbank.core.store.HeatStore;
import org.jspecify.annotations.Nullable;

/** A stream's way through the cells of one solid body: along a coil, or a bore from the foot up. */
final class SolidStream {
  private final ConductionStore solid;
  private final HeatStore store;
  private final StoreGrid grid;
  private final SolidLinks links;
  private final double[] heated; // share of the heated zone by cell
  private final double[] coil; // share of the greatest exchange by cell
  private double coilUa = Double.NaN;
  private int boreRing = -1;
  private double boreEarth; // of the earth between pipe and ring, times k

  SolidStream(
      ConductionStore solid, HeatStore store, StoreGrid grid, SolidLinks links, double[] heated) {
    this.solid = solid;
    this.store = store;
    this.grid = grid;
    this.links = links;
    this.heated = heated;
    coil = new double[grid.cells()];
  }

  /**
   * Cell by cell along the stream: told to {@code out}, or booked into the coming step.
   *
   * @param rate W/K of the stream
   * @param conductance W/K
   * @return W given to the stream
   */
  double along(
      double seconds,
      double rate,
      double conductance,
      boolean charging,
      double inlet,
      StoreModel.@Nullable Outlet out) {
    return store.carrier().isPresent()
            && store.carrier().get().passage() instanceof HeatExchanger.Bore bore
        ? alongBore(bore, seconds, rate, conductance, inlet, out)
        : alongCoil(seconds, rate, conductance, charging, inlet, out);
  }

  private double alongCoil(
      double seconds,
      double rate,
      double conductance,
      boolean charging,
      double inlet,
      StoreModel.@Nullable Outlet out) {
    if (coilUa != conductance / rate) {
      coilUa = conductance / rate;
      for (int c = 0; c < coil.length; c++) {
        coil[c] = heated[c] == 0 ? 0 : -Math.expm1(-coilUa * heated[c]);
      }
    }
    int plan = grid.across() * grid.along();
    int nl = grid.layers();
    double stream = inlet;
    double given = 0;
    for (int k = 0; k < nl; k++) {
      int first = (charging ? nl - 1 - k : k) * plan;
      for (int c = first; c < first + plan; c++) {
        if (coil[c] > 0) {
          double w = solid.give(c, coil[c], seconds, rate, stream, out);
          stream += w / rate;
          given += w;
        }
      }
    }
    return given;
  }

  /**
   * Along the middle from the foot up: each layer's ring next to the pipe gives to the stream what
   * film and the earth between them let through.
   */
  private double alongBore(
      HeatExchanger.Bore bore,
      double seconds,
      double rate,
      double film,
      double inlet,
      StoreModel.@Nullable Outlet out) {
    double radius = bore.diameterMetres() / 2;
    if (boreRing < 0) {
      double[] edges = grid.acrossEdges();
      boreRing = 0;
      while (boreRing < grid.across() - 1
          && (edges[boreRing] + edges[boreRing + 1]) / 2 < 1.1 * radius) {
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
    for (int l = 0; l < grid.layers(); l++) {
      int c = grid.cell(boreRing, 0, l);
      double thick = grid.thickness(l);
      double ua = 1 / (high / (film * thick) + boreEarth / (links.conducts[c] * thick));
      double share = -Math.expm1(-ua / rate);
      double w = solid.give(c, share, seconds, rate, stream, out);
      stream += w / rate;
      given += w;
    }
    return given;
  }
}
