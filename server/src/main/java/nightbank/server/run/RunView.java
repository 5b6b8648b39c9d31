package nightbank.server.run;

import java.time.Instant;
import java.util.UUID;

/** A stretch of a store's time to be judged as one. */
public record RunView(
    UUID id, UUID storeId, String name, Instant from, Instant to, UUID importId) {}
