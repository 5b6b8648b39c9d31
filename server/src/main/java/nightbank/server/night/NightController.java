package nightbank.server.night;

import java.util.UUID;
import nightbank.server.account.Access;
import nightbank.server.account.Role;
import nightbank.server.shared.ForegroundPriority;
import nightbank.server.shared.Turns;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The coming nights over HTTP. */
@RestController
class NightController {
  private final Tonight tonight;
  private final NightsToCome nights;
  private final Noticing noticing;
  private final ForegroundPriority priority;
  private final Turns turns;
  private final Access access;

  NightController(
      Tonight tonight,
      NightsToCome nights,
      Noticing noticing,
      ForegroundPriority priority,
      Access access,
      Turns turns) {
    this.tonight = tonight;
    this.nights = nights;
    this.noticing = noticing;
    this.priority = priority;
    this.turns = turns;
    this.access = access;
  }

  /** What was last said with nothing typed; nothing where nothing was. */
  @GetMapping("/api/holdings/{holdingId}/houses/{houseId}/tonight")
  ResponseEntity<Tonight.Known> known(@PathVariable UUID holdingId, @PathVariable UUID houseId) {
    access.require(holdingId, Role.GUEST);
    return tonight
        .known(holdingId, houseId)
        .map(ResponseEntity::ok)
        .orElse(ResponseEntity.noContent().build());
  }

  @PostMapping("/api/holdings/{holdingId}/houses/{houseId}/tonight")
  TonightView ask(
      @PathVariable UUID holdingId,
      @PathVariable UUID houseId,
      @RequestHeader(name = "Nightbank-Line", defaultValue = "") String line,
      @RequestBody TonightQuestion question) {
    access.require(holdingId, Role.GUEST);
    UUID person = person();
    nights.stop(person);
    return turns.take(
        person, line, () -> priority.first(() -> tonight.ask(holdingId, houseId, question)));
  }

  @PostMapping("/api/holdings/{holdingId}/houses/{houseId}/nights-ahead")
  NightsView ahead(
      @PathVariable UUID holdingId,
      @PathVariable UUID houseId,
      @RequestBody TonightQuestion question) {
    access.require(holdingId, Role.GUEST);
    UUID person = person();
    return turns.take(
        person, () -> priority.first(() -> nights.ask(person, holdingId, houseId, question)));
  }

  @GetMapping("/api/holdings/{holdingId}/houses/{houseId}/noticed")
  NoticedView noticed(@PathVariable UUID holdingId, @PathVariable UUID houseId) {
    access.require(holdingId, Role.GUEST);
    UUID person = person();
    return turns.take(person, () -> noticing.of(holdingId, houseId, person));
  }

  /** So that it is not said again to who asks this. */
  @PostMapping("/api/holdings/{holdingId}/put-away")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void putAway(@PathVariable UUID holdingId, @RequestBody Noticing.PutAway what) {
    access.require(holdingId, Role.HELPER);
    noticing.putAway(holdingId, person(), what);
  }

  /** All that was put away is said again. */
  @DeleteMapping("/api/holdings/{holdingId}/put-away")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void sayAgain(@PathVariable UUID holdingId) {
    access.require(holdingId, Role.HELPER);
    noticing.sayAgain(holdingId, person());
  }

  private UUID person() {
    return access.signedIn().orElseThrow().personId();
  }
}
