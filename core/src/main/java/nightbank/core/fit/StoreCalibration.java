package nightbank.core.fit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.stream.IntStream;
import nightbank.core.evidence.RunTimeline;
import nightbank.core.medium.Enthalpy;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.Probe;
import org.hipparchus.exception.MathIllegalStateException;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresBuilder;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LevenbergMarquardtOptimizer;
import org.hipparchus.util.Pair;
import org.jspecify.annotations.Nullable;

/**
 * Fits the conduction model to a run's probes: factors on source power, conductivity, heat
 * capacity, transmittance of the side, of the ends (top and foot) and of the top against the foot,
 * and on height and width of the heated zone, each with a prior from the label or the catalogue's
 * range (maximum a posteriori, least squares). Residuals are weighted by sensor scatter, by the
 * local slopes times how well a probe's place and a source's hours are known, and by a share of the
 * excess for what the model leaves out.
 */
public final class StoreCalibration {
  private static final int PARAMETERS = StoreFactor.COUNT;
  private static final double LABEL = 0.03; // of a rated power, within the +5/-10 % of IEC 60335-1
  private static final double SENSOR = 0.4; // K

  /**
   * How well a probe's place is known, of half width and height: a centimetre or less (estimate).
   */
  static final double PLACE = 0.02;

  private static final double MODEL = 0.02; // of the excess over the air
  // of what heat rises by when hot: fills are no pure mineral, and are measured cool (estimate)
  private static final double RISE = 0.5;
  private static final double TIMING =
      0.5; // of two steps' change: when a source went on (estimate)
  private static final double FACE =
      0.7; // of ln U: films, joints, damp, a layer forgotten (estimate)
  private static final int MOST_MOMENTS = 120;
  private static final int MOST_TRIES = 25;

  /** By how much a factor's logarithm is moved to see what hangs on it. */
  static final double MOVED = 0.01;

  private static final double CONVERGED = 0.01; // a last step of this size leaves a hundredth of it
  private static final double FARTHEST = 3; // factors are held within e³ either way
  private static final double STEPS = 400; // a run, unless that makes them too short or long
  private static final double SHORTEST_STEP = 180; // s
  private static final double LONGEST_STEP = 2700; // faces of a winter move by 1 %

  private final RunTimeline line;
  private final ForwardRun replay;
  private final ForwardRun sketch;
  private final HeatStore store;
  private final double watts;
  private final double[] prior;
  private final int[] moments;
  private final double[][] sigma;

  private record Tried(
      double[] log,
      double[] residuals,
      double[][] slope,
      double cost,
      List<ForwardRun.SimulatedSeries> tracks) {}

  /**
   * Result of the fit.
   *
   * @param store the design as the readings show it
   * @param watts source power as the readings show it
   * @param logFactors by {@link StoreFactor}
   * @param covariance of the same
   * @param tracks by the fit, and then with each factor moved by {@link #MOVED}
   * @param gain by probe and factor: how far a kelvin more at each of the moments pulls it
   * @param moments that the fit looks at
   */
  public record Calibrated(
      HeatStore store,
      double watts,
      double[] logFactors,
      RealMatrix covariance,
      List<ForwardRun.SimulatedSeries> tracks,
      double[][][] gain,
      int[] moments) {
    public double log(StoreFactor factor) {
      return logFactors[factor.ordinal()];
    }

    /** Whether the readings would have it farther from the design than any store is. */
    public boolean atBound(StoreFactor factor) {
      return Math.abs(log(factor)) > 0.99 * FARTHEST;
    }

    /** Half a 95 % interval of a factor's logarithm. */
    public double half(StoreFactor factor) {
      return 2 * Math.sqrt(covariance.getEntry(factor.ordinal(), factor.ordinal()));
    }

    /** How far each factor's logarithm is pulled by a probe that reads so many kelvins more. */
    double[] pulledBy(int probe, double[] kelvin) {
      return Arrays.stream(gain[probe])
          .mapToDouble(
              g -> {
                double sum = 0;
                for (int m = 0; m < moments.length; m++) {
                  sum += g[m] * kelvin[moments[m]];
                }
                return sum;
              })
          .toArray();
    }
  }

