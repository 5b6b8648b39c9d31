package nightbank.core.fit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.IntStream;
import nightbank.core.fit.LearnedHouse.Factor;
import nightbank.core.fit.LearnedHouse.NightLearned;
import nightbank.core.fit.LearnedHouse.Share;
import nightbank.core.forecast.NightForecast;
import nightbank.core.house.Greenhouse;
import nightbank.core.internal.Fingerprint;
import org.hipparchus.distribution.continuous.TDistribution;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresBuilder;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresOptimizer;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LevenbergMarquardtOptimizer;
import org.hipparchus.util.Pair;
import org.jspecify.annotations.Nullable;

/**
 * Learns a house from its logged nights: factors on skin, draught and slow mass by least squares,
 * with priors as wide as designs are unsure, and a free start of the mass for every night (maximum
 * a posteriori). Nights that fit badly count less (weights after Huber, by whole nights), and those
 * whose loss stands out are left out and told; intervals are the wider of posterior and of a
 * sandwich clustered by night (Liang and Zeger 1986), with Student's t over nights, and wider still
 * by what is taken as given and may be wrong on every night alike: the stores' heat, the sky, the
 * soil (consider covariance: Tapley, Schutz and Born, Statistical Orbit Determination, 6.1). Stores
 * enter by the heat that they were judged to have given, so what a store was worth is the same
 * night with its heat left out. That neglects that a colder house would have drawn more from the
 * stores that stay, and that the day before would have been colder too.
 */
public final class HouseFit {
  /** Of this code: to be raised with any change that learns differently from the same nights. */
  private static final int VERSION = 1;

  /** Fewer nights say nothing. */
  public static final int LEAST_NIGHTS = 3;

  private static final int SHARED = NightReplay.SHARED;
  private static final double[] PRIOR = {
    NightForecast.SKIN, NightForecast.LEAK, NightForecast.MASS
  }; // sd of log
  private static final double[] GIVEN = {0.18, 0.5, NightForecast.SOIL}; // stores' heat, sky, soil
  private static final double START = 2; // K, sd of a night's mass about the mean of its day
  private static final double CORRELATED = 6; // residuals that count as one: errors last 3 h
  private static final double LEAST_SCATTER = 0.3; // K, of sensor and place
  private static final double HUBER = 1.5;
  private static final double CALM_WIND = 2; // m/s
  private static final double MOST_FACTOR = 55; // a little over e^4
  private static final double LEAST_FACTOR = 0.018;
  private static final double UNLIKE = Math.log(1.25);
  private static final double OWN = 0.5; // sd of the log of one night's loss over the usual one

  private final Greenhouse house;
  private final List<LoggedNight> nights;
  private final NightReplay replay;

  private HouseFit(Greenhouse house, List<LoggedNight> nights) {
    this.house = house;
    this.nights = nights;
    replay = new NightReplay(house, nights);
  }

  /** SHA-256 of all that {@link #of} rests on. */
  public static String fingerprint(Greenhouse described, List<LoggedNight> nights) {
    return Fingerprint.of(VERSION, described, nights);
  }

  /** Learns; empty with fewer than three nights. */
  public static Optional<LearnedHouse> of(Greenhouse design, List<LoggedNight> nights) {
    return nights.size() < LEAST_NIGHTS
        ? Optional.empty()
        : Optional.of(new HouseFit(design, nights).fit());
  }

  /** The design with factors of its own: what a fit found, or what a night was like. */
  public static Greenhouse changed(Greenhouse design, double skin, double leak, double mass) {
    for (double factor : new double[] {skin, leak, mass}) {
      if (!(factor >= LEAST_FACTOR && factor <= MOST_FACTOR)) {
        throw new IllegalArgumentException("a factor must lie between 0.018 and 55, was " + factor);
      }
    }
    return design.scaled(skin, leak).heavier(mass);
  }

  private LearnedHouse fit() {
    int n = nights.size();
    Fitted first = fitted(new double[SHARED + n], new boolean[n]);
    List<Own> own = own(first);
    boolean[] left = new boolean[n];
    int unlike = 0;
    for (int i = 0; i < n; i++) {
      left[i] = unlike(own, i);
      unlike += left[i] ? 1 : 0;
    }
    boolean again = unlike > 0 && n - unlike >= LEAST_NIGHTS;
    return learned(again ? fitted(first.point, left) : first);
  }

