package nightbank.core.fit;

import nightbank.core.evidence.RunTimeline;
import nightbank.core.store.HeatStore;
import nightbank.core.store.model.StateFromProbes;
import nightbank.core.store.model.StoreState;

/**
 * Mean and energies of a run by the fitted model, with the readings' own word added: what the model
 * misses at each probe is spread over the volume nearest it.
 *
 * @param mean °C
 * @param gross J above the floor temperature, cold cells counting negative
 * @param usable balance above the floor temperature, J; see StoreState.usableEnergy
 * @param content J above 0 °C
 */
public record CorrectedField(double[] mean, double[] gross, double[] usable, double[] content) {
  /**
   * A probe so far from the mean sits on a slope and speaks half for its surroundings, K
   * (estimate).
   */
  private static final double FAR = 30;

  /**
   * The field.
   *
   * @param track with its states
   */
  static CorrectedField of(RunTimeline line, ForwardRun.SimulatedSeries track, HeatStore store) {
    double[] corrections = corrections(line, track, store);
    int n = corrections.length;
    double[] mean = new double[n];
    double[] gross = new double[n];
    double[] usable = new double[n];
    double[] content = new double[n];
    double belowFloor = StoreState.uniform(track.states()[0].grid(), 0).grossEnergy(store);
    for (int i = 0; i < n; i++) {
      StoreState state = track.states()[i].shifted(corrections[i]);
      mean[i] = track.mean()[i] + corrections[i];
      gross[i] = state.grossEnergy(store);
      usable[i] = state.usableEnergy(store);
      content[i] = gross[i] - belowFloor;
    }
    return new CorrectedField(mean, gross, usable, content);
  }

  /** Its mean alone, for which a track needs no states. */
  static double[] mean(RunTimeline line, ForwardRun.SimulatedSeries track, HeatStore store) {
    double[] mean = corrections(line, track, store);
    for (int i = 0; i < mean.length; i++) {
      mean[i] += track.mean()[i];
    }
    return mean;
  }

  /** By how much the readings lift the model's whole field at each moment, K. */
  private static double[] corrections(
      RunTimeline line, ForwardRun.SimulatedSeries track, HeatStore store) {
    int n = line.at().length;
    double[] corrections = new double[n];
    int probes = line.probes().length;
    boolean[] before = new boolean[probes];
    double[] shares = new double[probes];
    boolean[] present = new boolean[probes];
    double spokenFor = spokenFor(store);
    for (int i = 0; i < n; i++) {
      boolean changed = i == 0;
      for (int p = 0; p < probes; p++) {
        present[p] = !Double.isNaN(line.probes()[p][i]);
        changed |= present[p] != before[p];
        before[p] = present[p];
      }
      if (changed) {
        shares = StateFromProbes.volumeShares(track.grid(), store.probes(), present);
      }
      double correction = 0;
      for (int p = 0; p < probes; p++) {
        if (present[p]) {
          double misfit = line.probes()[p][i] - track.probes()[p][i];
          double excess = Math.abs(track.probes()[p][i] - track.mean()[i]);
          correction += shares[p] * misfit / (1 + excess * excess / (FAR * FAR));
        }
      }
      corrections[i] = spokenFor * correction;
    }
    return corrections;
  }

  /** Share of the height within a quarter of it from some probe: what the probes can speak for. */
  private static double spokenFor(HeatStore store) {
    int near = 0;
    for (int k = 0; k < 20; k++) {
      double h = (k + 0.5) / 20;
      near +=
          store.probes().stream().anyMatch(p -> Math.abs(p.heightFraction() - h) < 0.25) ? 1 : 0;
    }
    return near / 20.0;
  }
}
