package nightbank.core.store;

import nightbank.core.medium.InsulationMaterial;

/** One layer of a face, listed from the mass outwards. */
public sealed interface Layer permits Layer.Bulk, Layer.ReflectiveGap {
  double STEFAN_BOLTZMANN = 5.670374419e-8; // W/(m² K⁴), CODATA 2018

  double thicknessMetres();

  /** As the grower reads it. */
  String name();

  /** Highest temperature the layer stands, °C. */
  double highestCelsius();

  /**
   * Thermal resistance in m² K/W between the two temperatures of its faces, °C.
   *
   * @param heatFlowsDown whether the warm side is above, which quiets a gap's air
   * @param upright whether the layer stands on a side
   */
  double resistance(double warmCelsius, double coldCelsius, boolean upright, boolean heatFlowsDown);

  /** A slab of material: thickness over conductivity at its mean temperature. */
  record Bulk(InsulationMaterial material, double thicknessMetres, boolean wet) implements Layer {
    public Bulk {
      if (!(thicknessMetres > 0 && thicknessMetres <= 2)) {
        throw new IllegalArgumentException(
            "layer thickness must lie between 0 and 2 m, was " + thicknessMetres + " m");
      }
    }

    @Override
    public String name() {
      return material.name();
    }

    @Override
    public double highestCelsius() {
      return material.highestCelsius().value();
    }

    @Override
    public double resistance(double warm, double cold, boolean upright, boolean heatFlowsDown) {
      return thicknessMetres / material.conductivity((warm + cold) / 2, wet);
    }
  }

  /**
   * A closed air gap between two surfaces, at least one of them foil. Radiation 4 σ T³ / (1/ε₁ +
   * 1/ε₂ - 1); convection per ISO 6946:2017 annex D, never less than 0.025/d: up to 5 K across the
   * gap 1.25 upright, 1.95 heat flowing up, 0.12 d^-0.44 down; above 5 K 0.73 ΔT^⅓, 1.14 ΔT^⅓ and
   * 0.09 ΔT^0.187 d^-0.44.
   */
  record ReflectiveGap(double thicknessMetres, double emissivityInner, double emissivityOuter)
      implements Layer {
    public ReflectiveGap {
      if (!(thicknessMetres >= 0.003 && thicknessMetres <= 0.3)) {
        throw new IllegalArgumentException(
            "air gap must lie between 0.003 and 0.3 m, was " + thicknessMetres + " m");
      }
      if (!(emissivityInner > 0
          && emissivityInner <= 1
          && emissivityOuter > 0
          && emissivityOuter <= 1)) {
        throw new IllegalArgumentException("emissivities must lie in 0 to 1");
      }
    }

    @Override
    public String name() {
      return "Foil and air gap";
    }

    @Override
    public double highestCelsius() {
      return 150;
    }

    @Override
    public double resistance(double warm, double cold, boolean upright, boolean heatFlowsDown) {
      double kelvin = (warm + cold) / 2 + 273.15;
      double radiative =
          4
              * STEFAN_BOLTZMANN
              * kelvin
              * kelvin
              * kelvin
              / (1 / emissivityInner + 1 / emissivityOuter - 1);
      double moving = moving(Math.abs(warm - cold), upright, heatFlowsDown);
      return 1 / (radiative + Math.max(0.025 / thicknessMetres, moving));
    }

    private double moving(double across, boolean upright, boolean heatFlowsDown) {
      boolean strong = across > 5;
      if (upright) {
        return strong ? 0.73 * Math.cbrt(across) : 1.25;
      }
      if (!heatFlowsDown) {
        return strong ? 1.14 * Math.cbrt(across) : 1.95;
      }
      double wide = Math.pow(thicknessMetres, -0.44);
      return strong ? 0.09 * Math.pow(across, 0.187) * wide : 0.12 * wide;
    }
  }
}
