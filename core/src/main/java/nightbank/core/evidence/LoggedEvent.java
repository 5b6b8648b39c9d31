package nightbank.core.evidence;

import java.util.Optional;
import nightbank.core.source.Hearth;
import nightbank.core.source.LitFire;
import nightbank.core.usual.Usual;
import org.jspecify.annotations.Nullable;

/**
 * Something done at a store, as somebody logged it.
 *
 * @param at epoch second
 * @param way which way it went, null when nobody said or there are none
 * @param amount kg of fuel, °C of where a scale ends; NaN when nobody said
 * @param moisture of the fuel, wet-basis share, NaN when unknown
 */
public record LoggedEvent(
    long at, EventKind kind, EventKind.@Nullable Way way, double amount, double moisture) {
  private static final double ADDED = 0.5; // of a usual fire, where nobody weighed it (estimate)

  /**
   * The fire that it tells of; empty where it burns nothing, or nobody knows how much.
   *
   * @param usualKilograms of one load in that hearth, 0 without a fire
   */
  public Optional<LitFire> fire(Hearth hearth, double usualKilograms) {
    boolean weighed = !Double.isNaN(amount);
    if (!kind.burns() || !weighed && usualKilograms == 0) {
      return Optional.empty();
    }
    double usual = kind == EventKind.FIRE_LIT ? usualKilograms : ADDED * usualKilograms;
    return Optional.of(
        new LitFire(
            at,
            weighed ? amount : usual,
            Double.isNaN(moisture) ? Usual.WOOD_MOISTURE.value() : moisture,
            hearth));
  }
}
