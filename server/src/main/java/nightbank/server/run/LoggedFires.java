package nightbank.server.run;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.DoubleStream;
import java.util.stream.LongStream;
import nightbank.core.charge.WoodFire;
import nightbank.core.run.Course;
import nightbank.core.run.ReadingSeries;
import nightbank.server.log.EventLog;
import nightbank.server.log.EventView;
import nightbank.server.store.Stores.CoreStore;
import org.springframework.stereotype.Service;

/** What fires gave to a store by what was logged of them. */
@Service
class LoggedFires {
  private static final long STEP = 300; // s
  private static final double ADDED = 0.5; // of a usual fire, where nobody weighed it (estimate)

  private final EventLog events;

  LoggedFires(EventLog events) {
    this.events = events;
  }

  private record Lit(long at, WoodFire fire) {}

  /** Its course into the mass; empty for a store without a fire, or where none was logged. */
  Optional<Course> on(UUID holding, CoreStore store, Instant from, Instant to) {
    if (store.usualWood() == 0) {
      return Optional.empty();
    }
    Instant first = from.minus(Duration.ofSeconds((long) WoodFire.LONGEST));
    List<Lit> fires =
        events.between(holding, first, to).stream()
            .filter(e -> store.id().equals(e.storeId()))
            .filter(e -> of(e.kind()) > 0)
            .map(e -> new Lit(e.at().getEpochSecond(), fire(e, store)))
            .toList();
    if (fires.isEmpty()) {
      return Optional.empty();
    }
    long[] at =
        LongStream.iterate(from.getEpochSecond(), t -> t <= to.getEpochSecond(), t -> t + STEP)
            .toArray();
    double[] burning = new double[at.length];
    double[] taken = new double[at.length];
    for (Lit lit : fires) {
      for (int i = 0; i < at.length; i++) {
        double watts = lit.fire.watts(at[i] - lit.at);
        burning[i] += watts;
        taken[i] += watts * lit.fire.toStore();
      }
    }
    double fuel = DoubleStream.of(burning).sum() * STEP;
    return Optional.of(new Course(new ReadingSeries("fires", at, taken), true, fuel));
  }

  private static WoodFire fire(EventView e, CoreStore store) {
    double kilograms = e.amount() == null ? of(e.kind()) * store.usualWood() : e.amount();
    double moisture = e.moisture() == null ? WoodFire.USUAL_MOISTURE : e.moisture();
    return WoodFire.in(store.hearth(), kilograms, moisture);
  }

  private static double of(EventView.Kind kind) {
    return switch (kind) {
      case FIRE_LIT -> 1;
      case FUEL_ADDED -> ADDED;
      default -> 0;
    };
  }
}
