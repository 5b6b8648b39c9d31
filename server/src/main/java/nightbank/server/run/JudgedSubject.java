package nightbank.server.run;

import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * What a judgement that is kept is of.
 *
 * @param subject a day's evening, a sheet's run
 * @param run of a sheet, null of a day
 */
public record JudgedSubject(
    UUID holding, UUID store, Kind kind, String subject, @Nullable UUID run) {
  /** What is kept. */
  public enum Kind {
    DAY,
    SHEET
  }

  public static JudgedSubject day(UUID holding, UUID store, LocalDate evening) {
    return new JudgedSubject(holding, store, Kind.DAY, evening.toString(), null);
  }

  static JudgedSubject sheet(UUID holding, RunView run) {
    return new JudgedSubject(holding, run.storeId(), Kind.SHEET, run.id().toString(), run.id());
  }
}
