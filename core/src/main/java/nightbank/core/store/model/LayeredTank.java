package nightbank.core.store.model;

import nightbank.core.store.HeatStore;

/**
 * Water in layers: conduction, wall losses, mixing wherever denser water lies on lighter (by
 * density, so below 4 °C the cold rises), plug flow between inlet and outlet heights. Ten or more
 * layers follow a thermocline; an inlet's own jet is neglected, so real tanks are a little more
 * mixed.
 */
public final class LayeredTank extends LayeredStore {
  private static final double BOILING = 100; // °C, at sea level

  private double steam; // J
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
    boil();
    int top = 0;
    for (int l = 0; l < n; l++) {
      first[top++] = l;
      while (top > 1 && lighterBelow(first[top - 2], first[top - 1])) {
        top--;
        mix(first[top - 1], l);
      }
    }
  }

  /** At a hundred degrees water boils: what is more leaves as steam, and is made up. */
  private void boil() {
    double full = enthalpy.joulesPerKg(BOILING);
    for (int l = 0; l < n; l++) {
      if (joulesPerKg[l] > full) {
        steam += mass[l] * (joulesPerKg[l] - full);
        joulesPerKg[l] = full;
        celsius[l] = BOILING;
      }
    }
  }

  @Override
  public double steamJoules() {
    return steam;
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
      celsius[l] = enthalpy.celsius(joulesPerKg[l], 0, celsius[l]);
    }
  }

  /** A coil in the heated zone. */
  @Override
  double exchangerShare(int layer) {
    return heated[layer];
  }

  /** What comes out at a height while so much is drawn, °C, mean over the coming step. */
  public double drawnCelsius(
      double seconds, double kilogramsPerSecond, double inletHigh, double outletHigh) {
    int out = layerAt(outletHigh);
    int way = outletHigh >= inletHigh ? -1 : 1; // back from the outlet towards the inlet
    int in = layerAt(inletHigh);
    double left = kilogramsPerSecond * seconds;
    double all = left;
    double joules = 0;
    for (int l = out; left > 0 && l != in + way; l += way) {
      double some = Math.min(left, mass[l]);
      joules += some * joulesPerKg[l];
      left -= some;
    }
    double drawn = all - left;
    return drawn > 0 ? enthalpy.celsius(joules / drawn, 0, celsius[out]) : celsius[out];
  }

  /**
   * Water drawn off at one height while as much comes back at another, so much colder that the tank
   * has given so many joules.
   *
   * @return J/kg of what came out, mean over the step
   */
  public double exchange(
      double seconds,
      double kilogramsPerSecond,
      double inletHigh,
      double outletHigh,
      double joules) {
    int in = layerAt(inletHigh);
    int out = layerAt(outletHigh);
    int way = out >= in ? 1 : -1;
    double column = 0;
    for (int l = in; l != out + way; l += way) {
      before[l] = joulesPerKg[l];
      column += mass[l];
    }
    double moved = Math.min(column, kilogramsPerSecond * seconds);
    double got = between(in, out, way, column - moved, column, 0) / moved;
    double incoming = got - joules / moved;
    double at = -moved;
    for (int l = in; l != out + way; l += way) {
      joulesPerKg[l] = between(in, out, way, at, at + mass[l], incoming) / mass[l];
      celsius[l] = enthalpy.celsius(joulesPerKg[l], 0, celsius[l]);
      at += mass[l];
    }
    settle();
    return got;
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
    double out = drawnCelsius(seconds, kilogramsPerSecond, inletHigh, outletHigh);
    double given = enthalpy.joulesPerKg(out) - enthalpy.joulesPerKg(inletCelsius);
    exchange(
        seconds, kilogramsPerSecond, inletHigh, outletHigh, given * kilogramsPerSecond * seconds);
    return out;
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
