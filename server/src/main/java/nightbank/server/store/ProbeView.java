package nightbank.server.store;

import java.util.UUID;

/** A thermometer: in a store, on it, beside it, in a stream through it, or outdoors. */
public record ProbeView(
    UUID id, Kind kind, String name, double radiusFraction, double heightFraction) {
  /** Where it hangs. */
  public enum Kind {
    STORE,
    AIR,
    OUTDOOR,
    /** A spot read from outside, which says nothing of the inside. */
    SURFACE,
    /** In a stream on its way into the store. */
    INLET,
    /** In the same stream where it comes out. */
    OUTLET,
    /** In the house's air; it keeps the lowest since it was last read. */
    LOWEST
  }
}
