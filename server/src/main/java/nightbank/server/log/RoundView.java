package nightbank.server.log;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** A round as kept. */
public record RoundView(
    UUID id,
    String by,
    Instant startedAt,
    @Nullable Instant endedAt,
    String note,
    List<RoundEntry> entries,
    List<UUID> photos) {

  /** One probe; {@code celsius} is absent unless it was read. */
  public record RoundEntry(
      UUID id, UUID probeId, Instant at, RoundDraft.Outcome outcome, Double celsius, String note) {}
}
