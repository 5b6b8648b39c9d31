package nightbank.server.night;

import java.util.UUID;
import nightbank.server.account.Access;
import nightbank.server.account.Role;
import nightbank.server.shared.ForegroundPriority;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** The coming nights over HTTP. */
@RestController
class NightController {
  private final Tonight tonight;
  private final NightsToCome nights;
  private final ForegroundPriority priority;
  private final Access access;

  NightController(
      Tonight tonight, NightsToCome nights, ForegroundPriority priority, Access access) {
    this.tonight = tonight;
    this.nights = nights;
    this.priority = priority;
    this.access = access;
  }

  @PostMapping("/api/holdings/{holdingId}/houses/{houseId}/tonight")
  TonightView ask(
      @PathVariable UUID holdingId,
      @PathVariable UUID houseId,
      @RequestBody TonightQuestion question) {
    access.require(holdingId, Role.GUEST);
    nights.stop(person());
    return priority.first(() -> tonight.ask(holdingId, houseId, question));
  }

  @PostMapping("/api/holdings/{holdingId}/houses/{houseId}/nights-ahead")
  NightsView ahead(
      @PathVariable UUID holdingId,
      @PathVariable UUID houseId,
      @RequestBody TonightQuestion question) {
    access.require(holdingId, Role.GUEST);
    UUID person = person();
    return priority.first(() -> nights.ask(person, holdingId, houseId, question));
  }

  private UUID person() {
    return access.signedIn().orElseThrow().personId();
  }
}
