package nightbank.server.history;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import nightbank.server.upkeep.Tasks;
import org.jspecify.annotations.Nullable;

/**
 * A store's or the holding's ledger over any time: opening + charged + own = closing + delivered +
 * early + lost + residual; J.
 *
 * @param pending days still being judged; the rest is told meanwhile
 * @param unread days between a store's first and last reading on which too little was read
 * @param tasks that come round and were done, of the whole holding alone; the most often first
 * @param cost of fuel and power at the holding's prices; absent where a price is missing
 */
@RecordBuilder
public record StatementView(
    @Nullable UUID storeId,
    String storeName,
    LocalDate from,
    LocalDate to,
    Sums sums,
    List<StoreSums> stores,
    List<Row> days,
    int pending,
    int unread,
    Effort effort,
    String currency,
    Double cost,
    List<Tasks.Times> tasks) {

  /**
   * Ledger over the whole time.
   *
   * @param own what a heap made by itself, as its days were judged, nobody metering it
   */
  public record Sums(
      double opening,
      double charged,
      double own,
      double delivered,
      double early,
      double lost,
      double residual,
      double closing) {}

  /** One store's part of a holding's statement. */
  public record StoreSums(UUID storeId, String name, Sums sums) {}

  /** One day of all stores together, from the noon of its evening on. */
  public record Row(
      LocalDate evening,
      double charged,
      double delivered,
      double early,
      double lost,
      double residual,
      double balance) {}

  /**
   * What it took.
   *
   * @param fuelJoules lower heating value of the wood at the moisture noted, 18 % where none was
   * @param elementJoules that elements put in, by the ledger
   * @param hours of work, estimated from what was logged
   */
  public record Effort(
      int fires,
      double woodKilograms,
      double fuelJoules,
      double elementJoules,
      int doings,
      double hours) {}
}
