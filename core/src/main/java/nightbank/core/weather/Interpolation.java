package nightbank.core.weather;

/** Linear between points of rising abscissa, level beyond the ends. */
public final class Interpolation {
  private Interpolation() {}

  public static double linear(double[] x, double[] y, double at) {
    int low = 0;
    int high = x.length - 1;
    if (at <= x[0]) {
      return y[0];
    }
    if (at >= x[high]) {
      return y[high];
    }
    while (high - low > 1) {
      int middle = (low + high) >>> 1;
      if (x[middle] <= at) {
        low = middle;
      } else {
        high = middle;
      }
    }
    double share = (at - x[low]) / (x[high] - x[low]);
    return y[low] * (1 - share) + y[high] * share;
  }
}
