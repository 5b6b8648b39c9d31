package nightbank.server.history.internal;

import java.time.LocalDate;
import java.util.UUID;
import nightbank.server.account.Access;
import nightbank.server.account.Role;
import nightbank.server.history.HouseLearnedView;
import nightbank.server.history.HouseNights;
import nightbank.server.history.PastNightView;
import nightbank.server.history.PastNights;
import nightbank.server.history.StatementView;
import nightbank.server.history.Statements;
import nightbank.server.shared.ForegroundPriority;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Statements and past nights over HTTP. */
@RestController
@RequestMapping("/api/holdings/{holdingId}")
class RecordController {
  private final Statements statements;
  private final PastNights nights;
  private final HouseNights houseNights;
  private final ForegroundPriority priority;
  private final Access access;

  RecordController(
      Statements statements,
      PastNights nights,
      HouseNights houseNights,
      ForegroundPriority priority,
      Access access) {
    this.statements = statements;
    this.nights = nights;
    this.houseNights = houseNights;
    this.priority = priority;
    this.access = access;
  }

  @GetMapping("/statement")
  StatementView statement(
      @PathVariable UUID holdingId,
      @RequestParam(required = false) UUID store,
      @RequestParam LocalDate from,
      @RequestParam LocalDate to) {
    access.require(holdingId, Role.GUEST);
    return priority.first(() -> statements.of(holdingId, store, from, to));
  }

  @GetMapping("/houses/{houseId}/nights/learned")
  HouseLearnedView learned(
      @PathVariable UUID holdingId,
      @PathVariable UUID houseId,
      @RequestParam LocalDate from,
      @RequestParam LocalDate to) {
    access.require(holdingId, Role.GUEST);
    return priority.first(() -> houseNights.learned(holdingId, houseId, from, to));
  }

  @GetMapping("/houses/{houseId}/nights")
  PastNightView nights(
      @PathVariable UUID holdingId,
      @PathVariable UUID houseId,
      @RequestParam LocalDate from,
      @RequestParam LocalDate to) {
    access.require(holdingId, Role.GUEST);
    return priority.first(() -> nights.of(holdingId, houseId, from, to));
  }
}
