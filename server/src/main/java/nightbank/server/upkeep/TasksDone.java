package nightbank.server.upkeep;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import nightbank.server.change.Changes;
import nightbank.server.change.Reversible;
import nightbank.server.log.Readings;
import nightbank.server.shared.Json;
import nightbank.server.shared.Problem;
import nightbank.server.upkeep.internal.TaskRepository;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;

/** When tasks were done. */
@Service
public class TasksDone implements Reversible {
  private final TaskRepository repository;
  private final Tasks tasks;
  private final Changes changes;
  private final Json json;
  private final Clock clock;

  TasksDone(TaskRepository repository, Tasks tasks, Changes changes, Json json, Clock clock) {
    this.repository = repository;
    this.tasks = tasks;
    this.changes = changes;
    this.json = json;
    this.clock = clock;
  }

  /** That a task was done. */
  public record Done(UUID taskId, Instant at, String note) {}

  /** Notes it; the same again is the same, and another time or note puts it right. */
  @Transactional
  public void save(
      UUID holding, UUID task, UUID id, @Nullable Instant when, @Nullable String note) {
    tasks.require(holding, task);
    Instant at = when == null ? clock.instant() : when;
    if (at.isAfter(clock.instant().plus(Duration.ofDays(1))) || at.isBefore(Readings.EARLIEST)) {
      throw Problem.invalid("at", "It lies in the future or before 2000.", "Check date and time.");
    }
    if (note != null && note.length() > 2000) {
      throw Problem.invalid("note", "The note has more than 2000 letters.", "Shorten it.");
    }
    Done before = now(holding, id.toString());
    if (before != null && !before.taskId().equals(task)) {
      throw Problem.knownId("task done");
    }
    keep(holding, id, new Done(task, at, note == null ? "" : note));
    note(holding, id, task, before);
  }

  @Transactional
  public void remove(UUID holding, UUID task, UUID id) {
    Done before = now(holding, id.toString());
    if (before == null || !before.taskId().equals(task)) {
      throw Problem.notFound("task done");
    }
    repository.undo(holding, id);
    note(holding, id, before.taskId(), before);
  }

  private void note(UUID holding, UUID id, UUID task, @Nullable Done before) {
    changes.made(
        holding,
        kind(),
        id.toString(),
        tasks.words(holding, task),
        before,
        now(holding, id.toString()));
  }

  private void keep(UUID holding, UUID id, Done done) {
    if (!repository.did(holding, id, done)) {
      throw Problem.notFound("task done");
    }
  }

  @Override
  public Changes.Kind kind() {
    return Changes.Kind.TASK_DONE;
  }

  @Override
  public @Nullable Done now(UUID holding, String subject) {
    Optional<Done> is = repository.find(holding, UUID.fromString(subject));
    return is.orElse(null);
  }

  @Override
  @Transactional
  public void put(UUID holding, String subject, @Nullable JsonNode state) {
    UUID id = UUID.fromString(subject);
    if (state == null) {
      repository.undo(holding, id);
    } else {
      Done done = json.read(state, Done.class);
      tasks.require(holding, done.taskId());
      keep(holding, id, done);
    }
  }
}
