package nightbank.server.store;

import java.util.UUID;

/** A thermometer: in a store, on its surface, in the air beside it, or outdoors. */
public record ProbeView(
    UUID id, Kind kind, String name, double radiusFraction, double heightFraction) {
  /** Where it hangs. */
  public enum Kind {
    STORE,
    AIR,
    OUTDOOR,
    /** A spot read from outside, which says nothing of the inside. */
    SURFACE
  }
}
