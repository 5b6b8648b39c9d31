package nightbank.server.export.internal;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Instant;
import java.util.UUID;
import nightbank.server.account.Access;
import nightbank.server.account.Role;
import nightbank.server.account.SignedIn;
import nightbank.server.export.HandedTable;
import nightbank.server.export.HoldingExport;
import nightbank.server.export.HoldingImport;
import nightbank.server.export.NightCalendar;
import nightbank.server.export.SenMlOut;
import nightbank.server.night.TonightQuestion;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Open formats over HTTP: tables, readings, calendars, whole holdings. */
@RestController
class HandoutController {
  private static final String XLSX =
      "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet";

  private final HoldingExport export;
  private final HoldingImport brought;
  private final SenMlOut senMl;
  private final NightCalendar calendar;
  private final Spool spool;
  private final Access access;

  HandoutController(
      HoldingExport export,
      HoldingImport brought,
      SenMlOut senMl,
      NightCalendar calendar,
      Spool spool,
      Access access) {
    this.export = export;
    this.brought = brought;
    this.senMl = senMl;
    this.calendar = calendar;
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

  @GetMapping(path = "/api/holdings/{holdingId}/file", produces = MediaType.APPLICATION_JSON_VALUE)
  void holding(
      @PathVariable UUID holdingId, HttpServletRequest request, HttpServletResponse response)
      throws IOException {
    access.require(holdingId, Role.KEEPER);
    spool.hand(
        MediaType.APPLICATION_JSON_VALUE,
        "holding.json",
        out -> export.write(holdingId, out),
        request,
        response);
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
