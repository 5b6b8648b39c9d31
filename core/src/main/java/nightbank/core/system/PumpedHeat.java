package nightbank.core.system;

import java.util.Optional;
import java.util.stream.Stream;
import nightbank.core.source.HeatPump;

/** A heat pump between two places. */
public record PumpedHeat(String id, HeatPump machine, Node cold, Node hot, Control control) {
  /** A place that it takes from or gives to. */
  public sealed interface Node {
    /** The store that it is. */
    default Optional<String> storeId() {
      return Optional.empty();
    }

    record Store(String id) implements Node {
      @Override
      public Optional<String> storeId() {
        return Optional.of(id);
      }
    }

    record HouseAir() implements Node {}

    record OutdoorAir() implements Node {}

    /** A stream, a well or deep ground, which keeps its temperature. */
    record Held(double celsius) implements Node {}
  }

  public PumpedHeat {
    if (cold.equals(hot)) {
      throw new IllegalArgumentException("a heat pump moves heat from one place to another");
    }
    if (hot instanceof Node.OutdoorAir || hot instanceof Node.Held) {
      throw new IllegalArgumentException("a heat pump warms a store or the house");
    }
  }

  public PumpedHeat with(Control other) {
    return new PumpedHeat(id, machine, cold, hot, other);
  }

  /** The stores at its ends. */
  Stream<String> stores() {
    return Stream.of(cold, hot).flatMap(n -> n.storeId().stream());
  }
}
