package nightbank.server.log;

import java.time.Instant;
import java.util.UUID;
import nightbank.core.evidence.EventKind;
import org.jspecify.annotations.Nullable;

/**
 * Something done or seen.
 *
 * @param way which of the two ways it went, absent when nobody said or there are none
 * @param amount kg of fuel, feed or water, absent when nobody weighed
 * @param moisture of the fuel, wet-basis share, absent when unknown
 */
public record EventView(
    UUID id,
    @Nullable UUID storeId,
    EventKind kind,
    EventKind.@Nullable Way way,
    Instant at,
    String note,
    @Nullable Double amount,
    @Nullable Double moisture) {}
