package nightbank.core.house;

import java.util.Arrays;

/**
 * Heat by conduction down a column of earth or through a wall, per m² of its surface: implicit in
 * time, closing to rounding. Pore water freezes evenly between 0 and -0.5 °C; temperatures follow
 * from the heat content, so that no latent heat is skipped.
 */
final class SoilColumn {
  private static final double FREEZES_OVER = 0.5; // K
  private static final double ICE = 334e6; // J/m³ of water

  private final int n;
  private final double[] thick; // m
  private final double heat; // J/(m³ K)
  private final double frozenHeat; // J/(m³ K) while it freezes
  private final double[] link; // W/(m² K): surface, between layers, last layer to its lower edge
  private final double[] celsius;
  private final double[] content; // J/m³
  private final double[] apparent; // J/(m² K)
  private final boolean[] freezing;
  private final double[] perSecond; // apparent over the step, W/(m² K)
  private final double[] inverse; // m² K/W
  private final double[] alpha;
  private final double[] beta;
  private double factoredFor = Double.NaN; // s
  private double factoredBelow = Double.NaN; // W/(m² K)
  private double below; // W/(m² K) from the last layer's lower edge on
  private double pull; // W/m²

  SoilColumn(double[] thicknesses, double conductivity, double heat, double freezingWater) {
    n = thicknesses.length;
    thick = thicknesses.clone();
    this.heat = heat;
    frozenHeat = heat + freezingWater * ICE / FREEZES_OVER;
    link = new double[n + 1];
    celsius = new double[n];
    content = new double[n];
    apparent = new double[n];
    freezing = new boolean[n];
    perSecond = new double[n];
    inverse = new double[n];
    alpha = new double[n];
    beta = new double[n];
    for (int i = 0; i <= n; i++) {
      double above = i == 0 ? 0 : thick[i - 1] / 2;
      double under = i == n ? 0 : thick[i] / 2;
      link[i] = conductivity / (above + under);
    }
  }

  /** Layers that grow by a factor, thin at the surface. */
  static double[] layers(double depth, int count, double growth) {
    double[] t = new double[count];
    double first = depth * (growth - 1) / (Math.pow(growth, count) - 1);
    for (int i = 0; i < count; i++) {
      t[i] = first * Math.pow(growth, i);
    }
    return t;
  }

  /** A straight line from the surface to the lower edge. */
  void lay(double surface, double deep) {
    double all = 0;
    for (double t : thick) {
      all += t;
    }
    double depth = 0;
    for (int i = 0; i < n; i++) {
      set(i, surface + (deep - surface) * (depth + thick[i] / 2) / all);
      depth += thick[i];
    }
  }

  private void set(int i, double t) {
    celsius[i] = t;
    double partly = Math.max(-FREEZES_OVER, Math.min(0, t));
    content[i] = heat * (t - partly) + frozenHeat * partly;
  }

  private double warmth(double joules) {
    double edge = -FREEZES_OVER * frozenHeat;
    return joules >= 0
        ? joules / heat
        : joules >= edge ? joules / frozenHeat : -FREEZES_OVER + (joules - edge) / heat;
  }

  /** What lies beyond the lower edge: flux out = conductance · T - pull. */
  void beyond(double conductance, double pullWatts) {
    below = conductance;
    pull = pullWatts;
  }

  /**
   * From the bottom up: T_i = alpha_i + beta_i T_above. Afterwards the flux in at the surface is
   * {@link #conductance} · T_surface - {@link #offset}.
   *
   * @param into W/m² put into the layers down to {@code depth}, evenly by thickness
   */
  void eliminate(double dt, double into, double depth) {
    eliminate(dt, into, depth, 0, depth);
  }

  /**
   * The same with more put in to another depth.
   *
   * @param shallow W/m² put into the layers down to {@code shallowDepth}
   */
  void eliminate(double dt, double into, double depth, double shallow, double shallowDepth) {
    boolean changed = dt != factoredFor || below != factoredBelow;
    for (int i = 0; i < n; i++) {
      boolean freezes = celsius[i] < 0 && celsius[i] > -FREEZES_OVER;
      changed |= freezes != freezing[i];
      freezing[i] = freezes;
    }
    if (changed) {
      factor(dt);
    }
    spread(into, depth, shallow, shallowDepth);
    double endPull = below == 0 ? 0 : pull * link[n] / (below + link[n]);
    for (int i = n - 1; i >= 0; i--) {
      double under = i == n - 1 ? endPull : link[i + 1] * alpha[i + 1];
      alpha[i] = (perSecond[i] * celsius[i] + alpha[i] + under) * inverse[i];
    }
  }

  /** What stays while the step, what lies below and what freezes stay. */
  private void factor(double dt) {
    double end = below * link[n] / (below + link[n]); // last centre to beyond
    for (int i = n - 1; i >= 0; i--) {
      apparent[i] = thick[i] * (freezing[i] ? frozenHeat : heat);
      perSecond[i] = apparent[i] / dt;
      double under = i == n - 1 ? end : link[i + 1] * (1 - beta[i + 1]);
      inverse[i] = 1 / (perSecond[i] + link[i] + under);
      beta[i] = link[i] * inverse[i];
    }
    factoredFor = dt;
    factoredBelow = below;
  }

  private void spread(double into, double depth, double shallow, double shallowDepth) {
    if (into == 0 && shallow == 0) {
      Arrays.fill(alpha, 0);
      return;
    }
    double share = into / Math.max(1e-9, depth);
    double shallowShare = shallow / Math.max(1e-9, shallowDepth);
    double reach = 0;
    for (int i = 0; i < n; i++) {
      double here = Math.max(0, Math.min(reach + thick[i], depth) - reach);
      double near = Math.max(0, Math.min(reach + thick[i], shallowDepth) - reach);
      alpha[i] = share * here + shallowShare * near;
      reach += thick[i];
    }
  }

  double conductance() {
    return link[0] * (1 - beta[0]);
  }

  double offset() {
    return link[0] * alpha[0];
  }

  /**
   * Takes the step for a surface temperature.
   *
   * @return heat gained, J/m²
   */
  double apply(double surface) {
    double above = surface;
    double gained = 0;
    for (int i = 0; i < n; i++) {
      double next = alpha[i] + beta[i] * above;
      double joules = apparent[i] * (next - celsius[i]);
      gained += joules;
      content[i] += joules / thick[i];
      above = next;
      lastSwept = next;
      celsius[i] = warmth(content[i]);
    }
    return gained;
  }

  private double lastSwept;

  /** Flux out at the lower edge in the step just taken, W/m². */
  double outBelow() {
    double end = below * link[n] / (below + link[n]);
    return end == 0 ? 0 : end * lastSwept - pull * link[n] / (below + link[n]);
  }

  /** Mean down to a depth, °C. */
  double meanTo(double depth) {
    double sum = 0;
    double reach = 0;
    for (int i = 0; i < n && reach < depth; i++) {
      double here = Math.min(thick[i], depth - reach);
      sum += here * celsius[i];
      reach += here;
    }
    return sum / reach;
  }

  /** J/m² above thawed 0 °C. */
  double heatContent() {
    double joules = 0;
    for (int i = 0; i < n; i++) {
      joules += thick[i] * content[i];
    }
    return joules;
  }
}
