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

/**
 * The part of a run's longest cool-down after its inside has evened out.
 *
 * @param from epoch second
 * @param to epoch second
 */
public record QuasiSteadyWindow(long from, long to) {
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

  /** Absent when no cool-down is as long as the {@link #shortest}. */
  public static Optional<QuasiSteadyWindow> of(RunTimeline line, HeatStore store) {
    return longest(line)
        .filter(phase -> phase.hours() * 3600 >= shortest(store))
        .map(
            phase -> {
              long length = phase.toEpochSecond() - phase.fromEpochSecond();
              long settle = (long) Math.min(settlingSeconds(store), 0.5 * length);
              return new QuasiSteadyWindow(
                  line.at()[line.index(phase.fromEpochSecond() + settle)],
                  line.at()[line.index(phase.toEpochSecond())]);
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
    return CoolDownFit.of(
        seconds, Arrays.copyOfRange(mean, first, end), Arrays.copyOfRange(line.air(), first, end));
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
