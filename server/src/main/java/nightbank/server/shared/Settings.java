package nightbank.server.shared;

import java.nio.file.Path;
import org.springframework.boot.context.properties.ConfigurationProperties;

/**
 * Where things are.
 *
 * @param data folder for what the demo leaves to its stand-ins
 * @param demo folder with demo data to load into an empty database, or blank
 * @param demoStands whether demo time stands still from its first moment
 * @param forecast address of a weather service, or blank
 * @param judgeAhead whether runs that are marked, and a new demo's days, are judged before anybody
 *     asks
 */
@ConfigurationProperties("nightbank")
public record Settings(
    Path data, String demo, boolean demoStands, String forecast, boolean judgeAhead) {
  public boolean isDemo() {
    return demo != null && !demo.isBlank();
  }
}
