package nightbank.server.log;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * An order of the walk.
 *
 * @param was as the page had it, all that it showed
 */
public record WalkDraft(List<UUID> probes, @Nullable List<UUID> was) {}
