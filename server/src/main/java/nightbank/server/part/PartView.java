package nightbank.server.part;

import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A source, circuit or heat pump of a place.
 *
 * @param houseId whose place it belongs to, absent for none
 */
public record PartView(
    UUID id, String name, @Nullable UUID houseId, PartDesign design, int version) {
  /** FIRE, FLAMES, HEATER, ELEMENT, SUNLIGHT, HEAP, CIRCUIT, HEAT_PUMP or ANIMALS. */
  public String kind() {
    return design.kind();
  }
}
