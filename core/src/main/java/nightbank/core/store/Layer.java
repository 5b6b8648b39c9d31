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
   * 1/ε₂ - 1); still-air convection per ISO 6946 annex D: max(0.025/d, 1.25) upright, max(0.025/d,
   * 1.95) heat flowing up, max(0.025/d, 0.12 d^-0.44) down.
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
      double still = 0.025 / thicknessMetres;
      double moving =
          upright ? 1.25 : heatFlowsDown ? 0.12 * Math.pow(thicknessMetres, -0.44) : 1.95;
      return 1 / (radiative + Math.max(still, moving));
    }
  }
}