  /** Where a fit came to rest. */
  private record Fitted(
      LeastSquaresOptimizer.Optimum best, double[] point, double[] weight, double scatter) {}

  /**
   * Fits, nights that fit badly weighing less.
   *
   * @param left nights that are not looked at
   */
  private Fitted fitted(double[] start, boolean[] left) {
    int n = nights.size();
    double[] point = start.clone();
    double[] weight = new double[n];
    for (int i = 0; i < n; i++) {
      weight[i] = left[i] ? 0 : 1;
    }
    double scatter = 1;
    LeastSquaresOptimizer.@Nullable Optimum best = null;
    for (int round = 0; round < 4; round++) {
      best = solve(point, weight, scatter);
      point = best.getPoint().toArray();
      replay.hold(point);
      double[] rms = replay.scatters(point);
      scatter = Math.max(LEAST_SCATTER, median(rms));
      for (int i = 0; i < n; i++) {
        weight[i] = left[i] ? 0 : Math.min(1, HUBER * scatter / rms[i]);
      }
    }
    return new Fitted(Objects.requireNonNull(best), point, weight, scatter);
  }

  private LearnedHouse learned(Fitted f) {
    int n = nights.size();
    LeastSquaresOptimizer.Optimum best = f.best;
    double[] point = f.point;
    double[] weight = f.weight;
    double scatter = f.scatter;
    RealMatrix covariance = covariance(best, n).add(considered(best, point, weight, scatter));
    double t = new TDistribution(n - 1.0).inverseCumulativeProbability(0.975);
    double[] half = new double[SHARED];
    for (int k = 0; k < SHARED; k++) {
      half[k] = t * Math.sqrt(covariance.getEntry(k, k));
    }
    Factor loss = loss(point, covariance, t);
    return new LearnedHouse(
        house.lossCoefficient(CALM_WIND),
        new Factor(Math.exp(point[0]), half[0]),
        new Factor(Math.exp(point[1]), half[1]),
        new Factor(Math.exp(point[2]), half[2]),
        loss,
        scatter,
        each(f, loss.value() * house.lossCoefficient(CALM_WIND)));
  }

  private Factor loss(double[] point, RealMatrix covariance, double t) {
    double draught = house.draughtCoefficient(CALM_WIND);
    double skin = house.lossCoefficient(CALM_WIND) - draught;
    double a = skin * Math.exp(point[0]);
    double b = draught * Math.exp(point[1]);
    double u = a / (a + b);
    double v = b / (a + b);
    double variance =
        u * u * covariance.getEntry(0, 0)
            + 2 * u * v * covariance.getEntry(0, 1)
            + v * v * covariance.getEntry(1, 1);
    return new Factor((a + b) / (skin + draught), t * Math.sqrt(Math.max(0, variance)));
  }

  /** Factors shared by all nights, and where the mass of each began. */
  private LeastSquaresOptimizer.Optimum solve(double[] start, double[] weight, double scatter) {
    double sigma = scatter * Math.sqrt(CORRELATED);
    return least(
        start,
        point -> {
          List<double[][]> blocks =
              IntStream.range(0, nights.size())
                  .parallel()
                  .mapToObj(i -> block(i, point, Math.sqrt(weight[i]) / sigma))
                  .toList();
          return assembled(point, blocks);
        });
  }

  /** Residuals of one night, then their slopes by each shared factor and by its own start. */
  private double[][] block(int i, double[] point, double weight) {
    double step = 0.01;
    double[] log = NightReplay.logs(point[0], point[1], point[2], point[SHARED + i]);
    double[][] rows = new double[SHARED + 2][];
    rows[0] = replay.residuals(i, log, weight);
    for (int k = 0; k <= SHARED; k++) {
      double[] moved = log.clone();
      moved[k] += step;
      rows[k + 1] = replay.residuals(i, moved, weight);
      for (int r = 0; r < rows[0].length; r++) {
        rows[k + 1][r] = (rows[k + 1][r] - rows[0][r]) / step;
      }
    }
    return rows;
  }

