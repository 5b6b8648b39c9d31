package nightbank.core.store;

/**
 * Water or air that a pump or fan moves through a store.
 *
 * @param kilogramsPerSecond real flow, not the label's
 * @param machineWatts electric power of pump or fan; a fan's own power warms the air
 */
public record FluidStream(Fluid fluid, double kilogramsPerSecond, double machineWatts) {

  /** What flows; properties at 40 °C and 20 °C, Incropera et al., app. A. */
  public enum Fluid {
    WATER(4180, 6.5e-4, 0.63),
    AIR(1007, 1.82e-5, 0.0257);

    final double specificHeat; // J/(kg K)
    final double viscosity; // Pa s
    final double conductivity; // W/(m K)

    Fluid(double specificHeat, double viscosity, double conductivity) {
      this.specificHeat = specificHeat;
      this.viscosity = viscosity;
      this.conductivity = conductivity;
    }

    public double specificHeat() {
      return specificHeat;
    }

    double prandtl() {
      return specificHeat * viscosity / conductivity;
    }
  }

  public FluidStream {
    within("flow", kilogramsPerSecond, 1e-5, 50, "kg/s");
    within("power of pump or fan", machineWatts, 0, 20_000, "W");
  }

  public static FluidStream water(double kilogramsPerSecond) {
    return new FluidStream(Fluid.WATER, kilogramsPerSecond, 0);
  }

  public static FluidStream air(double kilogramsPerSecond) {
    return new FluidStream(Fluid.AIR, kilogramsPerSecond, 0);
  }

  /** A bucket and a watch: the real flow of water, kg/s. */
  public static double bucket(double litres, double seconds) {
    within("bucket", litres, 0.05, 1000, "litres");
    within("time to fill it", seconds, 0.5, 36_000, "s");
    return litres / seconds;
  }

  /** ṁ c, W/K. */
  public double capacityRate() {
    return kilogramsPerSecond * fluid.specificHeat;
  }

  private static void within(String what, double v, double low, double high, String unit) {
    if (!(v >= low && v <= high)) {
      throw new IllegalArgumentException(
          what + " must lie between " + low + " and " + high + " " + unit + ", was " + v);
    }
  }
}
