package nightbank.core.fit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import nightbank.core.fit.HandPrior.Unknown;
import nightbank.core.fit.HandRecord.At;
import nightbank.core.fit.HandRecord.Reading;
import nightbank.core.store.HeatStore;
import nightbank.core.store.model.StoreState;
import org.hipparchus.exception.MathIllegalStateException;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresBuilder;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LevenbergMarquardtOptimizer;
import org.hipparchus.util.Pair;

/**
 * A store judged from however few readings by hand there are. Everything that nobody measured has a
 * prior ({@link HandPrior}). The most likely of all (maximum a posteriori) meets readings and
 * priors best; the doubt of every answer is what the unknowns' covariance about it moves (Laplace;
 * law of propagation, JCGM 100:2008, 5.2). With no reading at all it is the description's own
 * forecast.
 *
 * <p>Neglects that films fall as a store cools, sun, draught and a lid's hours; a store that is
 * charged is taken to have evened out since its last charge.
 */
public final class HandFit {
  private static final double MOVED = 0.1; // of a standard deviation, to see what hangs on it
  private static final double CONVERGED = 0.01; // of one
  private static final int MOST_TRIES = 40;
  private static final int PASSES = 2; // what a reading is worth hangs on where it was read
  private static final double WIDE = 2; // standard deviations either way: 95.4 %
  private static final double UNREAD = 1e6; // K: a reading that nobody has taken tells nothing
  private static final int HALF_LIFE = 2; // its place in what is asked
  private static final double STRAINED = 3; // standard deviations that no careful person is out by

  /** An answer with its 95 % interval. */
  public record Estimate(double value, double low, double high) {}

  /**
   * A store as it cooled, most likely.
   *
   * @param fullCelsius its mean at the end of the charge, or when it was first read
   * @param airCelsius mean from then to the last reading
   * @param airSwing from the lowest to the highest, K
   * @param capacity J/K
   */
  public record Setting(double fullCelsius, double airCelsius, double airSwing, double capacity) {}

  /** What of a description goes against what was read. */
  public enum Strain {
    CONDUCTIVITY,
    HEAT_CAPACITY,
    COVERS,
    GROUND,
    SOURCE,
    START,
    AIR,
    READINGS
  }

  /**
   * What the readings come to; energies above the store's floor, J.
   *
   * @param halfLife from the end of the charge until half of what it holds above its surroundings
   *     has left, the evening out included, s; absent where it is hardly warmer than they are
   * @param timeConstant of its late cooling, s; absent likewise
   * @param loss W per kelvin of its mean above the surroundings, late; absent likewise
   * @param brought J by the source, absent without one
   * @param means at the record's readings, °C
   * @param setting it as it cooled
   * @param learned the store as the readings leave it likeliest
   * @param last how it stood at the last reading
   * @param strain what would have to be far from what is described, absent where nothing is
   * @param misfit Σ ((read − model)/σ)² + Σ z², with 2 ln σ of each reading: the lower, the
   *     likelier
   */
  public record Answer(
      Estimate atEnd,
      Estimate atLast,
      Optional<Estimate> halfLife,
      Optional<Estimate> timeConstant,
      Optional<Estimate> loss,
      Optional<Estimate> brought,
      List<Estimate> means,
      Setting setting,
      HeatStore learned,
      StoreState last,
      Optional<Strain> strain,
      double misfit) {}

  private final HandRecord record;
  private final HandPrior prior;
  private final double[] sigma;

  private HandFit(HandRecord record) {
    this.record = record;
    prior = new HandPrior(record);
    sigma = record.readings().stream().mapToDouble(Reading::sigma).toArray();
  }

  /** What the readings come to. */
  public static Answer of(HandRecord record) {
    return new HandFit(record).answer();
  }

  /**
   * The reading that would tell most of a half-life.
   *
   * @param reading of those that were offered
   * @param before half a 95 % interval of it as it is told now, as a share of it
   * @param after the same with the reading
   */
  public record Telling(Reading reading, double before, double after) {}

  /** Which of some readings, were it taken too, would tell most; empty where nothing cools. */
  public static Optional<Telling> mostTelling(HandRecord record, List<Reading> offered) {
    List<Reading> all = new ArrayList<>(record.readings());
    offered.forEach(r -> all.add(new Reading(r.at(), r.probe(), r.seconds(), r.celsius(), UNREAD)));
    return new HandFit(
            new HandRecord(record.store(), record.charge(), record.start(), record.around(), all))
        .mostTelling(offered);
  }

