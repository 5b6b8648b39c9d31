package nightbank.core.fit;

import nightbank.core.evidence.Phase;
import nightbank.core.evidence.RunTimeline;
import nightbank.core.store.HeatStore;
import nightbank.core.store.model.StateFromProbes;
import nightbank.core.store.model.StoreGrid;

/** A source's power, roughly, where nobody knows it: where a fit begins. */
final class SourceGuess {
  private SourceGuess() {}

  /** What its faces lose at first: a mass that makes heat of its own makes about as much. */
  static double ofSteadyMass(ForwardRun replay, HeatStore store) {
    double watts = 0;
    for (double[] face : replay.track(store, 0).faceWatts().values()) {
      watts += face[Math.min(1, face.length - 1)];
    }
    return Math.max(1, watts);
  }

  static double ofCharges(RunTimeline line, HeatStore store, double ground) {
    double seconds = line.chargingSeconds();
    if (seconds == 0) {
      return 0;
    }
    double rise = 0;
    StateFromProbes field = new StateFromProbes(store, StoreGrid.coarse(store));
    double[] before = new double[line.probes().length];
    double[] after = new double[line.probes().length];
    for (Phase phase : line.phases()) {
      if (phase.kind() == Phase.Kind.CHARGING) {
        int settled = Math.min(line.at().length - 1, line.index(phase.toEpochSecond()) + 12);
        int start = line.index(phase.fromEpochSecond());
        for (int p = 0; p < before.length; p++) {
          before[p] = line.probes()[p][start];
          after[p] = line.probes()[p][settled];
        }
        rise +=
            Math.max(
                0,
                mean(field, after, line.air()[settled], ground)
                    - mean(field, before, line.air()[start], ground));
      }
    }
    return Math.max(1, store.heatCapacity(30) * rise / seconds);
  }

  private static double mean(StateFromProbes field, double[] celsius, double air, double ground) {
    for (double t : celsius) {
      if (!Double.isNaN(t)) {
        return field.of(celsius, air, ground).meanCelsius();
      }
    }
    return 0;
  }
}
