package nightbank.server.sizing;

import java.util.UUID;
import nightbank.server.account.Access;
import nightbank.server.account.Role;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Sizing, curves, pairs and what next over HTTP; nothing is kept. */
@RestController
@RequestMapping("/api/holdings/{holdingId}")
class SizingController {
  private final Sizings sizings;
  private final Pairs pairs;
  private final Rankings rankings;
  private final Access access;

  SizingController(Sizings sizings, Pairs pairs, Rankings rankings, Access access) {
    this.sizings = sizings;
    this.pairs = pairs;
    this.rankings = rankings;
    this.access = access;
  }

  @PostMapping("/houses/{houseId}/sizing")
  @ResponseStatus(HttpStatus.ACCEPTED)
  SizingView start(
      @PathVariable UUID holdingId, @PathVariable UUID houseId, @RequestBody SizingQuestion q) {
    access.require(holdingId, Role.GUEST);
    return sizings.start(holdingId, houseId, q);
  }

  @GetMapping("/sizing/{id}")
  SizingView view(@PathVariable UUID holdingId, @PathVariable UUID id) {
    access.require(holdingId, Role.GUEST);
    return sizings.view(holdingId, id);
  }

  @DeleteMapping("/sizing/{id}")
  SizingView stop(@PathVariable UUID holdingId, @PathVariable UUID id) {
    access.require(holdingId, Role.GUEST);
    return sizings.stop(holdingId, id);
  }

  @PostMapping("/houses/{houseId}/sizing/curve")
  CurveView curve(
      @PathVariable UUID holdingId, @PathVariable UUID houseId, @RequestBody CurveQuestion q) {
    access.require(holdingId, Role.GUEST);
    return sizings.curve(holdingId, houseId, q);
  }

  @PostMapping("/houses/{houseId}/pairs")
  PairView pair(
      @PathVariable UUID holdingId, @PathVariable UUID houseId, @RequestBody PairQuestion q) {
    access.require(holdingId, Role.GUEST);
    return pairs.ask(holdingId, houseId, q);
  }

  @PostMapping("/houses/{houseId}/ranking")
  @ResponseStatus(HttpStatus.ACCEPTED)
  RankingView rank(
      @PathVariable UUID holdingId, @PathVariable UUID houseId, @RequestBody RankingQuestion q) {
    access.require(holdingId, Role.GUEST);
    return rankings.start(holdingId, houseId, q);
  }

  @GetMapping("/ranking/{id}")
  RankingView ranking(@PathVariable UUID holdingId, @PathVariable UUID id) {
    access.require(holdingId, Role.GUEST);
    return rankings.view(holdingId, id);
  }

  @DeleteMapping("/ranking/{id}")
  RankingView stopRanking(@PathVariable UUID holdingId, @PathVariable UUID id) {
    access.require(holdingId, Role.GUEST);
    return rankings.stop(holdingId, id);
  }
}
