package nightbank.server.change;

import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** A kind of thing that can be put back as it was. */
public interface Reversible {
  Changes.Kind kind();

  /** As it is now; null where it is not there. */
  @Nullable Object now(UUID holding, String subject);

  /**
   * Makes it so, and tells whoever rests on it.
   *
   * @param state as it was noted; null for taken away
   */
  void put(UUID holding, String subject, @Nullable JsonNode state);

  /** What was taken away before a moment, and is kept somewhere until then, goes for good. */
  default void forget(Instant before) {}
}
