package nightbank.server.plant;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import nightbank.server.account.Access;
import nightbank.server.account.Role;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Sources, circuits and heat pumps over HTTP. */
@RestController
class PlantController {
  private final Charges charges;
  private final Heaps heaps;
  private final HeapWinters winters;
  private final Access access;

  PlantController(Charges charges, Heaps heaps, HeapWinters winters, Access access) {
    this.charges = charges;
    this.heaps = heaps;
    this.winters = winters;
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

  @GetMapping("/api/holdings/{holdingId}/houses/{houseId}/heaps")
  List<HeapWinterView> winter(
      @PathVariable UUID holdingId,
      @PathVariable UUID houseId,
      @RequestParam LocalDate from,
      @RequestParam LocalDate to) {
    access.require(holdingId, Role.GUEST);
    return winters.of(holdingId, houseId, from, to);
  }
}
