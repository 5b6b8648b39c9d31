package nightbank.core.run;

import java.util.Arrays;
import java.util.stream.IntStream;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.Probe;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresBuilder;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LevenbergMarquardtOptimizer;
import org.hipparchus.util.Pair;

/**
 * Fits the conduction model to a run's probes: factors on source power, conductivity, face
 * transmittance, and on height and width of the heated zone, each with a prior from the label or
 * the catalogue's range (maximum a posteriori, least squares). Residuals are weighted by sensor
 * scatter, by the local slope times how well a probe's place is known, and by a share of the excess
 * for what the model leaves out.
 */
final class StoreCalibration {
  private static final int PARAMETERS = 5;
  private static final double LABEL = 0.03; // of a rated power, within the +5/-10 % of IEC 60335-1
  private static final double SENSOR = 0.4; // K
  private static final double PLACE = 0.02; // of the half width
  private static final double MODEL = 0.02; // of the excess over the air
  private static final int MOST_MOMENTS = 120;

  private final RunTimeline line;
  private final StoreReplay replay;
  private final HeatStore store;
  private final double watts;
  private final double[] prior;
  private final int[] moments;
  private final double[][] sigma;

  /**
   * Result of the fit.
   *
   * @param store the design as the readings show it
   * @param watts source power as the readings show it
   * @param logFactors of power, conductivity, faces, height and width of the heated zone
   * @param covariance of the same
   */
  record Calibrated(HeatStore store, double watts, double[] logFactors, RealMatrix covariance) {}

  StoreCalibration(
      RunTimeline line, StoreReplay replay, HeatStore store, double watts, boolean labelled) {
    this.line = line;
    this.replay = replay;
    this.store = store;
    this.watts = watts;
    double spread = Math.max(0.05, store.medium().conductivity().relativeSpread());
    double zone = store.zone().equals(HeatedZone.everywhere()) ? 1e-3 : 0.6;
    prior = new double[] {labelled ? LABEL : 1.0, spread, 0.35, zone, zone};
    int n = line.at().length;
    int count = Math.min(MOST_MOMENTS, n);
    moments = new int[count];
    for (int i = 0; i < count; i++) {
      moments[i] = (int) ((long) i * (n - 1) / Math.max(1, count - 1));
    }
    sigma = sigmas(replay.track(store, watts));
  }

  private double[][] sigmas(StoreReplay.Track nominal) {
    double[][] s = new double[nominal.probes().length][moments.length];
    var inward =
        replay.track(
            store.withProbes(
                store.probes().stream()
                    .map(
                        p ->
                            new Probe(
                                p.id(),
                                Math.max(0, p.radiusFraction() - PLACE),
                                p.heightFraction()))
                    .toList()),
            watts);
    var outward =
        replay.track(
            store.withProbes(
                store.probes().stream()
                    .map(
                        p ->
                            new Probe(
                                p.id(),
                                Math.min(1, p.radiusFraction() + PLACE),
                                p.heightFraction()))
                    .toList()),
            watts);
    for (int p = 0; p < s.length; p++) {
      for (int m = 0; m < moments.length; m++) {
        int i = moments[m];
        double place = Math.abs(inward.probes()[p][i] - outward.probes()[p][i]);
        double excess = Math.abs(nominal.probes()[p][i] - line.air()[i]);
        s[p][m] = Math.hypot(Math.hypot(SENSOR, place), MODEL * excess);
      }
    }
    return s;
  }

  Calibrated fit() {
    var problem =
        new LeastSquaresBuilder()
            .model(point -> model(point.toArray()))
            .target(new double[size()])
            .start(new double[PARAMETERS])
            .lazyEvaluation(false)
            .maxEvaluations(60)
            .maxIterations(25)
            .checker((i, a, b) -> a.getPoint().getLInfDistance(b.getPoint()) < 1e-4)
            .build();
    var optimum =
        new LevenbergMarquardtOptimizer()
            .withCostRelativeTolerance(1e-5)
            .withParameterRelativeTolerance(1e-4)
            .optimize(problem);
    double[] best = optimum.getPoint().toArray();
    RealMatrix j = optimum.getJacobian();
    int data = size() - PARAMETERS;
    double[] residuals = optimum.getResiduals().toArray();
    double chi = Arrays.stream(residuals).limit(data).map(r -> r * r).sum() / Math.max(1, data);
    // neighbouring moments err together: count one independent reading per probe and six moments
    double inflate = Math.max(1, chi) * 6;
    RealMatrix information = MatrixUtils.createRealMatrix(PARAMETERS, PARAMETERS);
    for (int row = 0; row < j.getRowDimension(); row++) {
      double weight = row < data ? 1 / inflate : 1;
      for (int a = 0; a < PARAMETERS; a++) {
        for (int b = 0; b < PARAMETERS; b++) {
          information.addToEntry(a, b, weight * j.getEntry(row, a) * j.getEntry(row, b));
        }
      }
    }
    return new Calibrated(
        changed(best), watts * Math.exp(best[0]), best, MatrixUtils.inverse(information));
  }

  HeatStore changed(double[] log) {
    return store
        .withMedium(store.medium().scaled(1, Math.exp(log[1])))
        .withFacesTimes(Math.exp(log[2]))
        .withZone(stretched(store.zone(), Math.exp(log[3]), Math.exp(log[4])));
  }

  private static HeatedZone stretched(HeatedZone zone, double tall, double wide) {
    double middle = (zone.lowFraction() + zone.highFraction()) / 2;
    double half = (zone.highFraction() - zone.lowFraction()) / 2 * tall;
    return new HeatedZone(
        Math.min(1, zone.radiusFraction() * wide),
        Math.max(0, middle - half),
        Math.min(1, middle + half));
  }

  private int size() {
    return line.probes().length * moments.length + PARAMETERS;
  }

  private Pair<org.hipparchus.linear.RealVector, RealMatrix> model(double[] log) {
    double step = 0.01;
    // the point itself and one small step along each factor, at once
    double[][] all =
        IntStream.rangeClosed(0, PARAMETERS)
            .parallel()
            .mapToObj(
                k -> {
                  double[] moved = log.clone();
                  if (k > 0) {
                    moved[k - 1] += step;
                  }
                  return residuals(moved);
                })
            .toArray(double[][]::new);
    double[] here = all[0];
    double[][] slope = new double[here.length][PARAMETERS];
    for (int k = 0; k < PARAMETERS; k++) {
      for (int i = 0; i < here.length; i++) {
        slope[i][k] = (all[k + 1][i] - here[i]) / step;
      }
    }
    return new Pair<>(new ArrayRealVector(here, false), new Array2DRowRealMatrix(slope, false));
  }

  private double[] residuals(double[] log) {
    double[] r = new double[size()];
    double[] held = log.clone();
    for (int k = 0; k < PARAMETERS; k++) {
      held[k] = Math.max(-2, Math.min(2, log[k]));
    }
    var track = replay.track(changed(held), watts * Math.exp(held[0]));
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
}
