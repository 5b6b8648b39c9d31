package nightbank.core.fit;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.IntStream;
import nightbank.core.evidence.RunTimeline;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Probe;
import nightbank.core.store.model.StateFromProbes;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreModel;
import nightbank.core.store.model.StoreState;
import nightbank.core.store.model.Surroundings;

/** Runs a store's model along measured air, with the source on during the charging phases. */
public final class ForwardRun {
  private static final double SKETCHED_STEP = 5500; // s

  private final RunTimeline line;
  private final double groundCelsius;
  private final double longestStep;
  private final StateFromProbes.Estimate start;

  /** As fine as a run is followed. */
  ForwardRun(
      RunTimeline line,
      HeatStore store,
      double groundCelsius,
      boolean makesHeat,
      double longestStep) {
    this(line, store, groundCelsius, makesHeat, longestStep, grid(store));
  }

  /** Near enough to start a fit from, ten times as fast. */
  static ForwardRun sketch(
      RunTimeline line, HeatStore store, double groundCelsius, boolean makesHeat) {
    return new ForwardRun(
        line, store, groundCelsius, makesHeat, SKETCHED_STEP, StoreGrid.night(store));
  }

  private static StoreGrid grid(HeatStore store) {
    StoreGrid standard = StoreGrid.standard(store);
    return standard.cells() > 400 ? StoreGrid.coarse(store) : standard;
  }

  private ForwardRun(
      RunTimeline line,
      HeatStore store,
      double groundCelsius,
      boolean makesHeat,
      double longestStep,
      StoreGrid grid) {
    this.line = line;
    this.groundCelsius = groundCelsius;
    this.longestStep = longestStep;
    double[] first = new double[line.probes().length];
    for (int p = 0; p < first.length; p++) {
      first[p] = firstWithinAnHour(line, line.probes()[p]);
    }
    start =
        new StateFromProbes(store, grid, makesHeat).estimate(first, line.air()[0], groundCelsius);
  }

  /** Standard deviation of the mean at the start, K. */
  double startDoubt() {
    return start.meanDoubt();
  }

  private static double firstWithinAnHour(RunTimeline line, double[] probe) {
    long[] at = line.at();
    for (int i = 0; i < at.length && at[i] <= at[0] + 3600; i++) {
      if (!Double.isNaN(probe[i])) {
        return probe[i];
      }
    }
    return Double.NaN;
  }

  /** What came of a replay, all rows on the timeline's moments. */
  public record SimulatedSeries(
      double[][] probes,
      double[] mean,
      StoreState[] states,
      Map<FaceName, double[]> faceWatts,
      StoreGrid grid,
      double chargedJoules) {
    /** The same beside a probe that reads so many kelvins more than its place has. */
    SimulatedSeries reading(int probe, double[] more) {
      double[][] less = probes.clone();
      less[probe] =
          IntStream.range(0, more.length).mapToDouble(i -> probes[probe][i] - more[i]).toArray();
      return new SimulatedSeries(less, mean, states, faceWatts, grid, chargedJoules);
    }
  }

  /** Replays without keeping states. */
  SimulatedSeries track(HeatStore store, double watts) {
    return track(store, watts, false);
  }

  SimulatedSeries track(HeatStore store, double watts, boolean keepStates) {
    return track(store, watts, keepStates, start.state());
  }

  /** From the start bent the way in which its probes leave it open. */
  SimulatedSeries bentTrack(HeatStore store, double watts) {
    return track(store, watts, false, start.bent());
  }

  private SimulatedSeries track(
      HeatStore store, double watts, boolean keepStates, StoreState begin) {
    List<Probe> placed = store.probes();
    StoreModel model = StoreModel.of(store, begin);
    Surroundings around = new Surroundings(); // of this track alone: tracks run side by side
    long[] at = line.at();
    int n = at.length;
    double[][] probes = new double[placed.size()][n];
    double[] mean = new double[n];
    StoreState[] states = keepStates ? new StoreState[n] : new StoreState[0];
    Map<FaceName, double[]> faces = new EnumMap<>(FaceName.class);
    for (FaceName name : FaceName.values()) {
      faces.put(name, new double[n]);
    }
    double charged = 0;
    boolean lidOff = false;
    for (int i = 0; i < n; i++) {
      if (i > 0) {
        if (line.lidOff(i) != lidOff) {
          lidOff = !lidOff;
          model.replace(FaceName.TOP, lidOff ? Face.bare() : store.face(FaceName.TOP));
        }
        double span = at[i] - at[i - 1];
        int parts = Math.max(1, (int) Math.ceil(span / longestStep));
        double on = line.on()[i] * watts;
        for (int k = 0; k < parts; k++) {
          model.step(span / parts, around.set(line.air()[i], groundCelsius), on);
        }
        charged += on * span;
      }
      mean[i] = model.meanCelsius();
      for (int p = 0; p < placed.size(); p++) {
        probes[p][i] = model.at(placed.get(p).radiusFraction(), placed.get(p).heightFraction());
      }
      for (FaceName name : FaceName.values()) {
        Objects.requireNonNull(faces.get(name))[i] = model.faceWatts(name);
      }
      if (keepStates) {
        states[i] = model.state();
      }
    }
    return new SimulatedSeries(probes, mean, states, faces, begin.grid(), charged);
  }
}
