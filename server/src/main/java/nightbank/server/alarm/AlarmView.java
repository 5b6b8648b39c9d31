package nightbank.server.alarm;

import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * An alarm as it stands.
 *
 * @param over since when it is right again, absent while it is not
 * @param seenAt when a person has said to have seen it
 * @param told how often it was told so far
 */
public record AlarmView(
    UUID id,
    AlarmKind kind,
    boolean cannotWait,
    AlarmFacts facts,
    Instant since,
    @Nullable Instant over,
    @Nullable Instant seenAt,
    @Nullable String seenBy,
    int told) {}