  private Pair<RealVector, RealMatrix> assembled(double[] point, List<double[][]> blocks) {
    int data = blocks.stream().mapToInt(b -> b[0].length).sum();
    double[] value = new double[data + point.length];
    double[][] slope = new double[data + point.length][point.length];
    int row = 0;
    for (int i = 0; i < blocks.size(); i++) {
      double[][] b = blocks.get(i);
      for (int r = 0; r < b[0].length; r++) {
        value[row] = b[0][r];
        for (int k = 0; k < SHARED; k++) {
          slope[row][k] = b[k + 1][r];
        }
        slope[row][SHARED + i] = b[SHARED + 1][r];
        row++;
      }
    }
    for (int k = 0; k < point.length; k++) {
      double prior = k < SHARED ? PRIOR[k] : START;
      value[row] = point[k] / prior;
      slope[row++][k] = 1 / prior;
    }
    return new Pair<>(new ArrayRealVector(value, false), new Array2DRowRealMatrix(slope, false));
  }

  private static LeastSquaresOptimizer.Optimum least(
      double[] start, java.util.function.Function<double[], Pair<RealVector, RealMatrix>> model) {
    var first = model.apply(start);
    var problem =
        new LeastSquaresBuilder()
            .model(p -> model.apply(p.toArray()))
            .target(new double[first.getFirst().getDimension()])
            .start(start)
            .lazyEvaluation(false)
            .maxEvaluations(80)
            .maxIterations(30)
            .checker((i, a, b) -> a.getPoint().getLInfDistance(b.getPoint()) < 1e-3)
            .build();
    return new LevenbergMarquardtOptimizer()
        .withCostRelativeTolerance(1e-5)
        .withParameterRelativeTolerance(1e-4)
        .optimize(problem);
  }

  /** The wider of the posterior and of a sandwich clustered by night. */
  private RealMatrix covariance(LeastSquaresOptimizer.Optimum best, int n) {
    RealMatrix j = best.getJacobian();
    double[] r = best.getResiduals().toArray();
    RealMatrix bread = MatrixUtils.inverse(j.transposeMultiply(j));
    RealMatrix meat = MatrixUtils.createRealMatrix(j.getColumnDimension(), j.getColumnDimension());
    int row = 0;
    for (int i = 0; i < n; i++) {
      RealVector pull = new ArrayRealVector(j.getColumnDimension());
      for (int k = 0; k < replay.samples(i); k++, row++) {
        pull = pull.add(j.getRowVector(row).mapMultiply(r[row]));
      }
      meat = meat.add(pull.outerProduct(pull).scalarMultiply(n / (n - 1.0)));
    }
    RealMatrix sandwich = bread.multiply(meat).multiply(bread);
    RealMatrix wide = bread.copy();
    for (int a = 0; a < SHARED; a++) {
      double times = Math.sqrt(Math.max(1, sandwich.getEntry(a, a) / bread.getEntry(a, a)));
      for (int b = 0; b < SHARED; b++) {
        wide.multiplyEntry(a, b, times);
        wide.multiplyEntry(b, a, times);
      }
    }
    return wide;
  }

  /** What the factors move by when something taken as given is wrong. */
  private RealMatrix considered(
      LeastSquaresOptimizer.Optimum best, double[] point, double[] weight, double scatter) {
    double step = 0.02;
    RealMatrix j = best.getJacobian();
    RealMatrix bread = MatrixUtils.inverse(j.transposeMultiply(j));
    RealMatrix sum = MatrixUtils.createRealMatrix(j.getColumnDimension(), j.getColumnDimension());
    for (int g = 0; g < GIVEN.length; g++) {
      double[] slope = new double[j.getRowDimension()];
      int row = 0;
      for (int i = 0; i < nights.size(); i++) {
        double[] log = NightReplay.logs(point[0], point[1], point[2], point[SHARED + i]);
        double times = Math.sqrt(weight[i] / CORRELATED) / scatter;
        double[] here = replay.residuals(i, log, times);
        log[SHARED + 1 + g] = step;
        double[] there = replay.residuals(i, log, times);
        for (int r = 0; r < here.length; r++) {
          slope[row++] = (there[r] - here[r]) / step;
        }
      }
      RealVector move =
          bread.operate(j.transpose().operate(new ArrayRealVector(slope))).mapMultiply(GIVEN[g]);
      sum = sum.add(move.outerProduct(move));
    }
    return sum;
  }

