package nightbank.server.night;

import java.util.UUID;
import nightbank.server.account.Access;
import nightbank.server.account.Role;
import nightbank.server.shared.Courtesy;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** The coming nights over HTTP. */
@RestController
class NightController {
  private final Tonight tonight;
  private final NightsToCome nights;
  private final Courtesy courtesy;
  private final Access access;

  NightController(Tonight tonight, NightsToCome nights, Courtesy courtesy, Access access) {
    this.tonight = tonight;
    this.nights = nights;
    this.courtesy = courtesy;
    this.access = access;
  }

  @PostMapping("/api/holdings/{holdingId}/houses/{houseId}/tonight")
  TonightView ask(
      @PathVariable UUID holdingId,
      @PathVariable UUID houseId,
      @RequestBody TonightQuestion question) {
    access.require(holdingId, Role.GUEST);
    nights.stop(person());
    return courtesy.first(() -> tonight.ask(holdingId, houseId, question));
  }

  @PostMapping("/api/holdings/{holdingId}/houses/{houseId}/nights-ahead")
  NightsView ahead(
      @PathVariable UUID holdingId,
      @PathVariable UUID houseId,
      @RequestBody TonightQuestion question) {
    access.require(holdingId, Role.GUEST);
    UUID person = person();
    return courtesy.first(() -> nights.ask(person, holdingId, houseId, question));
  }

  private UUID person() {
    return access.signedIn().orElseThrow().personId();
  }
}
