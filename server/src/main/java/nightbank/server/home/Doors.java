package nightbank.server.home;

import java.net.Inet4Address;
import java.net.InterfaceAddress;
import java.net.NetworkInterface;
import java.net.SocketException;
import java.util.List;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** The addresses at which people reach the program. */
@Component
public class Doors {
  private final HomeSettings settings;
  private final String given;
  private final String prefix;
  private final String loopback;

  Doors(
      HomeSettings settings,
      @Value("${nightbank.address:}") String given,
      @Value("${server.servlet.context-path:}") String prefix,
      @Value("${server.port}") String port) {
    this.settings = settings;
    this.given = given.replaceAll("/+$", "");
    this.prefix = prefix;
    loopback = "http://127.0.0.1:" + port + prefix;
  }

  /** Those of the home network, none where it listens on loopback only. */
  List<String> home() {
    if (!settings.isOn()) {
      return List.of();
    }
    try {
      return NetworkInterface.networkInterfaces()
          .flatMap(n -> n.getInterfaceAddresses().stream())
          .map(InterfaceAddress::getAddress)
          .filter(a -> a instanceof Inet4Address && !a.isLoopbackAddress())
          .map(a -> "https://" + a.getHostAddress() + ":" + settings.port() + prefix)
          .sorted()
          .toList();
    } catch (SocketException e) {
      return List.of();
    }
  }

  /**
   * The one that is written into messages: as it is set, else the home network's, else loopback.
   */
  public String address() {
    List<String> home = given.isEmpty() ? home() : List.of();
    return given.isEmpty() ? home.isEmpty() ? loopback : home.get(0) : given;
  }
}
