package nightbank.core.store;

import java.util.List;

/**
 * One face of a store: layers in series from the mass outwards, then the film of air.
 *
 * <p>Natural convection on a bare face is 1.31 ΔT^⅓ upright, 1.52 ΔT^⅓ hot side up and 0.59
 * (ΔT/L)^¼ hot side down (simplified forms of Incropera et al., ch. 9, air near 300 K, good to 20
 * %), plus radiation ε σ (T⁴ - T₀⁴) to surroundings at air temperature. One mean surface
 * temperature is used for the whole face.
 *
 * @param layers from the mass outwards, empty for a bare face
 * @param emissivity of the outermost surface
 * @param fixedTransmittance W/(m² K) in place of layers and film where it has been measured, or 0
 * @param factor by which runs have shown the face to differ from its design, 1 at first
 */
public record Face(
    List<Layer> layers, double emissivity, double fixedTransmittance, double factor) {
  private static final double SIGMA = Layer.STEFAN_BOLTZMANN;
  private static final int PASSES = 4;
  private static final int HALVINGS = 30;

  public Face {
    layers = List.copyOf(layers);
    if (!(emissivity >= 0 && emissivity <= 1)) {
      throw new IllegalArgumentException("emissivity must lie in 0 to 1, was " + emissivity);
    }
    if (!(fixedTransmittance >= 0 && fixedTransmittance <= 1000)) {
      throw new IllegalArgumentException(
          "transmittance must lie in 0 to 1000 W/(m² K), was " + fixedTransmittance);
    }
  }

  public static Face bare() {
    return new Face(List.of(), 0.9, 0, 1);
  }

  public static Face of(Layer... layers) {
    return new Face(List.of(layers), 0.9, 0, 1);
  }

  /** A face known by its measured transmittance, W/(m² K). */
  public static Face measured(double wattsPerSquareMetreKelvin) {
    return new Face(List.of(), 0.9, wattsPerSquareMetreKelvin, 1);
  }

  /** The same face with its transmittance multiplied once more. */
  public Face times(double more) {
    return new Face(layers, emissivity, fixedTransmittance, factor * more);
  }

  public double thicknessMetres() {
    double sum = 0;
    for (int i = 0; i < layers.size(); i++) {
      sum += layers.get(i).thicknessMetres();
    }
    return sum;
  }

  /**
   * Transmittance from the mass's surface to the air, W/(m² K).
   *
   * @param massSurface temperature where the mass ends, °C
   * @param air temperature of the air beyond, °C
   * @param name which way the face looks
   * @param lengthMetres a length of the face, for the film of a face looking down
   */
  public double transmittance(double massSurface, double air, FaceName name, double lengthMetres) {
    if (fixedTransmittance > 0) {
      return fixedTransmittance * factor;
    }
    boolean upright = name == FaceName.SIDE;
    boolean down = name == FaceName.TOP ? massSurface < air : massSurface > air;
    double outer = massSurface;
    double flux = 0;
    double resistance = 0;
    for (int pass = 0; pass < (layers.isEmpty() ? 1 : PASSES); pass++) {
      double film = 1 / filmCoefficient(outer, air, upright, down, lengthMetres);
      resistance = layerResistance(massSurface, flux, upright, down) + film;
      flux = (massSurface - air) / resistance;
      double next = air + flux * film;
      outer = pass == 0 ? next : (outer + next) / 2;
    }
    return factor / resistance;
  }

  /**
   * The outermost surface, °C: where the film carries off what comes through.
   *
   * @param massSurface temperature where the mass ends, °C
   */
  public double outerCelsius(double massSurface, double air, FaceName name, double lengthMetres) {
    double flux = transmittance(massSurface, air, name, lengthMetres) * (massSurface - air);
    if (flux == 0) {
      return air;
    }
    boolean upright = name == FaceName.SIDE;
    boolean down = name == FaceName.TOP ? massSurface < air : massSurface > air;
    double cold = Math.min(air, massSurface);
    double warm = Math.max(air, massSurface);
    for (int i = 0; i < HALVINGS; i++) {
      double at = (cold + warm) / 2;
      double away = filmCoefficient(at, air, upright, down, lengthMetres) * (at - air);
      if (away > flux) {
        warm = at;
      } else {
        cold = at;
      }
    }
    return (cold + warm) / 2;
  }

  /**
   * Transmittance through the layers and something more behind them, W/(m² K), the factor left out.
   *
   * @param behind resistance beyond the layers, m² K/W
   */
  double throughLayers(double massSurface, double beyond, boolean upright, double behind) {
    boolean down = massSurface > beyond;
    double flux = 0;
    double resistance = behind;
    for (int pass = 0; pass < (layers.isEmpty() ? 1 : PASSES); pass++) {
      resistance = layerResistance(massSurface, flux, upright, down) + behind;
      flux = (massSurface - beyond) / Math.max(1e-6, resistance);
    }
    return 1 / Math.max(1e-6, resistance);
  }

  /**
   * What each layer feels on its warm side, °C, from the mass outwards.
   *
   * @param massSurface where the mass ends, °C
   */
  public double[] innerTemperatures(
      double massSurface, double beyond, FaceName name, double lengthMetres) {
    double flux =
        transmittance(massSurface, beyond, name, lengthMetres) * (massSurface - beyond) / factor;
    boolean upright = name == FaceName.SIDE;
    boolean down = name == FaceName.TOP ? massSurface < beyond : massSurface > beyond;
    double[] felt = new double[layers.size()];
    double at = massSurface;
    for (int i = 0; i < felt.length; i++) {
      felt[i] = at;
      at -= flux * resistance(layers.get(i), at, flux, upright, down);
    }
    return felt;
  }

  /**
   * Resistance of the layers alone at the temperatures that a flux makes in them, m² K/W.
   *
   * @param flux from the mass outwards, W/m²
   */
  double layerResistance(double massSurface, double flux, boolean upright, boolean down) {
    double at = massSurface;
    double sum = 0;
    for (int i = 0; i < layers.size(); i++) {
      double r = resistance(layers.get(i), at, flux, upright, down);
      at -= flux * r;
      sum += r;
    }
    return sum;
  }

  private static double resistance(
      Layer layer, double warm, double flux, boolean upright, boolean down) {
    double r = layer.resistance(warm, warm, upright, down);
    if (flux != 0) {
      r = layer.resistance(warm, warm - flux * r, upright, down);
      r = layer.resistance(warm, warm - flux * r, upright, down);
    }
    return r;
  }

  private double filmCoefficient(
      double surface, double air, boolean upright, boolean down, double lengthMetres) {
    double excess = Math.max(0.5, Math.abs(surface - air));
    double convection =
        upright
            ? 1.31 * Math.cbrt(excess)
            : down ? 0.59 * Math.sqrt(Math.sqrt(excess / lengthMetres)) : 1.52 * Math.cbrt(excess);
    double s = surface + 273.15;
    double a = air + 273.15;
    return convection + emissivity * SIGMA * (s * s + a * a) * (s + a);
  }
}
