package nightbank.server.upkeep.internal;

import java.time.Instant;
import java.util.Map;
import java.util.UUID;
import nightbank.server.account.Access;
import nightbank.server.account.Role;
import nightbank.server.upkeep.Tasks;
import nightbank.server.upkeep.TasksDone;
import nightbank.server.upkeep.UpkeepView;
import nightbank.server.upkeep.WoodView;
import nightbank.server.upkeep.Woodpiles;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Wood and tasks over HTTP; what is new is put under an id of the sender's own. */
@RestController
@RequestMapping("/api/holdings/{holdingId}")
class UpkeepController {
  private final Tasks tasks;
  private final TasksDone done;
  private final Woodpiles wood;
  private final Access access;

  UpkeepController(Tasks tasks, TasksDone done, Woodpiles wood, Access access) {
    this.tasks = tasks;
    this.done = done;
    this.wood = wood;
    this.access = access;
  }

  @GetMapping("/upkeep")
  UpkeepView upkeep(@PathVariable UUID holdingId) {
    access.require(holdingId, Role.GUEST);
    return tasks.view(holdingId);
  }

  /** Several tasks by their ids, as one change. */
  @PutMapping("/upkeep")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void save(@PathVariable UUID holdingId, @RequestBody Map<UUID, Tasks.TaskDraft> drafts) {
    access.require(holdingId, Role.KEEPER);
    tasks.save(holdingId, drafts);
  }

  @PutMapping("/upkeep/{taskId}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void save(
      @PathVariable UUID holdingId, @PathVariable UUID taskId, @RequestBody Tasks.TaskDraft draft) {
    access.require(holdingId, Role.KEEPER);
    tasks.save(holdingId, taskId, draft);
  }

  @DeleteMapping("/upkeep/{taskId}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void remove(@PathVariable UUID holdingId, @PathVariable UUID taskId) {
    access.require(holdingId, Role.KEEPER);
    tasks.remove(holdingId, taskId);
  }

  /**
   * That a task was done.
   *
   * @param at absent: now
   */
  record DoneDraft(@Nullable Instant at, @Nullable String note) {}

  @PutMapping("/upkeep/{taskId}/done/{doneId}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void did(
      @PathVariable UUID holdingId,
      @PathVariable UUID taskId,
      @PathVariable UUID doneId,
      @RequestBody DoneDraft draft) {
    access.require(holdingId, Role.HELPER);
    done.save(holdingId, taskId, doneId, draft.at(), draft.note());
  }

  @DeleteMapping("/upkeep/{taskId}/done/{doneId}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void undo(@PathVariable UUID holdingId, @PathVariable UUID taskId, @PathVariable UUID doneId) {
    access.require(holdingId, Role.HELPER);
    done.remove(holdingId, taskId, doneId);
  }

  @GetMapping("/wood")
  WoodView wood(@PathVariable UUID holdingId) {
    access.require(holdingId, Role.GUEST);
    return wood.view(holdingId);
  }

  @PutMapping("/wood/{stackId}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void stack(
      @PathVariable UUID holdingId,
      @PathVariable UUID stackId,
      @RequestBody Woodpiles.StackDraft draft) {
    access.require(holdingId, Role.KEEPER);
    wood.save(holdingId, stackId, draft);
  }

  @DeleteMapping("/wood/{stackId}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void unstack(@PathVariable UUID holdingId, @PathVariable UUID stackId) {
    access.require(holdingId, Role.KEEPER);
    wood.remove(holdingId, stackId);
  }
}
