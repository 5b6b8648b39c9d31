package nightbank.server.home;

import java.nio.file.Path;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/**
 * How the home network reaches the program; without a certificate it does not.
 *
 * @param port that it listens on there
 * @param certificate of this machine, PEM
 * @param key that belongs to it, PEM
 * @param root certificate of the authority that signed it, PEM, to be handed to phones; absent
 *     where phones know it already
 */
@ConfigurationProperties("nightbank.home")
public record HomeSettings(
    @DefaultValue("8643") int port,
    @Nullable Path certificate,
    @Nullable Path key,
    @Nullable Path root) {
  boolean isOn() {
    return certificate != null && key != null;
  }
}
