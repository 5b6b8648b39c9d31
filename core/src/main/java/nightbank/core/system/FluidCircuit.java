package nightbank.core.system;

import java.util.List;
import nightbank.core.store.FluidStream;

/**
 * Water or air moved round between its ends by a pump or fan, one after the other and back to the
 * first. Heat goes by the temperatures, so a circuit that charges a store empties it too once it is
 * colder. Neglects heat that pipes hold and lose.
 *
 * @param stream flow and machine; the machine's power warms air, a pump's is taken as lost
 */
public record FluidCircuit(String id, FluidStream stream, List<CircuitEnd> ends, Control control) {
  public FluidCircuit {
    ends = List.copyOf(ends);
    if (ends.size() < 2) {
      throw new IllegalArgumentException("a circuit goes from somewhere to somewhere else");
    }
    if (ends.stream().distinct().count() < ends.size()) {
      throw new IllegalArgumentException("a circuit cannot lead to itself");
    }
  }

  public FluidCircuit with(Control other) {
    return new FluidCircuit(id, stream, ends, other);
  }
}
