package nightbank.standins.logger;

/** A core and a shell, warmed by day. */
public final class CoreAndShell implements Body {
  private static final double CORE = 4.0e5; // J/K
  private static final double SHELL = 2.5e5;
  private static final double BETWEEN = 9; // W/K
  private static final double OUT = 5;

  private double core = 22;
  private double shell = 14;

  @Override
  public void step(double seconds, double hour) {
    double heat = hour > 9 && hour < 14 ? 700 : 0;
    double air = 6 + 4 * Math.sin((hour - 9) / 24 * 2 * Math.PI);
    double flow = BETWEEN * (core - shell);
    core += seconds * (heat - flow) / CORE;
    shell += seconds * (flow - OUT * (shell - air)) / SHELL;
  }

  @Override
  public double at(int channel) {
    return channel == 0 ? core : shell;
  }
}
