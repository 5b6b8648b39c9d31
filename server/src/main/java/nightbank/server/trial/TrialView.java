package nightbank.server.trial;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** A trial as kept: what was changed, and the runs that show it. */
public record TrialView(UUID id, String name, Instant createdAt, List<Run> runs) {

  /** One run on one side. */
  public record Run(
      UUID runId,
      String side,
      String runName,
      UUID storeId,
      @Nullable String storeName,
      Instant from,
      Instant to) {}
}
