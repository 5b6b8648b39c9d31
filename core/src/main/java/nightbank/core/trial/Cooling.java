package nightbank.core.trial;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nightbank.core.fit.HandFit;
import nightbank.core.judgement.HandJudge;
import nightbank.core.judgement.JudgedRun;

/**
 * How one run cooled, whether a logger followed it or somebody read it now and then.
 *
 * @param timeConstant s, with its 95 % interval
 * @param capacity J/K
 * @param lossHalf half a 95 % interval of the logarithm of its loss
 * @param start K over the air at the beginning
 * @param air its mean meanwhile, °C
 * @param swing from its lowest to its highest, K
 * @param fall K over the part used
 * @param seconds for which it was followed
 * @param missed seconds since its beginning and by how much the readings' mean lay over the
 *     exponential, K; thinned
 */
public record Cooling(
    HandFit.Estimate timeConstant,
    double capacity,
    double lossHalf,
    double start,
    double air,
    double swing,
    double fall,
    double seconds,
    List<double[]> missed) {
  private static final int DOTS = 150;

  /** Of a run that a logger followed; empty where it tells no cool-down. */
  public static Optional<Cooling> of(JudgedRun run) {
    return run.coolDown().map(d -> of(run, d));
  }

  private static Cooling of(JudgedRun run, JudgedRun.CoolDown d) {
    double sum = 0;
    double low = Double.POSITIVE_INFINITY;
    double high = Double.NEGATIVE_INFINITY;
    int n = 0;
    long[] at = run.at();
    double[] since = new double[at.length];
    for (int i = 0; i < at.length; i++) {
      since[i] = at[i] - d.from();
      if (at[i] >= d.from() && at[i] <= d.to()) {
        sum += run.air()[i];
        low = Math.min(low, run.air()[i]);
        high = Math.max(high, run.air()[i]);
        n++;
      }
    }
    double air = sum / Math.max(1, n);
    double seconds = d.to() - d.from();
    double[] fit = d.curve(since, run.air(), seconds);
    int every = Math.max(1, (int) (seconds / DOTS / Math.max(1, at[1] - at[0])));
    List<double[]> missed = new ArrayList<>();
    for (int i = 0; i < at.length; i += every) {
      if (since[i] >= 0 && since[i] <= seconds) {
        missed.add(new double[] {since[i], run.mean()[i] - fit[i]});
      }
    }
    return new Cooling(
        new HandFit.Estimate(d.fit().timeConstantSeconds(), d.fit().low(), d.fit().high()),
        d.capacity(),
        Math.log(d.lossHigh() / d.lossLow()) / 2,
        d.fit().startCelsius() - air,
        air,
        high - low,
        d.fit().fallKelvin(),
        seconds,
        missed);
  }

  /** Of a run of few readings; empty where it was hardly warmer than its air, or read only then. */
  public static Optional<Cooling> of(HandJudge.Judged few) {
    HandFit.Answer a = few.answer();
    List<HandJudge.Mean> after = few.means().stream().filter(m -> m.at() > few.to()).toList();
    if (a.timeConstant().isEmpty() || a.loss().isEmpty() || after.isEmpty()) {
      return Optional.empty();
    }
    HandFit.Setting s = a.setting();
    double start = s.fullCelsius() - s.airCelsius();
    double tau = a.timeConstant().get().value();
    List<double[]> missed = new ArrayList<>();
    for (HandJudge.Mean m : after) {
      double since = m.at() - few.to();
      double fit = s.airCelsius() + start * Math.exp(-since / tau);
      missed.add(new double[] {since, m.celsius().value() - fit});
    }
    HandJudge.Mean last = after.get(after.size() - 1);
    HandFit.Estimate loss = a.loss().get();
    return Optional.of(
        new Cooling(
            a.timeConstant().get(),
            s.capacity(),
            Math.log(loss.high() / loss.low()) / 2,
            start,
            s.airCelsius(),
            s.airSwing(),
            s.fullCelsius() - last.celsius().value(),
            last.at() - few.to(),
            missed));
  }

  double logTau() {
    return Math.log(timeConstant.value());
  }

  double logHalf() {
    return Math.log(timeConstant.high() / timeConstant.low()) / 2;
  }

  /** Mean excess over the part used, K. */
  double meanExcess() {
    return Math.max(1, start - fall / 2);
  }

  /** Half-width of ln C, from the material's spread alone. */
  double materialHalf() {
    return Math.sqrt(Math.max(0, lossHalf * lossHalf - logHalf() * logHalf()));
  }
}
