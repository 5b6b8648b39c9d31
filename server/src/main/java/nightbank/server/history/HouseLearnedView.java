package nightbank.server.history;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * What logged nights say of a house. Factors are over the house as described.
 *
 * @param pending store days still being judged; nothing is learned before
 * @param learned absent with fewer than three nights that can be used
 * @param leftOut nights that could not be used, and why
 */
public record HouseLearnedView(
    UUID houseId,
    int pending,
    @Nullable HouseLearned learned,
    List<LearnedNight> nights,
    List<NightLeftOut> leftOut) {

  /**
   * The house.
   *
   * @param describedWattsPerKelvin skin and draught as described, wind of 2 m/s
   * @param scatterKelvin of the air round what was reckoned
   */
  public record HouseLearned(
      int nights,
      LocalDate until,
      double describedWattsPerKelvin,
      LearnedFactor loss,
      LearnedFactor skin,
      LearnedFactor leak,
      LearnedFactor mass,
      double scatterKelvin) {}

  /** With its 95 % interval. */
  public record LearnedFactor(double value, double low, double high) {}

  /**
   * A night in the learned house.
   *
   * @param lossTimes how fast it lost heat, over the other nights
   * @param changesPerHour of the air that would explain a faster loss, absent otherwise
   * @param liftByStores between the reckoned lows with and without all stores, K
   */
  public record LearnedNight(
      LocalDate evening,
      double lossTimes,
      boolean unlike,
      @Nullable Double changesPerHour,
      double lowestWithoutStores,
      double liftByStores,
      List<StoreWorth> worth) {}

  /** By how much the low would have been lower without this store alone, K. */
  public record StoreWorth(UUID storeId, String name, double kelvin) {}

  /** A night without what it takes. */
  public record NightLeftOut(LocalDate evening, Reason reason, String of) {
    /** What it lacks. */
    public enum Reason {
      AIR_UNREAD,
      OUTDOORS_UNREAD,
      STORE_UNREAD
    }
  }
}
