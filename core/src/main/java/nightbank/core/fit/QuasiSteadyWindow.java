package nightbank.core.fit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import nightbank.core.evidence.Phase;
import nightbank.core.evidence.RunTimeline;
import nightbank.core.medium.Medium;
import nightbank.core.store.FaceName;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Place;

/**
 * The part of a run's longest cool-down after its inside has evened out.
 *
 * @param from epoch second
 * @param to epoch second
 * @param intoGround share of its loss that goes into the ground, by its description
 * @param ground that it goes to, °C
 */
public record QuasiSteadyWindow(long from, long to, double intoGround, double ground) {
  private static final double SHORTEST = 2 * 3600.0; // s, for a store that takes days
  private static final double SHARE = 0.25; // of its time constant, for one that does not
  private static final double WARM = 30; // °C

  /** How long a cool-down has to be for a store as it is described, s. */
  public static double shortest(HeatStore store) {
    double loss =
        Arrays.stream(FaceName.values())
            .mapToDouble(f -> store.transmittance(f, WARM, 0) * store.faceArea(f))
            .sum();
    return Math.min(SHORTEST, SHARE * store.heatCapacity(WARM) / store.count() / loss);
  }

  /**
   * Absent when no cool-down is as long as the {@link #shortest}.
   *
   * @param ground below a foot that stands on it, °C
   */
  public static Optional<QuasiSteadyWindow> of(RunTimeline line, HeatStore store, double ground) {
    return longest(line)
        .filter(phase -> phase.hours() * 3600 >= shortest(store))
        .map(
            phase -> {
              long length = phase.toEpochSecond() - phase.fromEpochSecond();
              long settle = (long) Math.min(settlingSeconds(store), 0.5 * length);
              return new QuasiSteadyWindow(
                  line.at()[line.index(phase.fromEpochSecond() + settle)],
                  line.at()[line.index(phase.toEpochSecond())],
                  intoGround(store),
                  ground);
            });
  }

  /** The longest stretch without a source and without a hand on the lid. */
  public static Optional<Phase> longest(RunTimeline line) {
    return line.phases().stream()
        .filter(phase -> phase.kind() != Phase.Kind.CHARGING)
        .flatMap(phase -> partsByLid(line, phase).stream())
        .max(Comparator.comparingDouble(Phase::hours));
  }

  private static List<Phase> partsByLid(RunTimeline line, Phase phase) {
    List<Phase> parts = new ArrayList<>();
    long since = phase.fromEpochSecond();
    int end = line.index(phase.toEpochSecond());
    for (int i = line.index(since) + 1; i < end; i++) {
      if (line.lidOff(i + 1) != line.lidOff(i)) {
        parts.add(new Phase(phase.kind(), since, line.at()[i]));
        since = line.at()[i];
      }
    }
    parts.add(new Phase(phase.kind(), since, phase.toEpochSecond()));
    return parts;
  }

  /** The fit of this part of a mean, given on a timeline's moments. */
  public Optional<CoolDownFit> fit(RunTimeline line, double[] mean) {
    int first = line.index(from);
    int end = line.index(to) + 1;
    double[] seconds =
        Arrays.stream(line.at(), first, end).mapToDouble(at -> at - line.at()[first]).toArray();
    double[] towards =
        Arrays.stream(line.air(), first, end).map(a -> a + intoGround * (ground - a)).toArray();
    return CoolDownFit.of(seconds, Arrays.copyOfRange(mean, first, end), towards);
  }

  /** The same as though all went into the air. */
  QuasiSteadyWindow intoAir() {
    return new QuasiSteadyWindow(from, to, 0, ground);
  }

  /** What it cools towards is between air and ground by what it loses to each. */
  private static double intoGround(HeatStore store) {
    double all = 0;
    double down = 0;
    for (FaceName f : FaceName.values()) {
      double ua = store.transmittance(f, WARM, 0) * store.faceArea(f);
      Place.Beyond to = store.place().beyond(f);
      all += ua;
      down += to == Place.Beyond.GROUND || to == Place.Beyond.HOUSE_SOIL ? ua : 0;
    }
    return down / all;
  }

  /** Two time constants of the slowest inner mode: a seventh of the first shape is left. */
  private static double settlingSeconds(HeatStore store) {
    if (store.medium().kind() == Medium.Kind.WATER) {
      return 0;
    }
    Geometry g = store.geometry();
    double tall = Math.PI / g.heightMetres();
    double wide =
        g instanceof Geometry.Cylinder c
            ? square(2.405 / c.radiusMetres()) // first zero of J0
            : square(Math.PI / ((Geometry.Box) g).lengthMetres())
                + square(Math.PI / ((Geometry.Box) g).widthMetres());
    double diffusivity =
        store.medium().conductivity().value()
            / (store.medium().density().value() * store.medium().enthalpy().specificHeat(40));
    return 2 / (diffusivity * (wide + tall * tall));
  }

  private static double square(double x) {
    return x * x;
  }
}
