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
 * @param mean standard deviation of the store's mean at each moment, K
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
        IntStream.rangeClosed(0, factors)
            .parallel()
            .mapToObj(
                k -> {
                  double[] log = fit.logFactors().clone();
                  if (k > 0) {
                    log[k - 1] += sd[k - 1];
                  }
                  double power = fit.watts() * Math.exp(log[0] - fit.logFactors()[0]);
                  HeatStore store = calibration.changed(log);
                  var track = replay.track(store, power, true);
                  double[] mean = CorrectedField.of(line, track, store).mean();
                  double tau =
                      part.flatMap(p -> p.fit(line, mean))
                          .map(CoolDownFit::timeConstantSeconds)
                          .orElse(Double.NaN);
                  return new Seen(mean, Math.log(tau));
                })
            .toArray(Seen[]::new);
    return new FitDoubt(
        IntStream.range(0, line.at().length)
            .mapToDouble(i -> spread(seen, s -> s.mean[i], sd, fit.covariance()))
            .toArray(),
        spread(seen, Seen::logTau, sd, fit.covariance()));
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
