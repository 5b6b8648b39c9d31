package nightbank.core.store.model;

import java.util.ArrayList;
import java.util.List;
import nightbank.core.medium.Enthalpy;
import nightbank.core.medium.Medium;
import nightbank.core.medium.TabledEnthalpy;
import nightbank.core.store.Fill;
import nightbank.core.store.HeatStore;

/**
 * What the cells of a solid body are filled with. A cell that the boundary of two media cuts has
 * its share of both, at one temperature; it conducts by their mean.
 */
final class CellMedia {
  private static final double MET = 1e-9; // K: one Newton step more is below rounding
  private static final int STEPS = 6;

  private final TabledEnthalpy first; // of what holds no water, or of the dry part
  private final TabledEnthalpy[] dry;
  private final Enthalpy[] whole; // with its water
  private final double[][] part; // kg per kg of the cell, by medium and cell; empty for one medium
  private final double[] density; // kg/m³ by cell
  private final double[] conductivity; // W/(m K) by cell at 20 °C, its water in it
  private final double[] driedConductivity;
  private final double[] slope; // 1/K
  private final double[] moisture; // kg of water per kg
  private final boolean one;
  private final boolean dries;
  private final boolean constant;
  private final double steepest;

  CellMedia(HeatStore store, StoreGrid grid) {
    List<Medium> media = new ArrayList<>(List.of(store.medium()));
    store.fills().forEach(f -> media.add(f.medium()));
    one = media.size() == 1;
    dries = media.stream().anyMatch(Medium::dries);
    constant = !dries && media.stream().allMatch(m -> m.enthalpy().isConstant());
    steepest =
        media.stream().mapToDouble(m -> Math.abs(m.conductivitySlope().value())).max().orElse(0);
    dry =
        media.stream()
            .map(m -> new TabledEnthalpy(m.dries() ? m.dryPart() : m.enthalpy()))
            .toArray(TabledEnthalpy[]::new);
    whole = media.stream().map(Medium::enthalpy).toArray(Enthalpy[]::new);
    first = dry[0];
    int n = grid.cells();
    density = new double[n];
    conductivity = new double[n];
    driedConductivity = new double[n];
    slope = new double[n];
    moisture = new double[n];
    double[][] volume = shares(store.fills(), grid);
    part = one ? new double[0][] : new double[media.size()][n];
    for (int c = 0; c < n; c++) {
      for (int m = 0; m < media.size(); m++) {
        mix(media.get(m), volume[m][c], c);
      }
      slope[c] = conductivity[c] > 0 ? slope[c] / conductivity[c] : 0;
      moisture[c] /= density[c];
      for (int m = 0; m < part.length; m++) {
        part[m][c] = volume[m][c] * media.get(m).density().value() / density[c];
      }
    }
  }

  private void mix(Medium m, double share, int c) {
    double heavy = share * m.density().value();
    double conducts = share * m.conductivity().value();
    density[c] += heavy;
    conductivity[c] += conducts;
    driedConductivity[c] += share * m.dryConductivity().value();
    slope[c] += conducts * m.conductivitySlope().value();
    moisture[c] += m.dries() ? heavy * m.moisture().value() : 0;
  }

  /** Of each cell's volume, by medium; what no fill takes is the body's own. */
  private static double[][] shares(List<Fill> fills, StoreGrid grid) {
    double[][] share = new double[fills.size() + 1][grid.cells()];
    for (int l = 0; l < grid.layers(); l++) {
      for (int j = 0; j < grid.along(); j++) {
        for (int i = 0; i < grid.across(); i++) {
          int c = grid.cell(i, j, l);
          double left = 1;
          for (int f = 0; f < fills.size(); f++) {
            double in = grid.overlap(fills.get(f).where(), i, j, l) / grid.cellVolume(c);
            share[f + 1][c] = Math.min(left, in);
            left -= share[f + 1][c];
          }
          share[0][c] = left;
        }
      }
    }
    return share;
  }

  /** One medium, without water, with one specific heat. */
  boolean constant() {
    return constant;
  }

  boolean dries() {
    return dries;
  }

  /** Of all media the steepest change of conductivity, 1/K. */
  double steepest() {
    return steepest;
  }

  /** Whether all cells conduct alike at one temperature. */
  boolean even() {
    return one;
  }

  double density(int c) {
    return density[c];
  }

  double moisture(int c) {
    return moisture[c];
  }

  double conductivity(int c) {
    return conductivity[c];
  }

  double driedConductivity(int c) {
    return driedConductivity[c];
  }

  double conductivityFactor(int c, double celsius) {
    return Medium.conductivityFactor(slope[c], celsius);
  }

  /** J in a kilogram, without its water. */
  double dryJoules(int c, double celsius) {
    if (one) {
      return first.joulesPerKg(celsius);
    }
    double sum = 0;
    for (int m = 0; m < part.length; m++) {
      sum += part[m][c] * dry[m].joulesPerKg(celsius);
    }
    return sum;
  }

  /** J/(K kg), without its water. */
  double drySpecificHeat(int c, double celsius) {
    if (one) {
      return first.specificHeat(celsius);
    }
    double sum = 0;
    for (int m = 0; m < part.length; m++) {
      sum += part[m][c] * dry[m].specificHeat(celsius);
    }
    return sum;
  }

  /**
   * Temperature at a heat content, its water's heat included.
   *
   * @param water J/(K kg) of the water in it
   * @param near a temperature not far from the answer, °C
   */
  double celsius(int c, double joulesPerKg, double water, double near) {
    if (one) {
      return first.celsius(joulesPerKg, water, near);
    }
    double t = near;
    for (int k = 0; k < STEPS; k++) {
      double off = (dryJoules(c, t) + water * t - joulesPerKg) / (drySpecificHeat(c, t) + water);
      t -= off;
      if (Math.abs(off) < MET) {
        break;
      }
    }
    return t;
  }

  /** J in a kilogram as filled, its water in it. */
  double joulesAsFilled(int c, double celsius) {
    if (one) {
      return whole[0].joulesPerKg(celsius);
    }
    double sum = 0;
    for (int m = 0; m < part.length; m++) {
      sum += part[m][c] * whole[m].joulesPerKg(celsius);
    }
    return sum;
  }
}
