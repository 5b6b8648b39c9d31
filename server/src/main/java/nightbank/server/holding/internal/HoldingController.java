package nightbank.server.holding.internal;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.UUID;
import nightbank.server.account.Access;
import nightbank.server.account.OneTimeCodes;
import nightbank.server.account.Role;
import nightbank.server.account.SetupCode;
import nightbank.server.account.SharedLinks;
import nightbank.server.account.SignedIn;
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
  private final OneTimeCodes codes;
  private final SharedLinks links;
  private final Access access;

  HoldingController(
      Holdings holdings,
      Members members,
      FirstKeeper first,
      SetupCode setup,
      OneTimeCodes codes,
      SharedLinks links,
      Access access) {
    this.holdings = holdings;
    this.members = members;
    this.first = first;
    this.setup = setup;
    this.codes = codes;
    this.links = links;
    this.access = access;
  }

  record Begin(
      String code, String login, String name, String password, Holdings.HoldingDraft holding) {}

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
    return holdings.create(withAccount(), draft);
  }

  private UUID withAccount() {
    SignedIn who = access.signedIn().orElseThrow();
    links.requireAccount(who);
    return who.personId();
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

  record Invite(@Nullable Role role) {}

  /** A code to hand to somebody: told once, of use once. */
  @PostMapping("/api/holdings/{holdingId}/invitations")
  OneTimeCodes.CodeView invite(@PathVariable UUID holdingId, @RequestBody Invite body) {
    access.require(holdingId, Role.KEEPER);
    return members.invite(holdingId, body.role());
  }

  @PostMapping("/api/holdings/{holdingId}/people/{personId}/code")
  OneTimeCodes.CodeView forNewPassword(@PathVariable UUID holdingId, @PathVariable UUID personId) {
    access.require(holdingId, Role.KEEPER);
    UUID keeper = access.signedIn().orElseThrow().personId();
    return members.forNewPassword(holdingId, personId, keeper);
  }

  record CameIn(UUID holdingId) {}

  record ByCode(String code) {}

  /** Comes into another holding with the account one has. */
  @PostMapping("/api/me/holdings")
  CameIn join(@RequestBody ByCode body, HttpServletRequest request) {
    codes.spendTry(request.getRemoteAddr());
    return new CameIn(members.join(body.code(), withAccount()));
  }

  record NewPerson(String code, String login, String name, String password) {}

  /** Comes in with an invitation and no account yet. */
  @PostMapping("/api/people")
  CameIn joinAnew(@RequestBody NewPerson body, HttpServletRequest request) {
    codes.spendTry(request.getRemoteAddr());
    return new CameIn(members.joinAnew(body.code(), body.login(), body.name(), body.password()));
  }

  /**
   * A link to make.
   *
   * @param view path of a view within the holding
   */
  record LinkDraft(String view, int days) {}

  @GetMapping("/api/holdings/{holdingId}/links")
  List<SharedLinks.LinkView> links(@PathVariable UUID holdingId) {
    access.require(holdingId, Role.KEEPER);
    return links.all(holdingId);
  }

  /** A link by which whoever has it reads the holding as a guest. */
  @PostMapping("/api/holdings/{holdingId}/links")
  SharedLinks.LinkView link(@PathVariable UUID holdingId, @RequestBody LinkDraft body) {
    access.require(holdingId, Role.KEEPER);
    return links.make(holdingId, body.view(), body.days());
  }

  @DeleteMapping("/api/holdings/{holdingId}/links/{linkId}")
  List<SharedLinks.LinkView> takeBack(@PathVariable UUID holdingId, @PathVariable UUID linkId) {
    access.require(holdingId, Role.KEEPER);
    return links.takeBack(holdingId, linkId);
  }
}
