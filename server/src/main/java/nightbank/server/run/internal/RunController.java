package nightbank.server.run.internal;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import nightbank.server.account.Access;
import nightbank.server.account.Role;
import nightbank.server.run.FewView;
import nightbank.server.run.FoundRuns;
import nightbank.server.run.JudgementView;
import nightbank.server.run.Judgements;
import nightbank.server.run.LoopView;
import nightbank.server.run.Loops;
import nightbank.server.run.ReadingOverrides;
import nightbank.server.run.RunReadings;
import nightbank.server.run.RunReadingsView;
import nightbank.server.run.RunView;
import nightbank.server.run.Runs;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Runs and their judgement over HTTP. */
@RestController
@RequestMapping("/api/holdings/{holdingId}")
class RunController {
  private final Runs runs;
  private final Judgements judgements;
  private final ReadingOverrides beliefs;
  private final FoundRuns finder;
  private final Loops loops;
  private final RunReadings readings;
  private final JudgedSoon soon;
  private final Access access;

  RunController(
      Runs runs,
      Judgements judgements,
      ReadingOverrides beliefs,
      FoundRuns finder,
      Loops loops,
      RunReadings readings,
      JudgedSoon soon,
      Access access) {
    this.runs = runs;
    this.judgements = judgements;
    this.beliefs = beliefs;
    this.finder = finder;
    this.loops = loops;
    this.readings = readings;
    this.soon = soon;
    this.access = access;
  }

  @GetMapping("/loops")
  List<LoopView> loops(@PathVariable UUID holdingId) {
    access.require(holdingId, Role.GUEST);
    return loops.lately(holdingId);
  }

  @GetMapping("/stores/{storeId}/runs")
  List<RunView> all(@PathVariable UUID holdingId, @PathVariable UUID storeId) {
    access.require(holdingId, Role.GUEST);
    return runs.all(holdingId, storeId);
  }

  @PostMapping("/stores/{storeId}/runs")
  RunView create(
      @PathVariable UUID holdingId, @PathVariable UUID storeId, @RequestBody Runs.RunDraft draft) {
    access.require(holdingId, Role.KEEPER);
    return runs.create(holdingId, storeId, draft);
  }

  @PutMapping("/runs/{runId}")
  RunView change(
      @PathVariable UUID holdingId, @PathVariable UUID runId, @RequestBody Runs.RunDraft draft) {
    access.require(holdingId, Role.KEEPER);
    return runs.change(holdingId, runId, draft);
  }

  /** Where a run is to be parted. */
  record Split(Instant at) {}

  /** Which run is to be joined to it. */
  record Join(UUID other) {}

  @PostMapping("/runs/{runId}/split")
  List<RunView> split(
      @PathVariable UUID holdingId, @PathVariable UUID runId, @RequestBody Split split) {
    access.require(holdingId, Role.KEEPER);
    return runs.split(holdingId, runId, split.at());
  }

  @PostMapping("/runs/{runId}/join")
  RunView join(@PathVariable UUID holdingId, @PathVariable UUID runId, @RequestBody Join join) {
    access.require(holdingId, Role.KEEPER);
    return runs.join(holdingId, runId, join.other());
  }

  @GetMapping("/stores/{storeId}/runs/found")
  List<Runs.RunDraft> found(@PathVariable UUID holdingId, @PathVariable UUID storeId) {
    access.require(holdingId, Role.GUEST);
    return finder.find(holdingId, storeId);
  }

  @DeleteMapping("/runs/{runId}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void remove(@PathVariable UUID holdingId, @PathVariable UUID runId) {
    access.require(holdingId, Role.KEEPER);
    runs.remove(holdingId, runId);
  }

  @PostMapping("/beliefs")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void believe(@PathVariable UUID holdingId, @RequestBody ReadingOverrides.Belief belief) {
    access.require(holdingId, Role.KEEPER);
    beliefs.say(holdingId, belief);
  }

  @GetMapping("/runs/{runId}/few")
  FewView few(@PathVariable UUID holdingId, @PathVariable UUID runId) {
    access.require(holdingId, Role.GUEST);
    return soon.of(
        "few " + runId, Optional::<FewView>empty, () -> judgements.few(holdingId, runId));
  }

  @GetMapping("/runs/{runId}/readings")
  RunReadingsView readings(@PathVariable UUID holdingId, @PathVariable UUID runId) {
    access.require(holdingId, Role.GUEST);
    return readings.of(holdingId, runId);
  }

  @GetMapping("/runs/{runId}/judgement")
  JudgementView judgement(@PathVariable UUID holdingId, @PathVariable UUID runId) {
    access.require(holdingId, Role.GUEST);
    return soon.of(
        "sheet " + runId,
        () -> judgements.kept(holdingId, runId),
        () -> judgements.view(holdingId, runId));
  }
}
