package nightbank.core.run;

import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import nightbank.core.store.HeatStore;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.RealMatrix;

/**
 * How far what is said of a run hangs on what its probes do not tell of the store: what moves with
 * each fitted factor is put together by the factors' covariance (law of propagation, JCGM 100:2008,
 * 5.2). Neglects that the answers bend over the factors' doubts.
 *
 * @param mean standard deviation of the store's mean at each moment, K: of the fit, and of what its
 *     probes leave open of the start, which fades as the inside evens out
 * @param logTau of ln τ of the cool-down, 0 without one
 */
record FitDoubt(double[] mean, double logTau) {
  /** What is looked at of one set of factors. */
  private record Seen(double[] mean, double logTau) {}

  /**
   * The doubt of a fit.
   *
   * @param bent track by the fit from a start bent the way in which its probes leave it open
   * @param startDoubt standard deviation of the mean at the start, K
   */
  static FitDoubt of(
      RunTimeline line,
      StoreCalibration.Calibrated fit,
      StoreReplay.Track bent,
      double startDoubt,
      Optional<SettledPart> part) {
    HeatStore store = fit.store();
    List<Seen> seen =
        fit.tracks().stream()
            .map(
                track -> {
                  double[] mean = CorrectedField.mean(line, track, store);
                  double tau =
                      part.flatMap(p -> p.fit(line, mean))
                          .map(CoolDownFit::timeConstantSeconds)
                          .orElse(Double.NaN);
                  return new Seen(mean, Math.log(tau));
                })
            .toList();
    double[] start = ofStart(seen.get(0).mean, CorrectedField.mean(line, bent, store), startDoubt);
    return new FitDoubt(
        IntStream.range(0, line.at().length)
            .mapToDouble(i -> Math.hypot(start[i], spread(seen, s -> s.mean[i], fit.covariance())))
            .toArray(),
        spread(seen, Seen::logTau, fit.covariance()));
  }

  /** What is left of the start's doubt at each moment, as a bent start's effect fades; K. */
  private static double[] ofStart(double[] mean, double[] bent, double doubt) {
    double first = Math.abs(bent[0] - mean[0]);
    double[] left = new double[mean.length];
    double most = 0;
    for (int i = mean.length - 1; i >= 0; i--) {
      most = Math.max(most, Math.abs(bent[i] - mean[i]));
      left[i] = first > 1e-3 ? doubt * Math.min(1, most / first) : doubt;
    }
    return left;
  }

  /** Standard deviation of an answer, given at the fit and with each factor moved. */
  private static double spread(
      List<Seen> seen, ToDoubleFunction<Seen> answer, RealMatrix covariance) {
    double[] slope = new double[seen.size() - 1];
    for (int k = 0; k < slope.length; k++) {
      double moved = answer.applyAsDouble(seen.get(k + 1)) - answer.applyAsDouble(seen.get(0));
      slope[k] = Double.isFinite(moved) ? moved / StoreCalibration.MOVED : 0;
    }
    var g = new ArrayRealVector(slope, false);
    return Math.sqrt(Math.max(0, g.dotProduct(covariance.operate(g))));
  }
}