  private Optional<Telling> mostTelling(List<Reading> offered) {
    double[] best = likeliest();
    HandRun run = new HandRun(record, prior, best);
    double[] asked = asked(run);
    double[][] byUnknown = new double[asked.length][prior.size()];
    double[][] slope = slopes(best, run, asked, byUnknown);
    if (!Double.isFinite(asked[HALF_LIFE])) {
      return Optional.empty();
    }
    RealMatrix covariance = covariance(slope);
    ArrayRealVector half = new ArrayRealVector(byUnknown[HALF_LIFE], false);
    double variance = half.dotProduct(covariance.operate(half));
    Reading found = null;
    double most = 0;
    for (int i = 0; i < sigma.length; i++) {
      if (sigma[i] < UNREAD / 2) {
        continue;
      }
      Reading r = record.readings().get(i);
      RealVector by = new ArrayRealVector(slope[i], false).mapMultiply(sigma[i]);
      RealVector spread = covariance.operate(by);
      double own = offered.get(0).sigma();
      double told = by.dotProduct(spread) + own * own + run.doubt[i] * run.doubt[i];
      double shared = half.dotProduct(spread);
      if (shared * shared / told > most) {
        most = shared * shared / told;
        found = r;
      }
    }
    double share = WIDE / asked[HALF_LIFE];
    return found == null
        ? Optional.empty()
        : Optional.of(
            new Telling(
                found,
                share * Math.sqrt(variance),
                share * Math.sqrt(Math.max(0, variance - most))));
  }

  private double[] likeliest() {
    double[] best = new double[prior.size()];
    for (int pass = 0; pass < PASSES && sigma.length > 0; pass++) {
      weigh(new HandRun(record, prior, best));
      best = mostLikely(best);
    }
    return best;
  }

  private static RealMatrix covariance(double[][] slope) {
    RealMatrix j = new Array2DRowRealMatrix(slope, false);
    return MatrixUtils.inverse(j.transposeMultiply(j));
  }

  private Answer answer() {
    double[] best = likeliest();
    HandRun run = new HandRun(record, prior, best);
    double[] asked = asked(run);
    double[][] byUnknown = new double[asked.length][prior.size()];
    RealMatrix covariance = covariance(slopes(best, run, asked, byUnknown));
    double[] sd = new double[asked.length];
    for (int q = 0; q < sd.length; q++) {
      ArrayRealVector by = new ArrayRealVector(byUnknown[q], false);
      sd[q] = Math.sqrt(Math.max(0, by.dotProduct(covariance.operate(by))));
    }
    return new Answer(
        positive(asked[0], sd[0]),
        positive(asked[1], sd[1]),
        known(asked[2], sd[2]),
        known(asked[3], sd[3]),
        known(asked[4], sd[4]),
        record.charge().heats() ? known(asked[5], sd[5]) : Optional.empty(),
        IntStream.range(6, asked.length)
            .mapToObj(q -> new Estimate(asked[q], asked[q] - WIDE * sd[q], asked[q] + WIDE * sd[q]))
            .toList(),
        run.setting(),
        run.store,
        run.last(),
        strain(best, run),
        misfit(best, run));
  }

  private double misfit(double[] best, HandRun run) {
    double sum = 0;
    for (int i = 0; i < sigma.length; i++) {
      double off = missed(i, run);
      sum += off * off + 2 * Math.log(sigma[i]);
    }
    for (double z : best) {
      sum += z * z;
    }
    return sum;
  }

  /** What is asked of a run, in the order of {@link Answer}, then the means. */
  private static double[] asked(HandRun run) {
    HandCooling c = run.cooling();
    double[] asked = Arrays.copyOf(new double[6], 6 + run.means.length);
    asked[0] = run.usableAtEnd();
    asked[1] = run.usableAtLast();
    asked[2] = c.halfLife();
    asked[3] = c.timeConstant();
    asked[4] = c.loss();
    asked[5] = run.brought();
    System.arraycopy(run.means, 0, asked, 6, run.means.length);
    return asked;
  }

  private static Optional<Estimate> known(double value, double sd) {
    return Double.isFinite(value) && Double.isFinite(sd)
        ? Optional.of(positive(value, sd))
        : Optional.empty();
  }

  /** Of what is never below nothing: as a ratio, and where that has no meaning from nothing on. */
  private static Estimate positive(double value, double sd) {
    double wide = WIDE * sd;
    double ratio = Math.exp(wide / value);
    return value > wide / 2
        ? new Estimate(value, value / ratio, value * ratio)
        : new Estimate(value, 0, value + wide);
  }

  private double missed(int i, HandRun run) {
    return record.readings().get(i).miss(run.read[i]) / sigma[i];
  }

