package nightbank.server.holding.internal;

import java.util.List;
import java.util.UUID;
import nightbank.server.account.Access;
import nightbank.server.account.Role;
import nightbank.server.account.SetupCode;
import nightbank.server.holding.FirstKeeper;
import nightbank.server.holding.HoldingView;
import nightbank.server.holding.Holdings;
import nightbank.server.holding.MemberView;
import nightbank.server.holding.Members;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Places over HTTP, and the first start of all. */
@RestController
class HoldingController {
  private final Holdings holdings;
  private final Members members;
  private final FirstKeeper first;
  private final SetupCode setup;
  private final Access access;

  HoldingController(
      Holdings holdings, Members members, FirstKeeper first, SetupCode setup, Access access) {
    this.holdings = holdings;
    this.members = members;
    this.first = first;
    this.setup = setup;
    this.access = access;
  }

  record Begin(
      String code, String login, String name, String password, Holdings.HoldingDraft holding) {}

  record NewMember(String login, String name, String password, Role role) {}

  /** The first keeper and holding; closed for ever once there is one. */
  @PostMapping("/api/setup")
  HoldingView begin(@RequestBody Begin body) {
    first.refuseIfBegun();
    setup.require(body.code());
    HoldingView begun = first.begin(body.login(), body.name(), body.password(), body.holding());
    setup.forget();
    return begun;
  }

  @PostMapping("/api/holdings")
  HoldingView create(@RequestBody Holdings.HoldingDraft draft) {
    return holdings.create(access.signedIn().orElseThrow().personId(), draft);
  }

  @GetMapping("/api/holdings/{holdingId}")
  HoldingView get(@PathVariable UUID holdingId) {
    access.require(holdingId, Role.GUEST);
    return holdings.get(holdingId);
  }

  @PutMapping("/api/holdings/{holdingId}")
  HoldingView change(@PathVariable UUID holdingId, @RequestBody Holdings.HoldingDraft draft) {
    access.require(holdingId, Role.KEEPER);
    return holdings.change(holdingId, draft);
  }

  @GetMapping("/api/holdings/{holdingId}/people")
  List<MemberView> members(@PathVariable UUID holdingId) {
    access.require(holdingId, Role.GUEST);
    return members.all(holdingId);
  }

  record NewRole(@Nullable Role role) {}

  @PutMapping("/api/holdings/{holdingId}/people/{personId}")
  List<MemberView> change(
      @PathVariable UUID holdingId, @PathVariable UUID personId, @RequestBody NewRole body) {
    access.require(holdingId, Role.KEEPER);
    return members.change(holdingId, personId, body.role());
  }

  @DeleteMapping("/api/holdings/{holdingId}/people/{personId}")
  List<MemberView> remove(@PathVariable UUID holdingId, @PathVariable UUID personId) {
    access.require(holdingId, Role.KEEPER);
    return members.remove(holdingId, personId);
  }

  @PostMapping("/api/holdings/{holdingId}/people")
  List<MemberView> add(@PathVariable UUID holdingId, @RequestBody NewMember body) {
    access.require(holdingId, Role.KEEPER);
    return members.add(
        holdingId,
        body.login(),
        body.name(),
        body.password(),
        body.role() == null ? Role.GUEST : body.role());
  }
}
