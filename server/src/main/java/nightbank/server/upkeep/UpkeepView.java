package nightbank.server.upkeep;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import nightbank.core.upkeep.Every;
import nightbank.core.upkeep.UsualTask;
import nightbank.server.upkeep.Tasks.TaskDraft;
import org.jspecify.annotations.Nullable;

/**
 * What comes round in a holding.
 *
 * @param tasks the most pressing first
 * @param usual what such a place usually needs and this one has not taken on: proposals
 */
public record UpkeepView(List<TaskView> tasks, List<ProposalView> usual) {
  /**
   * A task.
   *
   * @param way 0 just done, 1 due, more when late
   * @param dueAt when days or the date make it due, absent where only fires and wood count
   * @param dueAtPace when it will be, where only those count and some were lit since it was done
   * @param fires lit since it was last done, or in the last year where it never was
   * @param kilograms burnt since
   * @param done when it was, newest first
   */
  public record TaskView(
      UUID id,
      TaskDraft task,
      Every.State state,
      double way,
      @Nullable Instant dueAt,
      @Nullable Instant dueAtPace,
      int fires,
      double kilograms,
      List<DoneView> done) {}

  public record DoneView(UUID id, Instant at, String note) {}

  /** A usual task with its usual interval. */
  public record ProposalView(UsualTask usual, TaskDraft task) {}
}
