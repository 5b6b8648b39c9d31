package nightbank.core.store;

import java.util.List;

/**
 * A store's field guessed from a few probes alone: every cell takes the inverse-square-distance
 * mean of the readings, distances taken in fractions of half width and height. Fit for an even
 * store or a start; where the inside is uneven, fit the conduction model instead.
 */
public final class StateFromProbes {
  private StateFromProbes() {}

  /**
   * Fills the grid.
   *
   * @param celsius readings by probe, NaN where there is none; at least one must be a number
   */
  public static StoreState of(StoreGrid grid, List<Probe> probes, double[] celsius) {
    double[] t = new double[grid.cells()];
    for (int cell = 0; cell < t.length; cell++) {
      double weight = 0;
      double sum = 0;
      for (int p = 0; p < celsius.length; p++) {
        if (!Double.isNaN(celsius[p])) {
          double w = 1 / (1e-4 + distanceSquared(grid, cell, probes.get(p)));
          weight += w;
          sum += w * celsius[p];
        }
      }
      if (weight == 0) {
        throw new IllegalArgumentException("no probe of the store has a reading");
      }
      t[cell] = sum / weight;
    }
    return new StoreState(grid, t);
  }

  /** Share of the store's volume that lies nearest to each probe; probes without reading get 0. */
  public static double[] volumeShares(StoreGrid grid, List<Probe> probes, boolean[] present) {
    double[] share = new double[probes.size()];
    for (int cell = 0; cell < grid.cells(); cell++) {
      int nearest = -1;
      double least = Double.POSITIVE_INFINITY;
      for (int p = 0; p < share.length; p++) {
        double d = present[p] ? distanceSquared(grid, cell, probes.get(p)) : least;
        if (d < least) {
          least = d;
          nearest = p;
        }
      }
      if (nearest >= 0) {
        share[nearest] += grid.cellVolume(cell) / grid.geometry().volume();
      }
    }
    return share;
  }

  private static double distanceSquared(StoreGrid grid, int cell, Probe probe) {
    double r = grid.radiusFraction(cell) - probe.radiusFraction();
    double h = grid.heightFraction(cell) - probe.heightFraction();
    return r * r + h * h;
  }
}