  private static double median(double[] values) {
    double[] sorted = values.clone();
    Arrays.sort(sorted);
    int n = sorted.length;
    return n % 2 == 1 ? sorted[n / 2] : (sorted[n / 2 - 1] + sorted[n / 2]) / 2;
  }

  private record Own(double loss, double start, double before, double after) {}

  private List<Own> own(Fitted f) {
    return IntStream.range(0, nights.size())
        .parallel()
        .mapToObj(i -> own(i, f.point, f.scatter))
        .toList();
  }

  /** Whether one night's loss stands out from what the others vary by, and explains it. */
  private static boolean unlike(List<Own> own, int i) {
    double usual =
        1.4826 * median(own.stream().mapToDouble(o -> Math.abs(o.loss())).toArray()); // robust sd
    Own o = own.get(i);
    return Math.abs(o.loss()) > Math.max(UNLIKE, 3 * usual) && o.before() > HUBER * o.after();
  }

  private List<NightLearned> each(Fitted f, double wattsPerKelvin) {
    List<Own> own = own(f);
    return IntStream.range(0, nights.size())
        .parallel()
        .mapToObj(i -> night(nights.get(i), f.point, own.get(i), unlike(own, i), wattsPerKelvin))
        .toList();
  }

  /** The loss and the start that suit one night best. */
  private Own own(int i, double[] point, double scatter) {
    double sigma = scatter * Math.sqrt(CORRELATED);
    double before =
        NightReplay.scatter(
            replay.residuals(
                i, NightReplay.logs(point[0], point[1], point[2], point[SHARED + i]), 1));
    var best =
        least(
            new double[] {0, point[SHARED + i]},
            p -> {
              double step = 0.01;
              double[] here = ownResiduals(i, point, p[0], p[1], sigma);
              double[] byLoss = ownResiduals(i, point, p[0] + step, p[1], sigma);
              double[] byStart = ownResiduals(i, point, p[0], p[1] + step, sigma);
              double[][] slope = new double[here.length][2];
              for (int r = 0; r < here.length; r++) {
                slope[r][0] = (byLoss[r] - here[r]) / step;
                slope[r][1] = (byStart[r] - here[r]) / step;
              }
              return new Pair<>(
                  new ArrayRealVector(here, false), new Array2DRowRealMatrix(slope, false));
            });
    double loss = best.getPoint().getEntry(0);
    double start = best.getPoint().getEntry(1);
    double after = NightReplay.scatter(replay.residuals(i, moved(point, loss, start), 1));
    return new Own(loss, start, before, after);
  }

  private static double[] moved(double[] point, double loss, double start) {
    return NightReplay.logs(point[0] + loss, point[1] + loss, point[2], start);
  }

  private double[] ownResiduals(int i, double[] point, double loss, double start, double sigma) {
    double[] r = replay.residuals(i, moved(point, loss, start), 1 / sigma);
    double[] all = Arrays.copyOf(r, r.length + 2);
    all[r.length] = loss / OWN;
    all[r.length + 1] = start / START;
    return all;
  }

  private NightLearned night(
      LoggedNight night, double[] point, Own own, boolean unlike, double wattsPerKelvin) {
    double[] log = moved(point, own.loss(), own.start());
    double lowest = lowest(replay.simulate(night, log, "", 1));
    double without = lowest(replay.simulate(night, log, "", 0));
    List<Share> shares = new ArrayList<>();
    for (LoggedNight.Gain gain : night.gains()) {
      double rest = lowest(replay.simulate(night, log, gain.of(), 1));
      shares.add(new Share(gain.of(), lowest - rest));
    }
    shares.sort(Comparator.comparingDouble(Share::kelvin).reversed());
    double times = Math.exp(own.loss());
    double oneChange = house.volumeCubicMetres() * Greenhouse.AIR_HEAT / 3600; // W/K
    double changes = unlike ? Math.max(0, wattsPerKelvin * (times - 1) / oneChange) : 0;
    return new NightLearned(
        night.id(), times, unlike, changes, own.after(), lowest, without, shares);
  }

  private static double lowest(double[] air) {
    return Arrays.stream(air).min().orElseThrow();
  }
}