  /**
   * Prepares the fit.
   *
   * @param replay what the fit is by
   * @param sketch where it starts from
   */
  StoreCalibration(
      RunTimeline line,
      ForwardRun replay,
      ForwardRun sketch,
      HeatStore store,
      double watts,
      boolean labelled) {
    this.line = line;
    this.replay = replay;
    this.sketch = sketch;
    this.store = store;
    this.watts = watts;
    double spread = Math.max(0.05, store.medium().conductivity().relativeSpread());
    double zone = store.zone().equals(HeatedZone.everywhere()) ? 1e-3 : 0.6;
    prior =
        Arrays.stream(StoreFactor.values())
            .mapToDouble(
                f ->
                    switch (f) {
                      case POWER -> labelled ? LABEL : 1.0;
                      case CONDUCTIVITY -> spread;
                      case SIDE, ENDS, TOP_AGAINST_FOOT -> FACE;
                      case ZONE_REACH, ZONE_HEIGHT -> zone;
                    })
            .toArray();
    int n = line.at().length;
    int count = Math.min(MOST_MOMENTS, n);
    moments = new int[count];
    for (int i = 0; i < count; i++) {
      moments[i] = (int) ((long) i * (n - 1) / Math.max(1, count - 1));
    }
    sigma = sigmas();
  }

  /** Seconds between the moments at which a run is followed while it is fitted. */
  static double stepOf(RunTimeline line) {
    double span = line.at()[line.at().length - 1] - line.at()[0];
    return Math.min(LONGEST_STEP, Math.max(SHORTEST_STEP, span / STEPS));
  }

  private double[][] sigmas() {
    int count = store.probes().size();
    List<Probe> moved = new ArrayList<>(store.probes());
    for (double by : new double[] {-PLACE, PLACE}) {
      for (Probe p : store.probes()) {
        double radius = Math.max(0, Math.min(1, p.radiusFraction() + by));
        moved.add(new Probe(p.id(), radius, p.heightFraction()));
      }
    }
    double[][] told = replay.track(store.withProbes(moved), watts).probes();
    double[][] s = new double[count][moments.length];
    int last = line.at().length - 1;
    for (int p = 0; p < count; p++) {
      for (int m = 0; m < moments.length; m++) {
        int i = moments[m];
        double place = Math.abs(told[count + p][i] - told[2 * count + p][i]);
        double excess = Math.abs(told[p][i] - line.air()[i]);
        double model = MODEL + RISE * heatRise(line.air()[i], told[p][i]);
        double turning = Math.abs(told[p][Math.min(i + 1, last)] - told[p][Math.max(i - 1, 0)]);
        s[p][m] =
            Math.hypot(Math.hypot(SENSOR, place), Math.hypot(model * excess, TIMING * turning));
      }
    }
    return s;
  }

  /** By what share the fill takes more heat up to a temperature than it would by its cool state. */
  private double heatRise(double cool, double hot) {
    if (Math.abs(hot - cool) < 1) {
      return 0;
    }
    Enthalpy heat = store.medium().enthalpy();
    return Math.max(0, heat.between(cool, hot) / (heat.specificHeat(cool) * (hot - cool)) - 1);
  }

  Calibrated fit() {
    double[] start = new Search(sketch).from(new double[PARAMETERS]).log();
    // its cells are too few to tell the zone by
    start[StoreFactor.ZONE_REACH.ordinal()] = 0;
    start[StoreFactor.ZONE_HEIGHT.ordinal()] = 0;
    Tried tried = new Search(replay).from(start);
    double[] best = tried.log();
    double[][] j = tried.slope();
    int data = size() - PARAMETERS;
    double chi =
        Arrays.stream(tried.residuals()).limit(data).map(r -> r * r).sum() / Math.max(1, data);
    // neighbouring moments err together: count one independent reading per probe and six moments
    double inflate = Math.max(1, chi) * 6;
    RealMatrix information = MatrixUtils.createRealMatrix(PARAMETERS, PARAMETERS);
    for (int row = 0; row < j.length; row++) {
      double weight = row < data ? 1 / inflate : 1;
      for (int a = 0; a < PARAMETERS; a++) {
        for (int b = 0; b < PARAMETERS; b++) {
          information.addToEntry(a, b, weight * j[row][a] * j[row][b]);
        }
      }
    }
    return new Calibrated(
        changed(best),
        watts * factor(best, StoreFactor.POWER),
        best,
        MatrixUtils.inverse(information),
        tried.tracks(),
        gain(j),
        moments);
  }

  /** Of a least squares fit about its solution: the pseudo-inverse of its slopes. */
  private double[][][] gain(double[][] slope) {
    RealMatrix j = new Array2DRowRealMatrix(slope, false);
    RealMatrix inverse = MatrixUtils.inverse(j.transposeMultiply(j)).multiplyTransposed(j);
    double[][][] gain = new double[line.probes().length][PARAMETERS][moments.length];
    for (int p = 0; p < gain.length; p++) {
      for (int k = 0; k < PARAMETERS; k++) {
        for (int m = 0; m < moments.length; m++) {
          gain[p][k][m] = inverse.getEntry(k, p * moments.length + m) / sigma[p][m];
        }
      }
    }
    return gain;
  }

