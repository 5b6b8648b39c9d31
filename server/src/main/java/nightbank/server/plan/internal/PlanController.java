package nightbank.server.plan.internal;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import nightbank.server.account.Access;
import nightbank.server.account.Role;
import nightbank.server.plan.PlanView;
import nightbank.server.plan.Plans;
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

/** Plans over HTTP; one is put under an id of the sender's own. */
@RestController
@RequestMapping("/api/holdings/{holdingId}/plans")
class PlanController {
  private final Plans plans;
  private final Access access;

  PlanController(Plans plans, Access access) {
    this.plans = plans;
    this.access = access;
  }

  /**
   * A change to be kept.
   *
   * @param ranking the search that found it
   * @param change its id there
   */
  record PlanDraft(UUID ranking, String change) {}

  /**
   * Whether a plan is made.
   *
   * @param on the first evening with it; absent: not made after all
   */
  record MadeDraft(@Nullable LocalDate on) {}

  @GetMapping
  List<PlanView> all(@PathVariable UUID holdingId) {
    access.require(holdingId, Role.GUEST);
    return plans.all(holdingId);
  }

  @PutMapping("/{planId}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void keep(@PathVariable UUID holdingId, @PathVariable UUID planId, @RequestBody PlanDraft draft) {
    access.require(holdingId, Role.KEEPER);
    plans.keep(holdingId, planId, draft.ranking(), draft.change());
  }

  @PutMapping("/{planId}/made")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void made(@PathVariable UUID holdingId, @PathVariable UUID planId, @RequestBody MadeDraft draft) {
    access.require(holdingId, Role.KEEPER);
    plans.made(holdingId, planId, draft.on());
  }

  @DeleteMapping("/{planId}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void remove(@PathVariable UUID holdingId, @PathVariable UUID planId) {
    access.require(holdingId, Role.KEEPER);
    plans.remove(holdingId, planId);
  }
}
