package nightbank.server.broker.internal;

import java.util.UUID;
import nightbank.server.account.Access;
import nightbank.server.account.Role;
import nightbank.server.broker.Broker;
import nightbank.server.broker.BrokerView;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** The broker over HTTP. */
@RestController
class BrokerController {
  private final Broker broker;
  private final Access access;

  BrokerController(Broker broker, Access access) {
    this.broker = broker;
    this.access = access;
  }

  /**
   * What a keeper ties.
   *
   * @param probeId absent to untie it
   */
  record ChannelTie(String channel, @Nullable UUID probeId) {}

  @GetMapping("/api/holdings/{holdingId}/broker")
  BrokerView view(@PathVariable UUID holdingId) {
    access.require(holdingId, Role.GUEST);
    return broker.view(holdingId);
  }

  @PutMapping("/api/holdings/{holdingId}/broker/channel")
  BrokerView tie(@PathVariable UUID holdingId, @RequestBody ChannelTie tie) {
    access.require(holdingId, Role.KEEPER);
    return broker.tie(holdingId, tie.channel(), tie.probeId());
  }
}
