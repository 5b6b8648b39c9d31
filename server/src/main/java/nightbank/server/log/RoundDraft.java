package nightbank.server.log;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A round as it is sent, whole or in parts: entries that came before stay, the same entry again is
 * the same.
 *
 * @param endedAt absent while walking
 * @param fahrenheit unit of what was typed without one
 */
public record RoundDraft(
    Instant startedAt,
    @Nullable Instant endedAt,
    Boolean fahrenheit,
    String note,
    List<EntryDraft> entries) {

  /**
   * One probe.
   *
   * @param typed as typed, for READ
   */
  public record EntryDraft(
      UUID id, UUID probeId, Instant at, Outcome outcome, String typed, String note) {}

  /** What was found. */
  public enum Outcome {
    READ,
    SKIPPED,
    OFF_SCALE,
    ICE
  }
}
