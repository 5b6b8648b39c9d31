package nightbank.server.job;

import java.util.Optional;
import java.util.UUID;
import org.jooq.JSONB;
import org.jspecify.annotations.Nullable;

/**
 * A piece of work as it stands.
 *
 * @param stopAsked whether somebody wanted it stopped, even if it had ended by then
 * @param progress as its handler last told, null before
 * @param result null until it has ended well
 */
public record JobView(
    UUID id,
    String subject,
    State state,
    boolean stopAsked,
    JSONB asked,
    @Nullable JSONB progress,
    @Nullable JSONB result,
    String problem) {
  /** Where it stands. */
  public enum State {
    WAITING,
    RUNNING,
    DONE,
    FAILED,
    STOPPED
  }

  /** As whoever looks on sees it: what waits is under way, what was to be stopped is stopped. */
  public State seen() {
    return open() ? State.RUNNING : stopAsked ? State.STOPPED : state;
  }

  /** What it has found, or told last; empty before it has told anything. */
  public Optional<JSONB> told() {
    return Optional.ofNullable(result).or(() -> Optional.ofNullable(progress));
  }

  public boolean open() {
    return state == State.WAITING || state == State.RUNNING;
  }
}
