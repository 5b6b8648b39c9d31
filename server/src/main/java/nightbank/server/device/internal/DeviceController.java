package nightbank.server.device.internal;

import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import java.util.UUID;
import nightbank.server.account.Access;
import nightbank.server.account.Role;
import nightbank.server.device.DeviceReceipt;
import nightbank.server.device.DeviceView;
import nightbank.server.device.Devices;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RestController;

/** Loggers over HTTP: their keeping by people, and their packs. */
@RestController
class DeviceController {
  private final Devices devices;
  private final Access access;

  DeviceController(Devices devices, Access access) {
    this.devices = devices;
    this.access = access;
  }

  @GetMapping("/api/holdings/{holdingId}/devices")
  List<DeviceView> all(@PathVariable UUID holdingId) {
    access.require(holdingId, Role.GUEST);
    return devices.all(holdingId);
  }

  @PostMapping("/api/holdings/{holdingId}/devices")
  DeviceView create(@PathVariable UUID holdingId, @RequestBody Devices.DeviceDraft draft) {
    access.require(holdingId, Role.KEEPER);
    return devices.create(holdingId, draft);
  }

  @PutMapping("/api/holdings/{holdingId}/devices/{deviceId}")
  DeviceView change(
      @PathVariable UUID holdingId,
      @PathVariable UUID deviceId,
      @RequestBody Devices.DeviceDraft draft) {
    access.require(holdingId, Role.KEEPER);
    return devices.change(holdingId, deviceId, draft);
  }

  @DeleteMapping("/api/holdings/{holdingId}/devices/{deviceId}")
  DeviceView revoke(@PathVariable UUID holdingId, @PathVariable UUID deviceId) {
    access.require(holdingId, Role.KEEPER);
    return devices.revoke(holdingId, deviceId);
  }

  /** A pack of SenML from a logger that shows its token. */
  @PostMapping(
      value = "/api/devices/readings",
      consumes = {"application/senml+json", "application/json"})
  DeviceReceipt receive(
      @RequestHeader(value = "Authorization", required = false) String authorization,
      InputStream body)
      throws IOException {
    return devices.receive(authorization, body.readAllBytes());
  }
}
