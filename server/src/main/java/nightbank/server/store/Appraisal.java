package nightbank.server.store;

import java.util.List;

/**
 * What a design comes to, before anything is measured.
 *
 * @param usableJoules from the floor temperature to the temperature it can be charged to
 * @param usableLow with the medium's range
 * @param loadKgPerSquareMetre on the floor
 * @param lossWattsPerKelvin all faces, at full charge
 * @param halfLifeSeconds of the excess over the air, by the conduction model once the inside has
 *     settled
 * @param biot of the side face: above 0.1 one temperature does not describe the inside
 */
public record Appraisal(
    double massKg,
    double volumeCubicMetres,
    double loadKgPerSquareMetre,
    double usableJoules,
    double usableLow,
    double usableHigh,
    double lossWattsPerKelvin,
    double halfLifeSeconds,
    double chargeSeconds,
    double biot,
    List<FaceLoss> faces,
    List<Notice> notices) {

  /** One face at full charge against air at the floor temperature. */
  public record FaceLoss(
      String face,
      double areaSquareMetres,
      double transmittance,
      double watts,
      double thicknessMetres) {}

  /** A warning with its reason and what to do. */
  public record Notice(String code, String reason, String remedy) {}
}
