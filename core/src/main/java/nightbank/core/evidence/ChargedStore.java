package nightbank.core.evidence;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nightbank.core.source.Hearth;
import nightbank.core.store.FluidStream;
import nightbank.core.store.HeatStore;

/**
 * A store with what charges it, as far as the judgement of what was read asks.
 *
 * @param design whose probes carry the channels' names
 * @param makesHeat whether the mass warms itself, as a heap does
 * @param watts into it at the most by its label, 0 when unknown
 * @param byStream whether a stream from elsewhere charges it
 * @param stream led through it
 * @param hearth how its fire splits its heat
 * @param usualKilograms of one load of wood, 0 without a fire
 * @param sunlitSquareMetres of its upright face, times its absorptance; 0 without sun
 * @param facingDegrees of that face, clockwise from north
 * @param lidded whether there is anything on top to lift
 */
@RecordBuilder
public record ChargedStore(
    HeatStore design,
    boolean makesHeat,
    double watts,
    boolean byStream,
    Optional<FluidStream> stream,
    Hearth hearth,
    double usualKilograms,
    double sunlitSquareMetres,
    double facingDegrees,
    boolean lidded) {
  /** Whether a source of known power charges it and nothing else that is logged or followed. */
  public boolean switched() {
    return watts > 0 && !byStream && usualKilograms == 0 && sunlitSquareMetres == 0;
  }

  /** Kinds of event that change what is judged of it; of a pump only where its stream was read. */
  public List<EventKind> countedEvents(boolean streamRead) {
    var counted = new ArrayList<>(List.of(EventKind.TOO_HOT, EventKind.OFF_SCALE));
    if (lidded) {
      counted.add(EventKind.LID);
    }
    if (usualKilograms > 0) {
      counted.add(EventKind.FIRE_LIT);
      counted.add(EventKind.FUEL_ADDED);
    }
    if (switched()) {
      counted.add(EventKind.ELEMENT);
    }
    if (streamRead) {
      counted.add(EventKind.PUMP);
    }
    return List.copyOf(counted);
  }
}
