package nightbank.server.run;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import nightbank.core.run.Course;
import nightbank.core.source.FireLoad;
import nightbank.core.source.LitFire;
import nightbank.core.source.WoodFire;
import nightbank.server.log.EventLog;
import nightbank.server.log.EventView;
import nightbank.server.store.Stores.CoreStore;
import org.springframework.stereotype.Service;

/** What fires gave to a store by what was logged of them. */
@Service
public class LoggedFires {
  private static final double ADDED = 0.5; // of a usual fire, where nobody weighed it (estimate)

  private final EventLog events;

  LoggedFires(EventLog events) {
    this.events = events;
  }

  /** Its course into the mass; empty for a store without a fire, or where none was logged. */
  Optional<Course> on(UUID holding, CoreStore store, Instant from, Instant to) {
    if (store.heat().usualWood() == 0) {
      return Optional.empty();
    }
    Instant first = from.minus(Duration.ofSeconds((long) WoodFire.LONGEST));
    List<LitFire> fires =
        events.between(holding, first, to).stream()
            .filter(e -> store.id().equals(e.storeId()))
            .flatMap(e -> lit(e, store).stream())
            .toList();
    return fires.isEmpty()
        ? Optional.empty()
        : Optional.of(Course.ofFires(fires, from.getEpochSecond(), to.getEpochSecond()));
  }

  /** The fire that an event at a store tells of; empty for another, or for one of unknown size. */
  public static Optional<LitFire> lit(EventView e, CoreStore store) {
    double usual =
        switch (e.kind()) {
          case FIRE_LIT -> store.heat().usualWood();
          case FUEL_ADDED -> ADDED * store.heat().usualWood();
          default -> Double.NaN;
        };
    if (Double.isNaN(usual) || e.amount() == null && usual == 0) {
      return Optional.empty();
    }
    double kilograms = e.amount() == null ? usual : e.amount();
    double moisture = e.moisture() == null ? FireLoad.USUAL_MOISTURE : e.moisture();
    return Optional.of(
        new LitFire(e.at().getEpochSecond(), kilograms, moisture, store.heat().hearth()));
  }
}
