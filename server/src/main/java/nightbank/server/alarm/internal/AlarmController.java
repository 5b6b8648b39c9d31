package nightbank.server.alarm.internal;

import java.util.List;
import java.util.UUID;
import nightbank.server.account.Access;
import nightbank.server.account.Role;
import nightbank.server.alarm.AlarmBook;
import nightbank.server.alarm.AlarmView;
import nightbank.server.alarm.Alarms;
import nightbank.server.shared.Versions;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RestController;

/** Alarms over HTTP. */
@RestController
class AlarmController {
  private final Alarms alarms;
  private final Access access;

  AlarmController(Alarms alarms, Access access) {
    this.alarms = alarms;
    this.access = access;
  }

  @GetMapping("/api/holdings/{holdingId}/alarms")
  List<AlarmView> all(@PathVariable UUID holdingId) {
    access.require(holdingId, Role.GUEST);
    return alarms.all(holdingId);
  }

  @PostMapping("/api/holdings/{holdingId}/alarms/{alarmId}/seen")
  AlarmView seen(@PathVariable UUID holdingId, @PathVariable UUID alarmId) {
    access.require(holdingId, Role.HELPER);
    return alarms.seen(holdingId, alarmId, access.signedIn().orElseThrow().login());
  }

  /** What did not go out. */
  @GetMapping("/api/holdings/{holdingId}/alarms/failed")
  List<AlarmRepository.Failed> failed(@PathVariable UUID holdingId) {
    access.require(holdingId, Role.KEEPER);
    return alarms.failed(holdingId);
  }

  @GetMapping("/api/holdings/{holdingId}/alarm-book")
  ResponseEntity<Alarms.BookOfAlarms> book(@PathVariable UUID holdingId) {
    access.require(holdingId, Role.KEEPER);
    Alarms.BookOfAlarms book = alarms.book(holdingId);
    return Versions.tagged(book.version(), book);
  }

  @PutMapping("/api/holdings/{holdingId}/alarm-book")
  ResponseEntity<Alarms.BookOfAlarms> change(
      @PathVariable UUID holdingId,
      @RequestHeader("If-Match") String ifMatch,
      @RequestBody AlarmBook book) {
    access.require(holdingId, Role.KEEPER);
    Alarms.BookOfAlarms kept = alarms.change(holdingId, book, Versions.of(ifMatch));
    return Versions.tagged(kept.version(), kept);
  }

  /** For whoever has a message: of use for this and nothing else. */
  record Seen(String code) {}

  @PostMapping("/api/alarms/seen")
  AlarmView seen(@RequestBody Seen seen) {
    return alarms.seenBy(seen.code());
  }
}
