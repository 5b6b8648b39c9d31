package nightbank.server.change;

import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
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

  /** Several as they are now, missing where they are not there. */
  default Map<String, Object> now(UUID holding, Collection<String> subjects) {
    Map<String, Object> there = new HashMap<>();
    for (String subject : subjects) {
      Object is = now(holding, subject);
      if (is != null) {
        there.put(subject, is);
      }
    }
    return there;
  }

  /** Makes several so, by subject; empty for taken away. */
  default void put(UUID holding, Map<String, Optional<JsonNode>> states) {
    states.forEach((subject, state) -> put(holding, subject, state.orElse(null)));
  }

  /** What was taken away before a moment, and is kept somewhere until then, goes for good. */
  default void forget(Instant before) {}
}
