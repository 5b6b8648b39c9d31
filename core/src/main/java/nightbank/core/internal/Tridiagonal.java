package nightbank.core.internal;

/** Thomas algorithm for the implicit sweep along one line of cells; allocates only when made. */
public final class Tridiagonal {
  private final double[] ratio;

  public Tridiagonal(int longest) {
    ratio = new double[longest];
  }

  /**
   * Solves a symmetric, diagonally dominant system in place.
   *
   * @param n number of unknowns
   * @param diagonal n values
   * @param off off[i] couples i and i + 1 and is taken with a minus sign
   * @param x right-hand side in, solution out
   */
  public void solve(int n, double[] diagonal, double[] off, double[] x) {
    double inverse = 1 / diagonal[0];
    double before = x[0] * inverse;
    x[0] = before;
    for (int i = 1; i < n; i++) {
      double coupling = off[i - 1];
      double r = coupling * inverse;
      ratio[i] = r;
      inverse = 1 / (diagonal[i] - coupling * r);
      before = (x[i] + coupling * before) * inverse;
      x[i] = before;
    }
    for (int i = n - 2; i >= 0; i--) {
      x[i] += ratio[i + 1] * x[i + 1];
    }
  }
}
