package nightbank.server.sizing;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.UUID;
import nightbank.core.sizing.Means;
import nightbank.server.store.StoreDesign;
import org.jspecify.annotations.Nullable;

/**
 * A search and what it has found.
 *
 * @param state RUNNING, DONE or STOPPED
 * @param marginKelvin by how much the middle night must lie over the limit for the coldest tenth to
 *     hold too
 * @param withoutCelsius the plants' coldest with nothing added
 * @param billJoules what the house must be given that night
 * @param found empty while it runs
 * @param means what would hold it without a store
 */
@RecordBuilder
public record SizingView(
    UUID id,
    String state,
    int done,
    int of,
    double limitCelsius,
    double marginKelvin,
    double withoutCelsius,
    double billJoules,
    double peakWatts,
    String currency,
    List<SizedView> found,
    List<MeansView> means) {

  /** The same as it stands now. */
  SizingView as(UUID job, String now) {
    return SizingViewBuilder.builder(this).id(job).state(now).build();
  }

  /**
   * Heat made or moved through the night in place of a store.
   *
   * @param amount candles, W, m³ or pipes, by its kind
   * @param cost of that night's fuel and power, absent without prices
   */
  public record MeansView(
      Means.Kind kind,
      double amount,
      boolean holds,
      double lowestCelsius,
      double fuelKilograms,
      double electricJoules,
      @Nullable Double cost) {}

  /**
   * One candidate at its smallest number.
   *
   * @param metresEach length of one where it is told by the metre, else 0
   * @param limit ENERGY, POWER, NONE, or UNASKED where dominated
   * @param holdSeconds absent where dominated
   * @param refillSeconds to make good what that night took, absent without a source
   * @param cost absent without prices
   * @param design to plan it by, absent where dominated
   */
  @RecordBuilder
  public record SizedView(
      String container,
      String containerName,
      double metresEach,
      String medium,
      String mediumName,
      double wrapMillimetres,
      int count,
      boolean holds,
      String limit,
      double lowestCelsius,
      double fullCelsius,
      double massKg,
      double floorSquareMetres,
      double loadKgPerSquareMetre,
      double usableJoules,
      double powerAtDawnWatts,
      Double holdSeconds,
      Double refillSeconds,
      Double cost,
      boolean dominated,
      @Nullable StoreDesign design) {}
}
