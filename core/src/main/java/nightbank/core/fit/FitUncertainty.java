package nightbank.core.fit;

import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import nightbank.core.evidence.RunTimeline;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Probe;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.RealMatrix;

/**
 * How far what is said of a run hangs on what its probes do not tell of the store: what moves with
 * each fitted factor is put together by the factors' covariance (law of propagation, JCGM 100:2008,
 * 5.2). Neglects that the answers bend over the factors' doubts.
 *
 * @param mean standard deviation of the store's mean at each moment, K: of the fit, of where the
 *     probes truly are, and of what they leave open of the start, which fades as the inside evens
 *     out
 * @param logTau of ln τ of the cool-down, 0 without one
 */
public record FitUncertainty(double[] mean, double logTau) {
  private static final double SHARE_DOUBT = 0.35; // of the ground's share: soil, layers; estimate

  /** What is looked at of one set of factors. */
  private record Seen(double[] mean, double logTau) {
    static Seen of(double[] mean, RunTimeline line, Optional<QuasiSteadyWindow> part) {
      double tau =
          part.flatMap(p -> p.fit(line, mean))
              .map(CoolDownFit::timeConstantSeconds)
              .orElse(Double.NaN);
      return new Seen(mean, Math.log(tau));
    }
  }

  /** Each probe a little farther out, then a little higher: where it may truly be. */
  static List<Probe> displaced(List<Probe> probes) {
    return probes.stream()
        .flatMap(
            p ->
                Stream.of(
                    new Probe(p.id(), inside(p.radiusFraction()), p.heightFraction()),
                    new Probe(p.id(), p.radiusFraction(), inside(p.heightFraction()))))
        .toList();
  }

  private static double inside(double fraction) {
    return fraction
        + (fraction > 1 - StoreCalibration.PLACE
            ? -StoreCalibration.PLACE
            : StoreCalibration.PLACE);
  }

  /**
   * The doubt of a fit.
   *
   * @param bent track by the fit from a start bent the way in which its probes leave it open
   * @param startDoubt standard deviation of the mean at the start, K
   * @param places track by the fit of its probes {@link #displaced}
   */
  static FitUncertainty of(
      RunTimeline line,
      StoreCalibration.Calibrated fit,
      ForwardRun.SimulatedSeries bent,
      double startDoubt,
      ForwardRun.SimulatedSeries places,
      Optional<QuasiSteadyWindow> part) {
    HeatStore store = fit.store();
    List<Seen> seen =
        fit.tracks().stream()
            .map(track -> Seen.of(CorrectedField.mean(line, track, store), line, part))
            .toList();
    List<Seen> elsewhere =
        IntStream.range(0, places.probes().length)
            .mapToObj(
                q -> Seen.of(elsewhere(line, fit, seen, places.probes()[q], q / 2), line, part))
            .toList();
    double[] start = ofStart(seen.get(0).mean, CorrectedField.mean(line, bent, store), startDoubt);
    ToDoubleFunction<ToDoubleFunction<Seen>> doubt =
        answer ->
            Math.hypot(spread(seen, answer, fit.covariance()), apart(seen, elsewhere, answer));
    return new FitUncertainty(
        IntStream.range(0, line.at().length)
            .mapToDouble(i -> Math.hypot(start[i], doubt.applyAsDouble(s -> s.mean[i])))
            .toArray(),
        Math.hypot(doubt.applyAsDouble(Seen::logTau), ground(line, seen.get(0), part)));
  }

  /** What the ground's share of the loss moves in ln τ, times how far that share may be off. */
  private static double ground(RunTimeline line, Seen seen, Optional<QuasiSteadyWindow> part) {
    return part.filter(p -> p.intoGround() > 0)
        .flatMap(p -> p.intoAir().fit(line, seen.mean))
        .map(air -> SHARE_DOUBT * Math.abs(Math.log(air.timeConstantSeconds()) - seen.logTau))
        .filter(Double::isFinite)
        .orElse(0.0);
  }

  /**
   * The mean as it would be, did a probe read what another place has: fit and correction follow.
   */
  private static double[] elsewhere(
      RunTimeline line,
      StoreCalibration.Calibrated fit,
      List<Seen> seen,
      double[] there,
      int probe) {
    ForwardRun.SimulatedSeries here = fit.tracks().get(0);
    double[] more =
        IntStream.range(0, there.length)
            .mapToDouble(i -> there[i] - here.probes()[probe][i])
            .toArray();
    double[] pulled = fit.pulledBy(probe, more);
    double[] mean = CorrectedField.mean(line, here.reading(probe, more), fit.store());
    for (int i = 0; i < mean.length; i++) {
      for (int k = 0; k < pulled.length; k++) {
        mean[i] +=
            pulled[k] * (seen.get(k + 1).mean[i] - seen.get(0).mean[i]) / StoreCalibration.MOVED;
      }
    }
    return mean;
  }

  /** What the probes' places move, each by itself, put together. */
  private static double apart(
      List<Seen> seen, List<Seen> elsewhere, ToDoubleFunction<Seen> answer) {
    double at = answer.applyAsDouble(seen.get(0));
    double squares =
        elsewhere.stream()
            .mapToDouble(s -> answer.applyAsDouble(s) - at)
            .filter(Double::isFinite)
            .map(x -> x * x)
            .sum();
    return Math.sqrt(squares);
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
