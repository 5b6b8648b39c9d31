package nightbank.server.house.internal;

import java.util.List;
import java.util.UUID;
import nightbank.server.account.Access;
import nightbank.server.account.Role;
import nightbank.server.house.HouseDesign;
import nightbank.server.house.HouseView;
import nightbank.server.house.Houses;
import nightbank.server.shared.Versions;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Houses over HTTP. */
@RestController
@RequestMapping("/api/holdings/{holdingId}/houses")
class HouseController {
  private final Houses houses;
  private final Access access;

  HouseController(Houses houses, Access access) {
    this.houses = houses;
    this.access = access;
  }

  @GetMapping
  List<HouseView> all(@PathVariable UUID holdingId) {
    access.require(holdingId, Role.GUEST);
    return houses.all(holdingId);
  }

  @PostMapping
  ResponseEntity<HouseView> create(
      @PathVariable UUID holdingId, @RequestBody Houses.HouseDraft draft) {
    access.require(holdingId, Role.KEEPER);
    HouseView made = houses.create(holdingId, draft);
    return Versions.tagged(made.version(), made);
  }

  @PostMapping("/shaped")
  HouseDesign shaped(@PathVariable UUID holdingId, @RequestBody Houses.Answers answers) {
    access.require(holdingId, Role.GUEST);
    return houses.shaped(answers);
  }

  @GetMapping("/{houseId}")
  ResponseEntity<HouseView> get(@PathVariable UUID holdingId, @PathVariable UUID houseId) {
    access.require(holdingId, Role.GUEST);
    HouseView house = houses.get(holdingId, houseId);
    return Versions.tagged(house.version(), house);
  }

  @PutMapping("/{houseId}")
  ResponseEntity<HouseView> change(
      @PathVariable UUID holdingId,
      @PathVariable UUID houseId,
      @RequestHeader("If-Match") String ifMatch,
      @RequestBody Houses.HouseDraft draft) {
    access.require(holdingId, Role.KEEPER);
    HouseView changed = houses.change(holdingId, houseId, draft, Versions.of(ifMatch));
    return Versions.tagged(changed.version(), changed);
  }

  @DeleteMapping("/{houseId}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void remove(@PathVariable UUID holdingId, @PathVariable UUID houseId) {
    access.require(holdingId, Role.KEEPER);
    houses.remove(holdingId, houseId);
  }
}
