package nightbank.core.source;

import nightbank.core.store.model.StoreModel;
import org.jspecify.annotations.Nullable;

/** What a source meets in one step; filled anew each time so that nothing is made. */
public final class Circumstances {
  /** Whether schedule and guards let it run. */
  public boolean on;

  /** What was set by hand in place of the usual: watts, flames; NaN for none. */
  public double amount;

  /** Whether the smoke goes past the mass. */
  public boolean bypassed;

  /** Whether the flue is shut. */
  public boolean damperShut;

  /** Whether the fire is raked out or smothered now. */
  public boolean quenched;

  /** Sun on level ground, W/m². */
  public double irradiance;

  public double outdoorCelsius;

  /** The first store that it heats, null without one, and which zone of it. */
  public @Nullable StoreModel store;

  public int zone;
}
