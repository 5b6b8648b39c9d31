package nightbank.server.broker;

import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/**
 * The broker that is listened to; without an address none is.
 *
 * @param address {@code mqtt://host:port} or, by TLS, {@code mqtts://host:port}
 * @param login name that the broker knows the program by, blank for none
 * @param password that goes with it
 * @param topics filter of what is listened to
 * @param holding name or id of the holding that the broker belongs to, blank where there is but one
 */
@ConfigurationProperties("nightbank.broker")
public record BrokerSettings(
    @DefaultValue("") String address,
    @DefaultValue("") String login,
    @DefaultValue("") String password,
    @DefaultValue("#") String topics,
    @DefaultValue("") String holding) {
  boolean isOn() {
    return !address.isBlank();
  }
}
