package nightbank.server.store;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import nightbank.core.unit.Figure;
import org.jspecify.annotations.Nullable;

/**
 * What a design comes to, before anything is measured.
 *
 * @param usableJoules from the floor temperature to the temperature it can be charged to
 * @param usableLow with the medium's range
 * @param loadKgPerSquareMetre on the floor
 * @param lossWattsPerKelvin all faces, at full charge
 * @param losesHalfSeconds from full until half of the usable heat has left, beside still air at the
 *     floor temperature
 * @param chargeSeconds from the floor temperature until full, absent where no source of known power
 *     charges it or it is too weak
 * @param sourceTooWeak whether its faces lose more than the source gives before it is full
 * @param dawnWatts to the air round it after a night of fourteen hours that began full
 * @param biot of the side face: above 0.1 one temperature does not describe the inside
 * @param packs bags or barrels of fill, absent when nobody says how it is sold
 * @param cost of what has a price, in the holding's currency
 * @param unpriced things without a price
 */
@RecordBuilder
public record Appraisal(
    double massKg,
    double volumeCubicMetres,
    double loadKgPerSquareMetre,
    double usableJoules,
    double usableLow,
    double usableHigh,
    double lossWattsPerKelvin,
    double losesHalfSeconds,
    Double chargeSeconds,
    boolean sourceTooWeak,
    double dawnWatts,
    double biot,
    Integer packs,
    @Nullable String packName,
    double cost,
    int unpriced,
    String currency,
    List<FaceLoss> faces,
    List<CautionView> cautions) {

  /**
   * One face at full charge against air at the floor temperature.
   *
   * @param surfaceCelsius its outside; absent where no room's air meets it
   */
  public record FaceLoss(
      String face,
      double areaSquareMetres,
      double transmittance,
      double watts,
      double thicknessMetres,
      @Nullable Double surfaceCelsius) {}

  /**
   * A warning with its reason and what to do.
   *
   * @param weight DANGER, DAMAGE or NOTE
   */
  public record CautionView(
      String code, String weight, String of, String reason, String remedy, List<Figure> figures) {}
}
