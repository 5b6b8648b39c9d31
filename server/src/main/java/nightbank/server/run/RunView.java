package nightbank.server.run;

import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** A stretch of a store's time to be judged as one. */
public record RunView(
    UUID id, UUID storeId, String name, Instant from, Instant to, @Nullable UUID importId) {}
