package nightbank.server.run;

import org.jspecify.annotations.Nullable;
import java.time.Instant;
import java.util.UUID;

/** A stretch of a store's time to be judged as one. */
public record RunView(
    UUID id, UUID storeId, String name, Instant from, Instant to, @Nullable UUID importId) {}
