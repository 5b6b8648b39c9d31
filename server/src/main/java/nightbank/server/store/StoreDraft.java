package nightbank.server.store;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import nightbank.server.shared.Json;
import org.jspecify.annotations.Nullable;

/**
 * A store as a keeper sends it, and as what was changed is noted.
 *
 * @param earlier how it was before, exactly so; absent to leave that to {@code since}
 * @param since from when on it is as it is said here; absent where it was always so
 * @param was what it is held against in place of what is kept, absent for that: who says only at
 *     the end since when it is so sends all of it again
 */
public record StoreDraft(
    UUID id,
    String name,
    @Nullable UUID houseId,
    Boolean planned,
    StoreDesign design,
    List<ProbeView> probes,
    @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable List<Arrangement> earlier,
    @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable Instant since,
    @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable Was was) {

  /** How a store was when somebody began to change it. */
  public record Was(
      @Nullable UUID houseId,
      StoreDesign design,
      List<ProbeView> probes,
      List<Arrangement> earlier) {}

  static StoreDraft of(UUID id, String name, boolean planned, Arrangements when) {
    Arrangement now = when.now();
    return new StoreDraft(
        id,
        name,
        now.houseId(),
        planned,
        now.design(),
        now.probes(),
        when.earlier().isEmpty() ? null : when.earlier(),
        null,
        null);
  }

  boolean isPlanned() {
    return Boolean.TRUE.equals(planned);
  }

  Arrangement now() {
    return new Arrangement(null, houseId, design, probes);
  }

  /** What is to be kept where this is kept now. */
  Arrangements over(Arrangements kept, Json json) {
    if (earlier != null) {
      return Arrangements.of(earlier, now()).joined();
    }
    Arrangements before =
        was == null
            ? kept
            : Arrangements.of(
                was.earlier() == null ? List.of() : was.earlier(),
                new Arrangement(null, was.houseId(), was.design(), was.probes()));
    return before.changed(now(), since, json);
  }
}
