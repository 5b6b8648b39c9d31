package nightbank.server.run;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A store that was changed within a run: judged is the longest while that it stayed the same.
 *
 * @param at when it was changed
 * @param from when what is judged begins
 */
public record ChangedView(List<Instant> at, Instant from, Instant to) {
  static @Nullable ChangedView of(JudgementAssembler.Concern c) {
    return c.changedAt().isEmpty() ? null : new ChangedView(c.changedAt(), c.ledgerFrom(), c.to());
  }
}
