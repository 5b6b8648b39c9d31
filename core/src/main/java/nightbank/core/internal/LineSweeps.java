package nightbank.core.internal;

/**
 * Thomas algorithm for implicit conduction along many lines of cells at once: step for step through
 * all lines, so that they hide each other's divisions and the compiler can pair them. Allocates
 * nothing.
 *
 * <p>Cell k of a line lies at {@code first + line · between + k · along}.
 */
public final class LineSweeps {
  private LineSweeps() {}

  /**
   * One bundle of lines.
   *
   * @param n cells in a line
   * @param inertia heat capacity over the step, W/K, by cell
   * @param link conductance from a cell to the next in its line, W/K; 0 for the last
   */
  public static void solve(
      int first,
      int n,
      int along,
      int lines,
      int between,
      double[] inertia,
      double[] link,
      double[] t,
      double[] ratio,
      Edge near,
      Edge far) {
    if (n == 1) {
      single(first, lines, between, inertia, t, near, far);
      return;
    }
    begin(first, lines, between, inertia, link, t, ratio, near);
    for (int k = 1; k < n - 1; k++) {
      pass(first + k * along, along, lines, between, inertia, link, t, ratio);
    }
    int last = first + (n - 1) * along;
    end(last, along, lines, between, inertia, link, t, ratio, far);
    for (int k = n - 2; k >= 0; k--) {
      int base = first + k * along;
      for (int line = 0; line < lines; line++) {
        int c = base + line * between;
        t[c] += ratio[c] * t[c + along];
      }
    }
  }

  private static void single(
      int first, int lines, int between, double[] inertia, double[] t, Edge near, Edge far) {
    for (int line = 0; line < lines; line++) {
      int c = first + line * between;
      double a = near.perArea * near.area[near.first + line];
      double b = far.perArea * far.area[far.first + line];
      t[c] = (inertia[c] * t[c] + a * near.beyond + b * far.beyond) / (inertia[c] + a + b);
    }
  }

  private static void begin(
      int base,
      int lines,
      int between,
      double[] inertia,
      double[] link,
      double[] t,
      double[] ratio,
      Edge near) {
    for (int line = 0; line < lines; line++) {
      int c = base + line * between;
      double g = near.perArea * near.area[near.first + line];
      double inverse = 1 / (inertia[c] + link[c] + g);
      ratio[c] = link[c] * inverse;
      t[c] = (inertia[c] * t[c] + g * near.beyond) * inverse;
    }
  }

  private static void pass(
      int base,
      int along,
      int lines,
      int between,
      double[] inertia,
      double[] link,
      double[] t,
      double[] ratio) {
    for (int line = 0; line < lines; line++) {
      int c = base + line * between;
      double low = link[c - along];
      double inverse = 1 / (inertia[c] + link[c] + low - low * ratio[c - along]);
      ratio[c] = link[c] * inverse;
      t[c] = (inertia[c] * t[c] + low * t[c - along]) * inverse;
    }
  }

  private static void end(
      int base,
      int along,
      int lines,
      int between,
      double[] inertia,
      double[] link,
      double[] t,
      double[] ratio,
      Edge far) {
    for (int line = 0; line < lines; line++) {
      int c = base + line * between;
      double low = link[c - along];
      double g = far.perArea * far.area[far.first + line];
      double diagonal = inertia[c] + g + low - low * ratio[c - along];
      t[c] = (inertia[c] * t[c] + low * t[c - along] + g * far.beyond) / diagonal;
    }
  }

  /** What lies beyond one end of a bundle's lines; filled anew for each step. */
  public static final class Edge {
    final double[] area;
    int first;
    double perArea;
    double beyond;

    /** By line, m². */
    public Edge(double[] area) {
      this.area = area;
    }

    /** An end that nothing passes. */
    public static Edge closed(int lines) {
      return new Edge(new double[lines]);
    }

    public Edge set(double perArea, double beyond) {
      this.perArea = perArea;
      this.beyond = beyond;
      return this;
    }

    /** Lines counted from here on, for bundles that share an edge. */
    public Edge from(int line) {
      first = line;
      return this;
    }

    /** Heat out of the cells at this end, W. */
    public double watts(double[] t, int cell, int lines, int between) {
      double sum = 0;
      for (int line = 0; line < lines; line++) {
        sum += area[first + line] * (t[cell + line * between] - beyond);
      }
      return sum * perArea;
    }
  }
}
