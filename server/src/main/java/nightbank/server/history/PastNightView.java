package nightbank.server.history;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import nightbank.core.evidence.EventKind;
import org.jspecify.annotations.Nullable;

/**
 * Nights of a house as they were.
 *
 * @param pending store days still being judged; what stores paid is told meanwhile
 */
public record PastNightView(
    UUID houseId,
    double limitCelsius,
    List<Night> nights,
    int held,
    int close,
    int lost,
    int unknown,
    int pending) {

  /**
   * One night, by the evening it began.
   *
   * @param verdict HELD, CLOSE, LOST, or UNKNOWN where too little was looked at
   * @param lowestCelsius that any thermometer showed, absent when none was read
   * @param lowestAt when, absent where only a thermometer tells that keeps its lowest
   * @param notBelowCelsius what it cannot have been under by what else was seen
   * @param unreadFrom the longest stretch from dusk to dawn that nobody read, where it leaves the
   *     night unknown
   * @param model where the house's model puts the low of that stretch
   * @param outdoorLowest absent when nobody read outdoors
   * @param seen what somebody saw, as noted
   * @param done doors, vents and screens that somebody noted
   * @param paid what each store gave while the house was cold
   */
  @RecordBuilder
  public record Night(
      LocalDate evening,
      String verdict,
      @Nullable Double lowestCelsius,
      @Nullable Instant lowestAt,
      @Nullable Double notBelowCelsius,
      @Nullable Instant unreadFrom,
      @Nullable Instant unreadTo,
      @Nullable Model model,
      @Nullable Double outdoorLowest,
      @Nullable Double liftKelvin,
      double coldDegreeHours,
      List<String> seen,
      List<Done> done,
      List<Paid> paid) {}

  /** Where a low lies: from stores that gave nothing more to stores that went on giving. */
  public record Model(double lowCelsius, double highCelsius) {}

  /** Something done to the house. */
  public record Done(Instant at, EventKind kind, EventKind.@Nullable Way way, String note) {}

  /** A store's part, J. */
  public record Paid(UUID storeId, String name, double joules) {}
}
