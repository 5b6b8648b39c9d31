package nightbank.server.broker;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * The broker of a holding.
 *
 * @param problem what keeps it from being heard, empty for nothing
 * @param adviceTopics where the advice of the hour is told
 * @param arrivals what has come lately, by channel
 */
public record BrokerView(
    State state, String problem, List<String> adviceTopics, List<ArrivalView> arrivals) {

  /** Whether it is heard. */
  public enum State {
    /** None is set, or it belongs to another holding. */
    NONE,
    HEARD,
    NOT_HEARD
  }

  /**
   * What came last over one channel.
   *
   * @param channel topic, and after a space the name within a message that says several things
   * @param said as it was sent
   * @param celsius absent where it is no temperature
   * @param probeId that it is tied to, absent for none
   */
  public record ArrivalView(
      String channel, String said, @Nullable Double celsius, Instant at, @Nullable UUID probeId) {}
}
