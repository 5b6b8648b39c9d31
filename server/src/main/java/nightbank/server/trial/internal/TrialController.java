package nightbank.server.trial.internal;

import java.util.List;
import java.util.UUID;
import nightbank.server.account.Access;
import nightbank.server.account.Role;
import nightbank.server.trial.TrialSheet;
import nightbank.server.trial.TrialView;
import nightbank.server.trial.Trials;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Trials over HTTP; a new one is put under an id of the sender's own, so that twice is once. */
@RestController
@RequestMapping("/api/holdings/{holdingId}/trials")
class TrialController {
  private final Trials trials;
  private final Access access;

  TrialController(Trials trials, Access access) {
    this.trials = trials;
    this.access = access;
  }

  @GetMapping
  List<TrialView> all(@PathVariable UUID holdingId) {
    access.require(holdingId, Role.GUEST);
    return trials.all(holdingId);
  }

  @GetMapping("/{trialId}")
  TrialSheet sheet(
      @PathVariable UUID holdingId,
      @PathVariable UUID trialId,
      @RequestParam(required = false) Double hours) {
    access.require(holdingId, Role.GUEST);
    return trials.sheet(holdingId, trialId, hours);
  }

  @PutMapping("/{trialId}")
  TrialView save(
      @PathVariable UUID holdingId,
      @PathVariable UUID trialId,
      @RequestBody Trials.TrialDraft draft) {
    access.require(holdingId, Role.KEEPER);
    return trials.save(holdingId, trialId, draft);
  }

  @DeleteMapping("/{trialId}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void remove(@PathVariable UUID holdingId, @PathVariable UUID trialId) {
    access.require(holdingId, Role.KEEPER);
    trials.remove(holdingId, trialId);
  }
}