  /** Whether a reading only tells that it was so hot, and the model is hotter. */
  private boolean tellsNothing(int i, HandRun run) {
    Reading r = record.readings().get(i);
    return r.atLeast() && run.read[i] > r.celsius();
  }

  private void weigh(HandRun run) {
    for (int i = 0; i < sigma.length; i++) {
      sigma[i] = Math.hypot(record.readings().get(i).sigma(), run.doubt[i]);
    }
  }

  private double[] mostLikely(double[] start) {
    int n = prior.size();
    int m = sigma.length;
    var problem =
        new LeastSquaresBuilder()
            .model(
                point -> {
                  double[] z = point.toArray();
                  HandRun run = new HandRun(record, prior, z);
                  double[] value = new double[m + n];
                  for (int i = 0; i < m; i++) {
                    value[i] = missed(i, run);
                  }
                  System.arraycopy(z, 0, value, m, n);
                  return new Pair<>(
                      new ArrayRealVector(value, false),
                      new Array2DRowRealMatrix(
                          slopes(z, run, new double[0], new double[0][]), false));
                })
            .target(new double[m + n])
            .start(start)
            .lazyEvaluation(false)
            .maxEvaluations(MOST_TRIES)
            .maxIterations(MOST_TRIES)
            .checker((i, a, b) -> a.getPoint().getLInfDistance(b.getPoint()) < CONVERGED)
            .build();
    try {
      return new LevenbergMarquardtOptimizer().optimize(problem).getPoint().toArray();
    } catch (MathIllegalStateException endless) {
      return start; // readings that no store can give lead nowhere: it stays as described
    }
  }

  /**
   * By each unknown: rows of the readings in their sigmas, then of the priors.
   *
   * @param asked of the run here; empty where nothing is asked
   * @param byUnknown filled with what is asked by each unknown
   */
  private double[][] slopes(double[] z, HandRun here, double[] asked, double[][] byUnknown) {
    int m = sigma.length;
    double[][] slope = new double[m + prior.size()][prior.size()];
    IntStream.range(0, HandPrior.ofStore())
        .parallel()
        .filter(k -> !prior.isKnown(k))
        .forEach(
            k -> {
              double[] moved = z.clone();
              moved[k] += MOVED;
              HandRun there = new HandRun(record, prior, moved);
              for (int i = 0; i < m; i++) {
                slope[i][k] =
                    tellsNothing(i, here) ? 0 : (there.read[i] - here.read[i]) / MOVED / sigma[i];
              }
              double[] then = asked.length == 0 ? asked : asked(there);
              for (int q = 0; q < asked.length; q++) {
                byUnknown[q][k] = (then[q] - asked[q]) / MOVED;
              }
            });
    for (int i = 0; i < m; i++) {
      Reading r = record.readings().get(i);
      if (r.at() != At.AIR && !tellsNothing(i, here)) {
        int k = HandPrior.of(r.probe());
        slope[i][k] = here.byRadius[i] * prior.sd(k) / sigma[i];
        slope[i][k + 1] = here.byHeight[i] * prior.sd(k + 1) / sigma[i];
        slope[i][k + 2] = prior.sd(k + 2) / sigma[i];
      }
    }
    for (int k = 0; k < prior.size(); k++) {
      slope[m + k][k] = 1;
    }
    return slope;
  }

  private Optional<Strain> strain(double[] best, HandRun run) {
    int most = 0;
    for (int k = 0; k < HandPrior.ofStore(); k++) {
      most = Math.abs(best[k]) > Math.abs(best[most]) ? k : most;
    }
    if (Math.abs(best[most]) > STRAINED) {
      return Optional.of(strain(Unknown.values()[most]));
    }
    for (int i = 0; i < sigma.length; i++) {
      Reading r = record.readings().get(i);
      int error = r.at() == At.AIR ? -1 : HandPrior.of(r.probe()) + 2;
      boolean off = Math.abs(missed(i, run)) > STRAINED;
      if (off || error >= 0 && Math.abs(best[error]) > STRAINED) {
        return Optional.of(Strain.READINGS);
      }
    }
    return Optional.empty();
  }

  private static Strain strain(Unknown u) {
    return switch (u) {
      case CONDUCTIVITY -> Strain.CONDUCTIVITY;
      case HEAT_CAPACITY -> Strain.HEAT_CAPACITY;
      case LAYERS, FILM -> Strain.COVERS;
      case GROUND -> Strain.GROUND;
      case POWER, REACH, BEGUN, ENDED -> Strain.SOURCE;
      case START -> Strain.START;
      case AIR, TREND, SWING -> Strain.AIR;
    };
  }
}
