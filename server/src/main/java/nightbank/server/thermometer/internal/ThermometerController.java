package nightbank.server.thermometer.internal;

import java.util.List;
import java.util.UUID;
import nightbank.server.account.Access;
import nightbank.server.account.Role;
import nightbank.server.thermometer.ThermometerView;
import nightbank.server.thermometer.Thermometers;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Thermometers of houses and holdings over HTTP. */
@RestController
@RequestMapping("/api/holdings/{holdingId}/thermometers")
class ThermometerController {
  private final Thermometers thermometers;
  private final Access access;

  ThermometerController(Thermometers thermometers, Access access) {
    this.thermometers = thermometers;
    this.access = access;
  }

  @GetMapping
  List<ThermometerView> all(@PathVariable UUID holdingId) {
    access.require(holdingId, Role.GUEST);
    return thermometers.all(holdingId);
  }

  @PutMapping("/{thermometerId}")
  ThermometerView save(
      @PathVariable UUID holdingId,
      @PathVariable UUID thermometerId,
      @RequestBody Thermometers.Draft draft) {
    access.require(holdingId, Role.KEEPER);
    return thermometers.save(holdingId, thermometerId, draft);
  }

  @DeleteMapping("/{thermometerId}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void remove(@PathVariable UUID holdingId, @PathVariable UUID thermometerId) {
    access.require(holdingId, Role.KEEPER);
    thermometers.remove(holdingId, thermometerId);
  }
}
