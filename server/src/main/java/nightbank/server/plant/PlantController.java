package nightbank.server.plant;

import java.util.UUID;
import nightbank.server.account.Access;
import nightbank.server.account.Role;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Sources, circuits and heat pumps over HTTP. */
@RestController
class PlantController {
  private final Charges charges;
  private final Heaps heaps;
  private final Access access;

  PlantController(Charges charges, Heaps heaps, Access access) {
    this.charges = charges;
    this.heaps = heaps;
    this.access = access;
  }

  /** What charging a design would do; nothing is kept. */
  @PostMapping("/api/holdings/{holdingId}/charge")
  ChargeView charge(@PathVariable UUID holdingId, @RequestBody ChargeQuestion question) {
    access.require(holdingId, Role.GUEST);
    return charges.charge(holdingId, question);
  }

  /** What a heap's mixture is worth; nothing is kept. */
  @PostMapping("/api/holdings/{holdingId}/heap")
  HeapView heap(@PathVariable UUID holdingId, @RequestBody HeapQuestion question) {
    access.require(holdingId, Role.GUEST);
    return heaps.heap(holdingId, question);
  }
}
