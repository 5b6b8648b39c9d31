package nightbank.server.run;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * What a run of few readings comes to; whatever they do not tell is as the design says, with its
 * doubt. J, s, W/K; every figure with its 95 % interval.
 *
 * @param best above the store's floor at the end of its charge, or when it was first read
 * @param last at the last reading
 * @param halfLife from then until half of what it held above its surroundings has left
 * @param brought by what charged it, absent where no charge was told or seen
 * @param chargedFrom absent where no charge was told or seen
 * @param hoursGuessed whether its hours were read off the readings
 */
public record FewView(
    int readings,
    Estimate best,
    Estimate last,
    Estimate halfLife,
    Estimate loss,
    @Nullable Estimate brought,
    @Nullable Instant chargedFrom,
    @Nullable Instant chargedTo,
    boolean hoursGuessed) {

  /** A figure with its 95 % interval. */
  public record Estimate(double value, double low, double high) {}
}
