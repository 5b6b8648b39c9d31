package nightbank.core.store;

/** Films inside and outside pipes, W/(m² K). */
final class PipeFilms {
  private static final double GRAVITY = 9.81;
  private static final double COIL_EXCESS = 10; // K between a coil and the water round it, usual

  private PipeFilms() {}

  /**
   * Inside a round pipe: Nu = 3.66 below Re 2300, 0.023 Re^0.8 Pr^0.4 above 4000 (Dittus and
   * Boelter), straight between. Incropera et al., ch. 8; neglects the entrance. Good to 25 %.
   */
  static double inside(FluidStream stream, double innerDiameter) {
    var f = stream.fluid();
    double reynolds = 4 * stream.kilogramsPerSecond() / (Math.PI * innerDiameter * f.viscosity);
    double nusselt;
    if (reynolds <= 2300) {
      nusselt = 3.66;
    } else {
      double at = Math.max(4000, reynolds);
      double turbulent = 0.023 * Math.pow(at, 0.8) * Math.pow(f.prandtl(), 0.4);
      double share = Math.min(1, (reynolds - 2300) / 1700);
      nusselt = 3.66 + share * (turbulent - 3.66);
    }
    return nusselt * f.conductivity / innerDiameter;
  }

  /**
   * Free convection of water round a level pipe, Churchill and Chu (1975): Nu^½ = 0.60 + 0.387 Ra^⅙
   * / (1 + (0.559/Pr)^(9/16))^(8/27).
   */
  static double outsideInWater(double outerDiameter, double celsius) {
    double beta = Math.max(5e-5, 2.1e-4 + 9.5e-6 * (celsius - 20)); // 1/K, app. A, linear
    double nu = 1.79e-6 / (1 + 0.0337 * Math.max(0, celsius) + 2.21e-4 * celsius * celsius);
    double k = Math.min(0.67, 0.569 + 0.0017 * Math.max(0, celsius));
    double alpha = k / (998 * 4184);
    double pr = nu / alpha;
    double ra = GRAVITY * beta * COIL_EXCESS * Math.pow(outerDiameter, 3) / (nu * alpha);
    double root =
        0.60
            + 0.387
                * Math.pow(ra, 1 / 6.0)
                / Math.pow(1 + Math.pow(0.559 / pr, 9 / 16.0), 8 / 27.0);
    return root * root * k / outerDiameter;
  }
}
