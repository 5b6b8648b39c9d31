package nightbank.server.store;

import java.util.UUID;

/** A thermometer: in a store, in the air beside it, or outdoors. */
public record ProbeView(
    UUID id, Kind kind, String name, double radiusFraction, double heightFraction) {
  /** Where it hangs. */
  public enum Kind {
    STORE,
    AIR,
    OUTDOOR
  }
}
