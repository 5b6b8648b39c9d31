package nightbank.core.friend;

import java.util.OptionalDouble;
import java.util.function.Predicate;
import nightbank.core.source.Receiver;
import nightbank.core.source.Share;
import nightbank.core.system.CircuitEnd;
import nightbank.core.system.FluidCircuit;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.SystemSource;

/** What sources give at the most, W; empty where that has no bound that anybody knows. */
final class RatedHeat {
  private static final double FULL_SUN = 1000; // W/m² on what faces it (Duffie & Beckman, ch. 2)

  private RatedHeat() {}

  /** Into a circuit that charges one store, by its boilers and collectors. */
  static OptionalDouble into(PlantSystem place, FluidCircuit circuit) {
    double sum = 0;
    int stores = 0;
    for (CircuitEnd end : circuit.ends()) {
      stores += end.storeId().isPresent() ? 1 : 0;
      if (end instanceof CircuitEnd.Collector c) {
        sum += c.squareMetres() * c.opticalShare() * FULL_SUN;
      } else if (end instanceof CircuitEnd.Boiler) {
        OptionalDouble given =
            sum(place, to -> to instanceof Receiver.Circuit c && c.circuit().equals(circuit.id()));
        if (given.isEmpty()) {
          return given;
        }
        sum += given.getAsDouble();
      } else if (end instanceof CircuitEnd.HouseAir
          || end instanceof CircuitEnd.OutdoorAir
          || end instanceof CircuitEnd.Held) {
        return OptionalDouble.empty();
      }
    }
    return stores == 1 ? OptionalDouble.of(sum) : OptionalDouble.empty();
  }

  /** Of all that stands in a place; heat pumps have no bound of their own here. */
  static OptionalDouble all(PlantSystem place) {
    return place.pumps().isEmpty() ? sum(place, to -> true) : OptionalDouble.empty();
  }

  private static OptionalDouble sum(PlantSystem place, Predicate<Receiver> which) {
    double sum = 0;
    for (SystemSource s : place.sources()) {
      double share =
          s.source().shares().stream().filter(x -> which.test(x.to())).mapToDouble(Share::of).sum();
      OptionalDouble most = s.source().mostAtNight();
      if (share > 0 && most.isEmpty()) {
        return most;
      }
      sum += share * most.orElse(0);
    }
    return OptionalDouble.of(sum);
  }
}
