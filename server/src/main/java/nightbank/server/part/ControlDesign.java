package nightbank.server.part;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.time.LocalTime;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * What switches a source, circuit or heat pump.
 *
 * @param from when it may run every day by the holding's clock, absent unless daily
 * @param guards that must all agree, absent for none
 */
public record ControlDesign(
    Runs runs,
    @Nullable LocalTime from,
    @Nullable LocalTime to,
    @Nullable List<GuardDesign> guards) {

  /** When it runs as far as its guards let it. */
  public enum Runs {
    ALWAYS,
    BY_HAND,
    DAILY
  }

  public static ControlDesign byHand() {
    return new ControlDesign(Runs.BY_HAND, null, null, List.of());
  }

  public static ControlDesign always(GuardDesign... guards) {
    return new ControlDesign(Runs.ALWAYS, null, null, List.of(guards));
  }

  /** One thing that must be so for it to run. */
  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = GuardDesign.Thermostat.class, name = "THERMOSTAT"),
    @JsonSubTypes.Type(value = GuardDesign.Above.class, name = "ABOVE"),
    @JsonSubTypes.Type(value = GuardDesign.Differential.class, name = "DIFFERENTIAL"),
  })
  public sealed interface GuardDesign {
    /** Runs below one temperature until another is reached. */
    record Thermostat(SensorDesign sensor, double onBelow, double offAbove)
        implements GuardDesign {}

    /** Runs above one temperature until it has fallen to another. */
    record Above(SensorDesign sensor, double onAbove, double offBelow) implements GuardDesign {}

    /** Runs when one place is so much warmer than another. */
    record Differential(
        SensorDesign warm, SensorDesign cold, double onAboveKelvin, double offBelowKelvin)
        implements GuardDesign {}
  }

  /** What is felt. */
  public enum Where {
    STORE,
    HOUSE_AIR,
    HOUSE_FLOOR,
    OUTDOORS,
    COLLECTOR
  }

  /**
   * A temperature that a control feels.
   *
   * @param id of the store, or of the collector's circuit; absent elsewhere
   * @param radiusFraction where in a store, absent for the part that is heated
   */
  public record SensorDesign(
      Where where,
      @Nullable UUID id,
      @Nullable Double radiusFraction,
      @Nullable Double heightFraction) {}
}
