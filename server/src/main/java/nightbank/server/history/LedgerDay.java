package nightbank.server.history;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;

/**
 * A store's ledger from noon to noon, J; figures are absent where too little was read.
 *
 * @param evening local day of the noon it begins at
 * @param toHouse W to the house's air in each ten minutes
 * @param balanceStart heat above the floor temperature at the first reading, cold cells negative
 */
@RecordBuilder
public record LedgerDay(
    LocalDate evening,
    long readings,
    Double balanceStart,
    Double balanceEnd,
    Double charged,
    Double delivered,
    Double early,
    Double lost,
    Double residual,
    Double[] toHouse) {

  boolean judged() {
    return charged != null;
  }

  /** When the day of an evening begins. */
  public static Instant noon(LocalDate evening, ZoneId zone) {
    return evening.atTime(LocalTime.NOON).atZone(zone).toInstant();
  }

  static LedgerDay unread(LocalDate evening) {
    return LedgerDayBuilder.builder()
        .evening(evening)
        .readings(0)
        .balanceStart(null)
        .balanceEnd(null)
        .charged(null)
        .delivered(null)
        .early(null)
        .lost(null)
        .residual(null)
        .toHouse(null)
        .build();
  }
}
