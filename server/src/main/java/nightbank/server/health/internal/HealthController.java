package nightbank.server.health.internal;

import java.util.List;
import java.util.UUID;
import nightbank.server.account.Access;
import nightbank.server.account.Role;
import nightbank.server.health.Health;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** Whether all is well, over HTTP. */
@RestController
class HealthController {
  private final Health health;
  private final Access access;

  HealthController(Health health, Access access) {
    this.health = health;
    this.access = access;
  }

  @GetMapping("/api/holdings/{holdingId}/health")
  List<Health.HealthItem> health(@PathVariable UUID holdingId) {
    access.require(holdingId, Role.HELPER);
    return health.of(holdingId);
  }
}