  private ForwardRun.SimulatedSeries track(double[] log, ForwardRun by) {
    return by.track(changed(log), watts * factor(held(log), StoreFactor.POWER));
  }

  private HeatStore changed(double[] factors) {
    double[] log = held(factors);
    double ends = log[StoreFactor.ENDS.ordinal()];
    double apart = log[StoreFactor.TOP_AGAINST_FOOT.ordinal()];
    return store
        .scaled(1, factor(log, StoreFactor.CONDUCTIVITY))
        .withFacesTimes(
            name ->
                switch (name) {
                  case SIDE -> factor(log, StoreFactor.SIDE);
                  case TOP -> Math.exp(ends + apart);
                  case FOOT -> Math.exp(ends - apart);
                })
        .withZone(
            store
                .zone()
                .stretched(
                    factor(log, StoreFactor.ZONE_REACH), factor(log, StoreFactor.ZONE_HEIGHT)));
  }

  private static double factor(double[] log, StoreFactor of) {
    return Math.exp(log[of.ordinal()]);
  }

  private static double[] moved(double[] log, int factor) {
    double[] moved = log.clone();
    if (factor >= 0) {
      moved[factor] += MOVED;
    }
    return moved;
  }

  private static double[] held(double[] log) {
    return Arrays.stream(log).map(x -> Math.max(-FARTHEST, Math.min(FARTHEST, x))).toArray();
  }

  private int size() {
    return line.probes().length * moments.length + PARAMETERS;
  }

  private double[] residuals(double[] log, ForwardRun.SimulatedSeries track) {
    double[] r = new double[size()];
    int row = 0;
    for (int p = 0; p < line.probes().length; p++) {
      for (int m = 0; m < moments.length; m++) {
        double measured = line.probes()[p][moments[m]];
        r[row++] =
            Double.isNaN(measured) ? 0 : (track.probes()[p][moments[m]] - measured) / sigma[p][m];
      }
    }
    for (int k = 0; k < PARAMETERS; k++) {
      r[row++] = log[k] / prior[k];
    }
    return r;
  }

  /** A search for the factors that meet the readings best. */
  private final class Search {
    private final ForwardRun by;
    private @Nullable Tried best;

    Search(ForwardRun by) {
      this.by = by;
    }

    /** The best point that was tried: readings that no store can give need not lead anywhere. */
    Tried from(double[] start) {
      var problem =
          new LeastSquaresBuilder()
              .model(point -> model(point.toArray()))
              .target(new double[size()])
              .start(start)
              .lazyEvaluation(false)
              .maxEvaluations(MOST_TRIES)
              .maxIterations(MOST_TRIES)
              .checker((i, a, b) -> a.getPoint().getLInfDistance(b.getPoint()) < CONVERGED)
              .build();
      try {
        new LevenbergMarquardtOptimizer()
            .withCostRelativeTolerance(1e-4)
            .withParameterRelativeTolerance(1e-3)
            .optimize(problem);
      } catch (MathIllegalStateException endless) {
        // the best so far stands
      }
      return Objects.requireNonNull(best);
    }

    private Pair<org.hipparchus.linear.RealVector, RealMatrix> model(double[] log) {
      // the point itself and one small step along each factor, at once
      List<double[]> points =
          IntStream.rangeClosed(0, PARAMETERS).mapToObj(k -> moved(log, k - 1)).toList();
      List<ForwardRun.SimulatedSeries> tracks =
          points.parallelStream().map(point -> track(point, by)).toList();
      double[] here = residuals(log, tracks.get(0));
      double[][] slope = new double[here.length][PARAMETERS];
      for (int k = 0; k < PARAMETERS; k++) {
        double[] there = residuals(points.get(k + 1), tracks.get(k + 1));
        for (int i = 0; i < here.length; i++) {
          slope[i][k] = (there[i] - here[i]) / MOVED;
        }
      }
      double cost = Arrays.stream(here).map(r -> r * r).sum();
      if (best == null || cost < best.cost()) {
        best = new Tried(held(log), here, slope, cost, tracks);
      }
      return new Pair<>(new ArrayRealVector(here, false), new Array2DRowRealMatrix(slope, false));
    }
  }
}
