package nightbank.server.part.internal;

import java.util.List;
import java.util.UUID;
import nightbank.server.account.Access;
import nightbank.server.account.Role;
import nightbank.server.part.PartView;
import nightbank.server.part.Parts;
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
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Sources, circuits and heat pumps over HTTP. */
@RestController
class PartController {
  private final Parts parts;
  private final Access access;

  PartController(Parts parts, Access access) {
    this.parts = parts;
    this.access = access;
  }

  @GetMapping("/api/holdings/{holdingId}/parts")
  List<PartView> all(@PathVariable UUID holdingId) {
    access.require(holdingId, Role.GUEST);
    return parts.all(holdingId);
  }

  @PostMapping("/api/holdings/{holdingId}/parts")
  ResponseEntity<PartView> create(
      @PathVariable UUID holdingId, @RequestBody Parts.PartDraft draft) {
    access.require(holdingId, Role.KEEPER);
    PartView made = parts.create(holdingId, draft);
    return Versions.tagged(made.version(), made);
  }

  @PutMapping("/api/holdings/{holdingId}/parts/{partId}")
  ResponseEntity<PartView> change(
      @PathVariable UUID holdingId,
      @PathVariable UUID partId,
      @RequestHeader("If-Match") String ifMatch,
      @RequestBody Parts.PartDraft draft) {
    access.require(holdingId, Role.KEEPER);
    PartView changed = parts.change(holdingId, partId, draft, Versions.of(ifMatch));
    return Versions.tagged(changed.version(), changed);
  }

  @DeleteMapping("/api/holdings/{holdingId}/parts/{partId}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void remove(@PathVariable UUID holdingId, @PathVariable UUID partId) {
    access.require(holdingId, Role.KEEPER);
    parts.remove(holdingId, partId);
  }
}
