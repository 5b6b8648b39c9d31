package nightbank.core.store;

/**
 * Water in layers: conduction, wall losses, mixing wherever denser water lies on lighter (by
 * density, so below 4 °C the cold rises), plug flow between inlet and outlet heights. Ten or more
 * layers follow a thermocline; an inlet's own jet is neglected, so real tanks are a little more
 * mixed.
 */
public final class LayeredTank extends LayeredStore {
  private final int[] first; // first layer of each block that is mixed already
  private final double[] before; // J/kg before a draw

  public LayeredTank(HeatStore store, StoreState start) {
    super(store, start);
    first = new int[n];
    before = new double[n];
  }

  /** ρ of water, kg/m³, 0 to 100 °C at one bar (Tanaka form, Jones and Harris 1992). */
  static double density(double celsius) {
    double d = celsius - 3.9863;
    return 999.97 * (1 - d * d * (celsius + 288.9414) / (508929.2 * (celsius + 68.12963)));
  }

  @Override
  void settle() {
    int top = 0;
    for (int l = 0; l < n; l++) {
      first[top++] = l;
      while (top > 1 && lighterBelow(first[top - 2], first[top - 1])) {
        top--;
        mix(first[top - 1], l);
      }
    }
  }

  private boolean lighterBelow(int below, int above) {
    return density(celsius[below]) < density(celsius[above]) - 1e-9;
  }

  private void mix(int from, int to) {
    double joules = 0;
    double kilograms = 0;
    for (int l = from; l <= to; l++) {
      joules += mass[l] * joulesPerKg[l];
      kilograms += mass[l];
    }
    for (int l = from; l <= to; l++) {
      joulesPerKg[l] = joules / kilograms;
      celsius[l] = enthalpy.celsius(joulesPerKg[l], celsius[l]);
    }
  }

  /** A coil in the heated zone: what goes through enters it at the top when it is the warmer. */
  @Override
  public double pass(double seconds, double capacityRate, double conductance, double inlet) {
    boolean warms = inlet > zoneCelsius();
    double stream = inlet;
    double given = 0;
    for (int k = 0; k < n; k++) {
      int l = warms ? n - 1 - k : k;
      if (heated[l] > 0) {
        double w = fromLayer(l, seconds, capacityRate, conductance * heated[l], stream);
        take(l, w * seconds);
        stream += w / capacityRate;
        given += w;
      }
    }
    settle();
    return given;
  }

  /**
   * Water drawn off at one height while as much comes in at another.
   *
   * @param inletHigh height of the inlet, 0 foot to 1 top
   * @return temperature of what came out, mean over the step, °C
   */
  public double draw(
      double seconds,
      double kilogramsPerSecond,
      double inletCelsius,
      double inletHigh,
      double outletHigh) {
    int in = layerAt(inletHigh);
    int out = layerAt(outletHigh);
    int way = out >= in ? 1 : -1;
    double moved = kilogramsPerSecond * seconds;
    double incoming = enthalpy.joulesPerKg(inletCelsius);
    double column = 0;
    for (int l = in; l != out + way; l += way) {
      before[l] = joulesPerKg[l];
      column += mass[l];
    }
    double got = between(in, out, way, column - moved, column, incoming);
    double at = -moved;
    for (int l = in; l != out + way; l += way) {
      joulesPerKg[l] = between(in, out, way, at, at + mass[l], incoming) / mass[l];
      celsius[l] = enthalpy.celsius(joulesPerKg[l], celsius[l]);
      at += mass[l];
    }
    settle();
    return enthalpy.celsius(got / moved, inletCelsius);
  }

  /**
   * Heat in a stretch of the column as it was, in kg from the inlet; before it what comes in, J.
   */
  private double between(int in, int out, int way, double from, double to, double incoming) {
    double joules = Math.max(0, Math.min(0, to) - from) * incoming;
    double at = 0;
    for (int l = in; l != out + way; l += way) {
      double overlap = Math.min(to, at + mass[l]) - Math.max(from, at);
      joules += Math.max(0, overlap) * before[l];
      at += mass[l];
    }
    return joules;
  }

  private int layerAt(double high) {
    double[] edges = grid.layerEdges();
    int l = 0;
    while (l < n - 1 && edges[l + 1] < high * edges[n]) {
      l++;
    }
    return l;
  }
}
