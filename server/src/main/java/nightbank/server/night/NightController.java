package nightbank.server.night;

import java.util.UUID;
import nightbank.server.account.Access;
import nightbank.server.account.Role;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** The coming night over HTTP. */
@RestController
class NightController {
  private final Tonight tonight;
  private final Access access;

  NightController(Tonight tonight, Access access) {
    this.tonight = tonight;
    this.access = access;
  }

  @PostMapping("/api/holdings/{holdingId}/houses/{houseId}/tonight")
  TonightView ask(
      @PathVariable UUID holdingId,
      @PathVariable UUID houseId,
      @RequestBody TonightQuestion question) {
    access.require(holdingId, Role.GUEST);
    return tonight.ask(holdingId, houseId, question);
  }
}
