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
    double resistance = 0;
    for (int pass = 0; pass < (layers.isEmpty() ? 1 : 4); pass++) {
      double film = 1 / filmCoefficient(outer, air, upright, down, lengthMetres);
      double layered = layerResistance(massSurface, outer, upright, down);
      resistance = layered + film;
      double next = air + (massSurface - air) * film / resistance;
      outer = pass == 0 ? next : (outer + next) / 2;
    }
    return factor / resistance;
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
    int n = layers.size();
    double[] felt = new double[n];
    double at = massSurface;
    for (int i = 0; i < n; i++) {
      felt[i] = at;
      double next = massSurface + (beyond - massSurface) * (i + 1) / n;
      at -= flux * layers.get(i).resistance(at, next, upright, down);
    }
    return felt;
  }

  /** Resistance of the layers alone, m² K/W. */
  public double layerResistance(double inner, double outer, boolean upright, boolean down) {
    int n = layers.size();
    double sum = 0;
    for (int i = 0; i < n; i++) {
      double warm = inner + (outer - inner) * i / n;
      double cold = inner + (outer - inner) * (i + 1) / n;
      sum += layers.get(i).resistance(warm, cold, upright, down);
    }
    return sum;
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
