package nightbank.core.run;

import java.util.Optional;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import nightbank.core.store.HeatStore;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.RealMatrix;

/**
 * How far what is said of a run hangs on what its probes do not tell of the store: each fitted
 * factor is moved by its own doubt, and what that moves is put together by the factors' covariance
 * (law of propagation, JCGM 100:2008, 5.2). Neglects that the answers bend between.
 *
 * @param mean standard deviation of the store's mean at each moment, K: of the fit, and of what its
 *     probes leave open of the start, which fades as the inside evens out
 * @param logTau of ln τ of the cool-down, 0 without one
 */
record FitDoubt(double[] mean, double logTau) {
  /** What is looked at of one set of factors. */
  private record Seen(double[] mean, double logTau) {}

  static FitDoubt of(
      RunTimeline line,
      StoreReplay replay,
      StoreCalibration calibration,
      StoreCalibration.Calibrated fit,
      Optional<SettledPart> part) {
    int factors = fit.logFactors().length;
    double[] sd =
        IntStream.range(0, factors)
            .mapToDouble(k -> Math.sqrt(fit.covariance().getEntry(k, k)))
            .toArray();
    Seen[] seen =
        IntStream.rangeClosed(0, factors + 1)
            .parallel()
            .mapToObj(
                k -> {
                  double[] log = fit.logFactors().clone();
                  if (k > 0 && k <= factors) {
                    log[k - 1] += sd[k - 1];
                  }
                  double power = fit.watts() * Math.exp(log[0] - fit.logFactors()[0]);
                  HeatStore store = calibration.changed(log);
                  var track =
                      k > factors ? replay.bentTrack(store, power) : replay.track(store, power);
                  double[] mean = CorrectedField.mean(line, track, store);
                  double tau =
                      part.flatMap(p -> p.fit(line, mean))
                          .map(CoolDownFit::timeConstantSeconds)
                          .orElse(Double.NaN);
                  return new Seen(mean, Math.log(tau));
                })
            .toArray(Seen[]::new);
    double[] start = ofStart(seen[0].mean, seen[factors + 1].mean, replay.startDoubt());
    return new FitDoubt(
        IntStream.range(0, line.at().length)
            .mapToDouble(
                i -> Math.hypot(start[i], spread(seen, s -> s.mean[i], sd, fit.covariance())))
            .toArray(),
        spread(seen, Seen::logTau, sd, fit.covariance()));
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

  /** Standard deviation of an answer, given at the fit and with each factor moved by its own. */
  private static double spread(
      Seen[] seen, ToDoubleFunction<Seen> answer, double[] sd, RealMatrix covariance) {
    double[] slope = new double[sd.length];
    for (int k = 0; k < sd.length; k++) {
      double moved = answer.applyAsDouble(seen[k + 1]) - answer.applyAsDouble(seen[0]);
      slope[k] = Double.isFinite(moved) && sd[k] > 0 ? moved / sd[k] : 0;
    }
    var g = new ArrayRealVector(slope, false);
    return Math.sqrt(Math.max(0, g.dotProduct(covariance.operate(g))));
  }
}
