package nightbank.server.run;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.UUID;
import nightbank.server.log.EventView;
import org.jspecify.annotations.Nullable;

/**
 * A run with its judgement. Moments are epoch seconds, temperatures °C, heat J, power W; rows of
 * curves share {@code at} and hold null where nothing was measured.
 *
 * @param believed readings taken although cleaning would have set them aside
 * @param restsOn thermometers whose readings it rests on
 * @param loop absent where no stream was read
 * @param needBelowCelsius house air below which heat counts as delivered
 */
@RecordBuilder
public record JudgementView(
    RunView run,
    UUID storeId,
    String storeName,
    List<Long> at,
    List<Curve> probes,
    List<@Nullable Double> air,
    List<Double> mean,
    List<Double> meanHalfWidth,
    List<Double> gross,
    List<Double> usable,
    List<Double> usableHalfWidth,
    double floorCelsius,
    List<PhaseView> phases,
    List<SetAside> setAside,
    List<SetAside> believed,
    long readings,
    PeakView peak,
    @Nullable CoolDownView coolDown,
    LedgerView ledger,
    List<FaceShare> faceShares,
    CalibrationView calibration,
    List<FindingView> findings,
    double needBelowCelsius,
    @Nullable LoopView loop,
    List<UUID> restsOn,
    List<EventView> events,
    @Nullable ChangedView changed) {

  /** One probe as measured and as the model has it. */
  public record Curve(
      UUID probeId,
      String name,
      double radiusFraction,
      double heightFraction,
      List<@Nullable Double> measured,
      List<Double> modelled) {}

  public record PhaseView(String kind, long from, long to) {}

  public record SetAside(
      UUID probeId, String probe, long at, @Nullable Double celsius, String reason) {}

  public record PeakView(long at, double meanCelsius, double halfWidth, boolean fromFit) {}

  /** The settled part of a cool-down; interval bounds are 95 %. */
  @RecordBuilder
  public record CoolDownView(
      long from,
      long to,
      double timeConstantSeconds,
      double timeConstantLow,
      double timeConstantHigh,
      double halfLifeSeconds,
      double lossWattsPerKelvin,
      double lossLow,
      double lossHigh,
      double fallKelvin,
      double scatterKelvin,
      int points,
      List<@Nullable Double> fitted) {}

  public record LedgerView(
      double charged,
      double change,
      double delivered,
      double early,
      double lost,
      double residual,
      double gain,
      @Nullable Double efficiency,
      boolean powerLabelled) {}

  public record FaceShare(String face, double share) {}

  /** Factors by which the readings differ from the design, with half a 95 % interval (log). */
  public record CalibrationView(
      double power,
      double powerHalf,
      double conductivity,
      double conductivityHalf,
      double side,
      double sideHalf,
      double ends,
      double endsHalf) {}

  public record FindingView(String code, @Nullable Double value, double halfWidth, String detail) {}
}
