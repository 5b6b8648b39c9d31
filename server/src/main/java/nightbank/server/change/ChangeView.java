package nightbank.server.change;

import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * Something that somebody changed.
 *
 * @param by who it was
 * @param mine whether it was whoever asks
 * @param name of what was changed, or a code of it
 * @param count of things of that kind that went with it
 * @param celsiusBefore of a reading that was put right
 * @param undoneAt when it was taken back, absent while it holds
 */
public record ChangeView(
    UUID id,
    Instant at,
    String by,
    boolean mine,
    Changes.Kind kind,
    Changes.Verb verb,
    String name,
    int count,
    @Nullable Double celsiusBefore,
    @Nullable Double celsiusAfter,
    @Nullable Instant undoneAt) {}
