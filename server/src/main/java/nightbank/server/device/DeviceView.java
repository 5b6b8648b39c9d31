package nightbank.server.device;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A logger that sends by itself.
 *
 * @param overBroker whether it is heard over the broker; it has no token then
 * @param token shown once, when it is made; absent ever after
 * @param lastProblem what was wrong with what it last sent, empty when nothing was
 */
public record DeviceView(
    UUID id,
    String name,
    Instant createdAt,
    @Nullable Instant revokedAt,
    @Nullable Instant lastSeenAt,
    String lastProblem,
    boolean overBroker,
    List<DeviceChannel> channels,
    @Nullable String token) {

  private static final Duration SILENT = Duration.ofHours(1);

  /** Whether it has sent within the last hour. */
  public boolean heardLately(Instant now) {
    return lastSeenAt != null && !lastSeenAt.isBefore(now.minus(SILENT));
  }

  /** One of its channels, by the name that it sends, and the probe that it reads. */
  public record DeviceChannel(String name, UUID probeId) {}
}
