package nightbank.server.change.internal;

import java.util.List;
import java.util.UUID;
import nightbank.server.account.Access;
import nightbank.server.account.Role;
import nightbank.server.change.ChangeView;
import nightbank.server.change.Changes;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What was changed, over HTTP. */
@RestController
@RequestMapping("/api/holdings/{holdingId}/changes")
class ChangeController {
  private final Changes changes;
  private final Access access;

  ChangeController(Changes changes, Access access) {
    this.changes = changes;
    this.access = access;
  }

  @GetMapping
  List<ChangeView> newest(@PathVariable UUID holdingId) {
    access.require(holdingId, Role.GUEST);
    return changes.newest(holdingId);
  }

  @PostMapping("/{changeId}/undo")
  ChangeView undo(@PathVariable UUID holdingId, @PathVariable UUID changeId) {
    access.require(holdingId, Role.HELPER);
    return changes.turn(holdingId, changeId, true);
  }

  @PostMapping("/{changeId}/redo")
  ChangeView redo(@PathVariable UUID holdingId, @PathVariable UUID changeId) {
    access.require(holdingId, Role.HELPER);
    return changes.turn(holdingId, changeId, false);
  }
}
