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
    int pending) {

  /**
   * One night, by the evening it began.
   *
   * @param verdict HELD, CLOSE or LOST
   * @param lowestAt moment of the house's low
   * @param outdoorLowest absent when nobody read outdoors
   * @param seen what somebody saw, as noted
   * @param done doors, vents and screens that somebody noted
   * @param paid what each store gave while the house was cold
   */
  @RecordBuilder
  public record Night(
      LocalDate evening,
      String verdict,
      double lowestCelsius,
      Instant lowestAt,
      Double outdoorLowest,
      Double liftKelvin,
      double coldDegreeHours,
      List<String> seen,
      List<Done> done,
      List<Paid> paid) {}

  /** Something done to the house. */
  public record Done(Instant at, EventKind kind, EventKind.@Nullable Way way, String note) {}

  /** A store's part, J. */
  public record Paid(UUID storeId, String name, double joules) {}
}
