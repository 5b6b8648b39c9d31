package nightbank.server.export.internal;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.InputStream;
import java.time.Instant;
import java.util.UUID;
import nightbank.server.account.Access;
import nightbank.server.account.Role;
import nightbank.server.account.SignedIn;
import nightbank.server.export.HandedTable;
import nightbank.server.export.HandoutView;
import nightbank.server.export.Handouts;
import nightbank.server.export.HoldingImport;
import nightbank.server.export.NightCalendar;
import nightbank.server.export.SenMlOut;
import nightbank.server.export.UpkeepCalendar;
import nightbank.server.night.TonightQuestion;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Open formats over HTTP: tables, readings, calendars, whole holdings. */
@RestController
class HandoutController {
  private static final String XLSX =
      "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet";

  private final Handouts handouts;
  private final HoldingImport brought;
  private final SenMlOut senMl;
  private final NightCalendar calendar;
  private final UpkeepCalendar upkeep;
  private final Spool spool;
  private final Access access;

  HandoutController(
      Handouts handouts,
      HoldingImport brought,
      SenMlOut senMl,
      NightCalendar calendar,
      UpkeepCalendar upkeep,
      Spool spool,
      Access access) {
    this.handouts = handouts;
    this.brought = brought;
    this.senMl = senMl;
    this.calendar = calendar;
    this.upkeep = upkeep;
    this.spool = spool;
    this.access = access;
  }

  @PostMapping(path = "/api/tables/csv", produces = "text/csv")
  ResponseEntity<byte[]> csv(@RequestBody HandedTable table) {
    return file("text/csv;charset=utf-8", table.name() + ".csv").body(table.csv());
  }

  @PostMapping(path = "/api/tables/xlsx", produces = XLSX)
  ResponseEntity<byte[]> xlsx(@RequestBody HandedTable table) {
    return file(XLSX, table.name() + ".xlsx").body(table.xlsx());
  }

  @GetMapping(
      path = "/api/holdings/{holdingId}/stores/{storeId}/readings.senml",
      produces = "application/senml+json")
  void readings(
      @PathVariable UUID holdingId,
      @PathVariable UUID storeId,
      @RequestParam Instant from,
      @RequestParam Instant to,
      HttpServletRequest request,
      HttpServletResponse response)
      throws IOException {
    access.require(holdingId, Role.GUEST);
    senMl.check(holdingId, storeId, from, to);
    spool.hand(
        "application/senml+json",
        "readings.senml",
        out -> senMl.write(holdingId, storeId, from, to, out),
        request,
        response);
  }

  @PostMapping(
      path = "/api/holdings/{holdingId}/houses/{houseId}/tonight/calendar",
      produces = "text/calendar")
  ResponseEntity<String> calendar(
      @PathVariable UUID holdingId,
      @PathVariable UUID houseId,
      @RequestBody TonightQuestion question) {
    access.require(holdingId, Role.GUEST);
    return file("text/calendar;charset=utf-8", "tonight.ics")
        .body(calendar.of(holdingId, houseId, question));
  }

  /** What comes round, as a calendar. */
  @GetMapping(path = "/api/holdings/{holdingId}/upkeep/calendar", produces = "text/calendar")
  ResponseEntity<String> upkeep(@PathVariable UUID holdingId) {
    access.require(holdingId, Role.GUEST);
    return file("text/calendar;charset=utf-8", "upkeep.ics").body(upkeep.of(holdingId));
  }

  @PostMapping("/api/holdings/{holdingId}/file")
  @ResponseStatus(HttpStatus.ACCEPTED)
  HandoutView start(@PathVariable UUID holdingId) {
    access.require(holdingId, Role.KEEPER);
    return handouts.start(holdingId);
  }

  @GetMapping("/api/holdings/{holdingId}/file/{id}")
  HandoutView far(@PathVariable UUID holdingId, @PathVariable UUID id) {
    access.require(holdingId, Role.KEEPER);
    return handouts.view(holdingId, id);
  }

  @DeleteMapping("/api/holdings/{holdingId}/file/{id}")
  HandoutView stop(@PathVariable UUID holdingId, @PathVariable UUID id) {
    access.require(holdingId, Role.KEEPER);
    return handouts.stop(holdingId, id);
  }

  @GetMapping(
      path = "/api/holdings/{holdingId}/file/{id}/content",
      produces = MediaType.APPLICATION_JSON_VALUE)
  void holding(
      @PathVariable UUID holdingId,
      @PathVariable UUID id,
      HttpServletRequest request,
      HttpServletResponse response)
      throws IOException {
    access.require(holdingId, Role.KEEPER);
    try (InputStream in = handouts.open(holdingId, id)) {
      spool.hand(
          MediaType.APPLICATION_JSON_VALUE, "holding.json", in::transferTo, request, response);
    }
  }

  @PostMapping(path = "/api/holdings/file", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  HoldingImport.Brought bring(@RequestPart("file") MultipartFile file) throws IOException {
    SignedIn person = access.signedIn().orElseThrow();
    return brought.read(person.personId(), file.getInputStream());
  }

  private static ResponseEntity.BodyBuilder file(String type, String name) {
    return ResponseEntity.ok()
        .header(HttpHeaders.CONTENT_TYPE, type)
        .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"");
  }
}
