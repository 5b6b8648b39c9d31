package nightbank.core.practice;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nightbank.core.source.Receiver;
import nightbank.core.source.WoodFire;
import nightbank.core.system.CircuitEnd;
import nightbank.core.system.FluidCircuit;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.SystemSource;
import nightbank.core.usual.Usual;

/**
 * Evenings of rising difficulty, each for something that people get wrong: how far below what the
 * plants stand it gets, how clouded, how windy, and how warm some stores begin. Own choices, so
 * that doing nothing loses most.
 */
public enum Lesson {
  STILL_UNDER_CLOUD(5, 1, 0.5),
  /** Draughts before mass. */
  WIND_IN_THE_GAPS(6, 1, 8),
  /** Leaves are colder than the air. */
  CLEAR_SKY(7, 0, 0.5),
  /** What a person puts into a cold mass at dusk comes out after dawn. */
  LATE_CORE(8, 0.5, 2) {
    @Override
    Set<String> stores(PlantSystem place) {
      return place.sources().stream()
          .filter(s -> s.source() instanceof WoodFire || !s.control().runsByItself())
          .flatMap(Lesson::heated)
          .collect(Collectors.toSet());
    }

    @Override
    double begins(double plantLimitCelsius) {
      return plantLimitCelsius + COLD_CORE;
    }
  },
  /** A loop takes heat out of a house that is warmer than its store. */
  LOOP_TURNS_ROUND(9, 0.5, 2) {
    @Override
    Set<String> stores(PlantSystem place) {
      return led(place).collect(Collectors.toSet());
    }

    @Override
    double begins(double plantLimitCelsius) {
      return Math.max(JUST_THAWED, plantLimitCelsius - GONE_COLD);
    }
  },
  /** A heap can be drawn on until it no longer heats. */
  HEAP_OVERDRAWN(10, 0.5, 2) {
    @Override
    Set<String> stores(PlantSystem place) {
      return led(place).filter(place::rots).collect(Collectors.toSet());
    }

    @Override
    double begins(double plantLimitCelsius) {
      return Usual.HEAP_KEPT_OVER.value() + LITTLE_TO_SPARE;
    }
  },
  HARD_AND_CLEAR(12, 0, 2);

  private static final double COLD_CORE = 3; // K over what the plants stand
  private static final double GONE_COLD = 4; // K under it
  private static final double JUST_THAWED = 0.5; // °C
  private static final double LITTLE_TO_SPARE = 1; // K that a heap may be drawn down

  private final double below; // K
  private final double cloud; // share of the sky
  private final double wind; // m/s

  Lesson(double below, double cloud, double wind) {
    this.below = below;
    this.cloud = cloud;
    this.wind = wind;
  }

  /** What it is about and sets the warmth of; none where it is about the house alone. */
  Set<String> stores(PlantSystem place) {
    return Set.of();
  }

  /** °C all through, of those stores. */
  double begins(double plantLimitCelsius) {
    return Double.NaN;
  }

  private static Stream<String> heated(SystemSource s) {
    return s.source().shares().stream()
        .filter(share -> share.to() instanceof Receiver.StoreZone)
        .map(share -> ((Receiver.StoreZone) share.to()).store());
  }

  /** Stores that a person can lead to the house by a loop. */
  private static Stream<String> led(PlantSystem place) {
    return place.circuits().stream()
        .filter(c -> !c.control().runsByItself())
        .filter(c -> c.ends().stream().anyMatch(CircuitEnd::inHouse))
        .map(FluidCircuit::ends)
        .flatMap(List::stream)
        .flatMap(e -> e.storeId().stream());
  }

  /** Those that a place has the parts for, the easiest first. */
  public static List<Lesson> of(PlantSystem place) {
    List<Lesson> all = new ArrayList<>();
    for (Lesson l : values()) {
      if (Double.isNaN(l.begins(0)) || !l.stores(place).isEmpty()) {
        all.add(l);
      }
    }
    return all;
  }

  /** How warm stores begin that it sets, °C by id; the others begin as they are. */
  public Map<String, Double> starts(PlantSystem place, double plantLimitCelsius) {
    return stores(place).stream()
        .collect(Collectors.toMap(id -> id, id -> begins(plantLimitCelsius)));
  }

  /** The night's low for plants that stand so much, °C, whole. */
  public double lowCelsius(double plantLimitCelsius) {
    return Math.rint(plantLimitCelsius - below);
  }

  /** Share of the sky. */
  public double cloud() {
    return cloud;
  }

  /** In the open, m/s. */
  public double windMetresPerSecond() {
    return wind;
  }
}
