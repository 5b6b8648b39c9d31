package nightbank.server.log.internal;

import jakarta.servlet.http.HttpSession;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import nightbank.server.account.Access;
import nightbank.server.account.Role;
import nightbank.server.log.EventLog;
import nightbank.server.log.EventView;
import nightbank.server.log.LiveReadings;
import nightbank.server.log.Notes;
import nightbank.server.log.NotesView;
import nightbank.server.log.Readings;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** The log over HTTP. */
@RestController
@RequestMapping("/api/holdings/{holdingId}")
class LogController {
  private final Readings readings;
  private final Notes notes;
  private final EventLog events;
  private final LiveReadings live;
  private final Access access;

  LogController(Readings readings, Notes notes, EventLog events, LiveReadings live, Access access) {
    this.readings = readings;
    this.notes = notes;
    this.events = events;
    this.live = live;
    this.access = access;
  }

  @GetMapping(path = "/live", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
  SseEmitter live(@PathVariable UUID holdingId, HttpSession session) {
    access.require(holdingId, Role.GUEST);
    return live.open(holdingId, access.signedIn().orElseThrow().personId(), session.getId());
  }

  record Typed(List<Readings.TypedReading> readings, boolean fahrenheit) {}

  @PostMapping("/readings")
  Readings.Logged log(@PathVariable UUID holdingId, @RequestBody Typed typed) {
    access.require(holdingId, Role.HELPER);
    return readings.log(holdingId, typed.readings(), typed.fahrenheit());
  }

  @GetMapping("/stores/{storeId}/notebook")
  Readings.Notebook notebook(
      @PathVariable UUID holdingId, @PathVariable UUID storeId, @RequestParam Instant before) {
    access.require(holdingId, Role.GUEST);
    return readings.notebook(holdingId, storeId, before);
  }

  @PostMapping("/stores/{storeId}/notes")
  NotesView understood(
      @PathVariable UUID holdingId, @PathVariable UUID storeId, @RequestBody Notes.Written w) {
    access.require(holdingId, Role.HELPER);
    return notes.understood(holdingId, storeId, w);
  }

  /** What was read of thermometers in houses and outdoors. */
  @GetMapping("/notebook")
  Readings.Notebook notebook(@PathVariable UUID holdingId, @RequestParam Instant before) {
    access.require(holdingId, Role.GUEST);
    return readings.notebook(holdingId, null, before);
  }

  @PostMapping("/notes")
  NotesView understood(@PathVariable UUID holdingId, @RequestBody Notes.Written w) {
    access.require(holdingId, Role.HELPER);
    return notes.understood(holdingId, w);
  }

  /** A reading put right: all of it as it should be. */
  record Corrected(UUID probeId, Instant at, String typed, boolean fahrenheit) {}

  @PutMapping("/probes/{probeId}/readings/{at}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void change(
      @PathVariable UUID holdingId,
      @PathVariable UUID probeId,
      @PathVariable Instant at,
      @RequestBody Corrected c) {
    access.require(holdingId, Role.HELPER);
    readings.change(
        holdingId,
        new Readings.Key(probeId, at),
        new Readings.TypedReading(c.probeId(), c.at(), c.typed()),
        c.fahrenheit());
  }

  @DeleteMapping("/probes/{probeId}/readings/{at}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void remove(@PathVariable UUID holdingId, @PathVariable UUID probeId, @PathVariable Instant at) {
    access.require(holdingId, Role.HELPER);
    readings.remove(holdingId, new Readings.Key(probeId, at));
  }

  @GetMapping("/events")
  List<EventView> events(
      @PathVariable UUID holdingId, @RequestParam Instant from, @RequestParam Instant to) {
    access.require(holdingId, Role.GUEST);
    return events.between(holdingId, from, to);
  }

  @PostMapping("/events")
  EventView add(@PathVariable UUID holdingId, @RequestBody EventView event) {
    access.require(holdingId, Role.HELPER);
    return events.add(holdingId, event);
  }

  @PutMapping("/events/{eventId}")
  EventView change(
      @PathVariable UUID holdingId, @PathVariable UUID eventId, @RequestBody EventView event) {
    access.require(holdingId, Role.HELPER);
    return events.change(holdingId, eventId, event);
  }

  @DeleteMapping("/events/{eventId}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void remove(@PathVariable UUID holdingId, @PathVariable UUID eventId) {
    access.require(holdingId, Role.HELPER);
    events.remove(holdingId, eventId);
  }
}
