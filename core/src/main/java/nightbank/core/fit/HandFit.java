package nightbank.core.fit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import nightbank.core.store.FaceName;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreModel;
import nightbank.core.store.model.StoreState;
import nightbank.core.store.model.Surroundings;
import org.hipparchus.exception.MathIllegalStateException;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresBuilder;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LevenbergMarquardtOptimizer;
import org.hipparchus.util.Pair;

/**
 * A store judged from however few readings by hand there are. Everything that nobody measured has a
 * prior: conductivity, heat capacity, films and layers, ground, the source's heat and hours, how
 * far it reaches, the start, the air, and of every thermometer its place and its error. The most
 * likely of all (maximum a posteriori) meets readings and priors best; the doubt of every answer is
 * what the unknowns' covariance about it moves (Laplace; JCGM 101:2008 gives the same where answers
 * bend little over it). With no reading at all it is the description's own forecast.
 *
 * <p>Neglects that films fall as a store cools, sun and draught, and that a grower may have
 * forgotten a lid.
 */
public final class HandFit {
  /** What a thermometer is put to. */
  public enum At {
    STORE,
    SURFACE,
    AIR
  }

  /**
   * One reading.
   *
   * @param probe its place among the store's probes; of no use for air
   * @param seconds when it was read
   * @param sigma of the reading alone, K
   */
  public record Reading(At at, int probe, double seconds, double celsius, double sigma) {}

  /**
   * What charged it.
   *
   * @param watts into the store, 0 where it was set out hot
   * @param spread one standard deviation of ln watts
   * @param unsureSeconds of either end of its hours
   * @param startCelsius even at the start; NaN for a start near the air
   * @param startDoubt one standard deviation, K
   */
  public record Charge(
      double from,
      double to,
      double watts,
      double spread,
      double unsureSeconds,
      double startCelsius,
      double startDoubt) {}

  /**
   * What was round it, as far as one may think.
   *
   * @param swing half of the day's
   * @param warmest second at which the air is warmest, any day
   */
  public record Around(
      double air,
      double airDoubt,
      double swing,
      double swingDoubt,
      double warmest,
      double ground) {}

  /** An answer with its 95 % interval. */
  public record Estimate(double value, double low, double high) {}

  /**
   * What the readings come to; energies above the store's floor, J.
   *
   * @param halfLife from the end of the charge until half of what it holds above its surroundings
   *     has left, the evening out included, s
   * @param timeConstant of its late cooling, s
   * @param loss W per kelvin of its mean above the surroundings, late
   * @param brought J by the source
   * @param means at the readings' moments in their order
   */
  public record Answer(
      Estimate atEnd,
      Estimate atLast,
      Estimate halfLife,
      Estimate timeConstant,
      Estimate loss,
      Estimate brought,
      List<Estimate> means,
      double misfit) {}

  private static final int K = 0;
  private static final int HEAT = 1;
  private static final int LAYERS = 2;
  private static final int FILM = 3;
  private static final int GROUND = 4;
  private static final int POWER = 5;
  private static final int REACH = 6;
  private static final int START = 7;
  private static final int AIR = 8;
  private static final int TREND = 9;
  private static final int SWING = 10;
  private static final int FROM = 11;
  private static final int TO = 12;
  private static final int OF_STORE = 13;
  private static final int OF_PROBE = 3; // radius, height, error

  private static final double HEAT_DOUBT = 0.075; // ln: density, specific heat, lengths
  private static final double LAYER_DOUBT = 0.2;
  private static final double FILM_DOUBT = 0.17;
  private static final double GROUND_DOUBT = 0.3;
  private static final double FLOOR = 2; // W/(m² K) through paving, boards or dry soil (1.4 to 3)
  private static final double REACH_DOUBT = 0.12;
  private static final double NEAR_AIR = 4; // K that a store stands over the air, and its doubt
  private static final double TREND_DOUBT = 0.9; // K a day
  private static final double PLACE_DOUBT = 0.05; // of half width and height
  private static final double ERROR_DOUBT = 0.6; // K of a household thermometer
  private static final double WARMED = 900; // s that go by before a source's noted hour
  private static final double DAY = 86_400;
  private static final double STEP = 0.01; // of a standard deviation... times ten
  private static final int STEPS = 100;
  private static final double MODEL =
      0.05; // of the excess over the air: k, c and sources are no pure forms
  private static final double CLOCK = 120; // s by which a reading is noted wrong
  private static final double SEEN = 2.0;

  private final HeatStore store;
  private final Charge charge;
  private final Around around;
  private final List<Reading> readings;
  private final double[] sd;
  private final double begin;
  private final double last;
  private final boolean hot;
  private final double[] sigma;
  private double groundShift;

  private HandFit(HeatStore store, Charge charge, Around around, List<Reading> readings) {
    this.store = store;
    this.charge = charge;
    this.around = around;
    this.readings = readings.stream().sorted(Comparator.comparingDouble(Reading::seconds)).toList();
    hot = !Double.isNaN(charge.startCelsius());
    double first = readings.isEmpty() ? charge.from() : this.readings.get(0).seconds();
    begin = hot ? Math.min(first, charge.from()) : Math.min(first, charge.from() - WARMED);
    last =
        Math.max(
            charge.to() + 60,
            readings.isEmpty() ? charge.to() : this.readings.get(readings.size() - 1).seconds());
    sd = new double[OF_STORE + OF_PROBE * store.probes().size()];
    sd[K] = Math.max(0.05, store.medium().conductivity().relativeSpread());
    sd[HEAT] = HEAT_DOUBT;
    sd[LAYERS] = LAYER_DOUBT;
    sd[FILM] = FILM_DOUBT;
    sd[GROUND] = GROUND_DOUBT;
    sd[POWER] = charge.watts() > 0 ? charge.spread() : 1e-6;
    sd[REACH] = store.zone().equals(HeatedZone.everywhere()) ? 1e-6 : REACH_DOUBT;
    sd[START] = hot ? charge.startDoubt() : NEAR_AIR;
    sd[AIR] = around.airDoubt();
    sd[TREND] = TREND_DOUBT;
    sd[SWING] = around.swingDoubt();
    sd[FROM] = charge.watts() > 0 ? charge.unsureSeconds() : 1e-6;
    sd[TO] = sd[FROM];
    double u = store.transmittance(FaceName.FOOT, 30, around.ground());
    if (store.place().onGround() && u > FLOOR) {
      groundShift = -Math.log(u / FLOOR) / 2;
      sd[GROUND] = Math.hypot(GROUND_DOUBT, groundShift);
    }
    sigma = this.readings.stream().mapToDouble(Reading::sigma).toArray();
    for (int p = 0; p < store.probes().size(); p++) {
      sd[OF_STORE + OF_PROBE * p] = PLACE_DOUBT;
      sd[OF_STORE + OF_PROBE * p + 1] = PLACE_DOUBT;
      sd[OF_STORE + OF_PROBE * p + 2] = ERROR_DOUBT;
    }
  }

  /** What the readings come to. */
  public static Answer of(HeatStore store, Charge charge, Around around, List<Reading> readings) {
    return new HandFit(store, charge, around, readings).answer();
  }

  /** Of one set of unknowns, each in its standard deviations: what is read, and what is asked. */
  private record Run(
      double[] read, double[] byRadius, double[] byHeight, double[] doubt, double[] asked) {}

  private Answer answer() {
    int n = sd.length;
    double[] best = new double[n];
    if (!readings.isEmpty()) {
      weigh(run(best, false));
      best = mostLikely(best);
      weigh(run(best, false));
      best = mostLikely(best);
    }
    Run run = run(best, true);
    double[][] slope = new double[readings.size() + n][n];
    double[][] asked = new double[run.asked.length][n];
    slopes(best, run, slope, asked, true);
    RealMatrix j = new Array2DRowRealMatrix(slope, false);
    RealMatrix covariance = MatrixUtils.inverse(j.transposeMultiply(j));
    double misfit = 0;
    for (int i = 0; i < readings.size(); i++) {
      double r = (run.read[i] - readings.get(i).celsius()) / sigma[i];
      misfit += r * r;
    }
    Estimate[] told = new Estimate[run.asked.length];
    for (int q = 0; q < told.length; q++) {
      ArrayRealVector by = new ArrayRealVector(asked[q], false);
      double wide = SEEN * Math.sqrt(Math.max(0, by.dotProduct(covariance.operate(by))));
      boolean ln = q < 6;
      double x = run.asked[q];
      told[q] =
          ln
              ? new Estimate(Math.exp(x), Math.exp(x - wide), Math.exp(x + wide))
              : new Estimate(x, x - wide, x + wide);
    }
    return new Answer(
        told[0],
        told[1],
        told[2],
        told[3],
        told[4],
        told[5],
        List.of(told).subList(6, told.length),
        Math.sqrt(misfit / Math.max(1, readings.size())));
  }

  private void weigh(Run run) {
    for (int i = 0; i < sigma.length; i++) {
      sigma[i] = Math.hypot(readings.get(i).sigma(), run.doubt[i]);
    }
  }

  private double[] mostLikely(double[] start) {
    int n = sd.length;
    int rows = readings.size() + n;
    double[] target = new double[rows];
    for (int i = 0; i < readings.size(); i++) {
      target[i] = readings.get(i).celsius() / sigma[i];
    }
    var problem =
        new LeastSquaresBuilder()
            .model(
                at -> {
                  double[] z = at.toArray();
                  Run run = run(z, false);
                  double[] value = new double[rows];
                  for (int i = 0; i < readings.size(); i++) {
                    value[i] = run.read[i] / sigma[i];
                  }
                  System.arraycopy(z, 0, value, readings.size(), n);
                  double[][] slope = new double[rows][n];
                  slopes(z, run, slope, new double[run.asked.length][n], false);
                  return new Pair<>(
                      new ArrayRealVector(value, false), new Array2DRowRealMatrix(slope, false));
                })
            .target(target)
            .start(start)
            .lazyEvaluation(false)
            .maxEvaluations(15)
            .maxIterations(15)
            .checker((i, a, b) -> a.getPoint().getLInfDistance(b.getPoint()) < 0.03)
            .build();
    double[] best = start;
    try {
      best = new LevenbergMarquardtOptimizer().optimize(problem).getPoint().toArray();
    } catch (MathIllegalStateException endless) {
      // as described then
    }
    return best;
  }

  /** Of readings (in their sigmas) and priors, and of what is asked, by each unknown. */
  private void slopes(double[] z, Run here, double[][] slope, double[][] asked, boolean cooling) {
    int n = sd.length;
    int m = readings.size();
    IntStream.range(0, OF_STORE)
        .parallel()
        .forEach(
            k -> {
              if (sd[k] < 1e-5) {
                return;
              }
              double[] moved = z.clone();
              double by = 10 * STEP;
              moved[k] += by;
              Run there = run(moved, cooling);
              for (int i = 0; i < m; i++) {
                slope[i][k] = (there.read[i] - here.read[i]) / by / sigma[i];
              }
              for (int q = 0; q < asked.length; q++) {
                asked[q][k] = (there.asked[q] - here.asked[q]) / by;
              }
            });
    for (int i = 0; i < m; i++) {
      Reading r = readings.get(i);
      if (r.at() != At.AIR) {
        int k = OF_STORE + OF_PROBE * r.probe();
        slope[i][k] = here.byRadius[i] * sd[k] / sigma[i];
        slope[i][k + 1] = here.byHeight[i] * sd[k + 1] / sigma[i];
        slope[i][k + 2] = sd[k + 2] / sigma[i];
      }
    }
    for (int k = 0; k < n; k++) {
      slope[m + k][k] = 1;
    }
  }

  private HeatStore changed(double[] z) {
    boolean ground = store.place().onGround();
    double reach = Math.exp(z[REACH] * sd[REACH]);
    HeatedZone zone = store.zone();
    return store
        .withMedium(store.medium().scaled(Math.exp(z[HEAT] * sd[HEAT]), Math.exp(z[K] * sd[K])))
        .withFacesTimes(name -> Math.exp(face(name, ground, z)))
        .withZone(
            new HeatedZone(
                Math.min(1, zone.radiusFraction() * reach),
                zone.lowFraction(),
                zone.highFraction()));
  }

  private double face(FaceName name, boolean ground, double[] z) {
    if (name == FaceName.FOOT && ground) {
      return groundShift + z[GROUND] * sd[GROUND];
    }
    boolean layered = !store.face(name).layers().isEmpty();
    return layered ? z[LAYERS] * sd[LAYERS] : z[FILM] * sd[FILM];
  }

  private double air(double[] z, double seconds) {
    return around.air()
        + z[AIR] * sd[AIR]
        + z[TREND] * sd[TREND] * (seconds - (begin + last) / 2) / DAY
        + (around.swing() + z[SWING] * sd[SWING])
            * Math.cos(2 * Math.PI * (seconds - around.warmest()) / DAY);
  }

  private Run run(double[] z, boolean cooling) {
    HeatStore is = changed(z);
    double from = charge.from() + z[FROM] * sd[FROM];
    double to = Math.max(from + 60, charge.to() + z[TO] * sd[TO]);
    double watts = charge.watts() * Math.exp(z[POWER] * sd[POWER]);
    double start =
        hot
            ? charge.startCelsius() + z[START] * sd[START]
            : around.air() + z[AIR] * sd[AIR] + NEAR_AIR + z[START] * sd[START];
    double end = charge.watts() > 0 ? to : readings.isEmpty() ? begin : readings.get(0).seconds();
    StoreModel model = StoreModel.of(is, StoreState.uniform(StoreGrid.night(is), start));
    Surroundings beyond = new Surroundings();
    int m = readings.size();
    double[] read = new double[m];
    double[] byRadius = new double[m];
    double[] byHeight = new double[m];
    double[] doubt = new double[m];
    double[] asked = new double[6 + m];
    double[] stops = stops(from, to, end);
    double longest = Math.max(5, (last - begin) / STEPS);
    double now = begin;
    double usable = 0;
    StoreState full = model.state();
    int next = 0;
    double[] before = new double[m];
    Arrays.fill(before, Double.NaN);
    double earlier = begin;
    for (double stop : stops) {
      int parts = (int) Math.ceil((stop - now) / longest);
      for (int k = 0; k < parts; k++) {
        double dt = (stop - now) / (parts - k);
        double middle = now + dt / 2;
        double on = watts > 0 && middle > from && middle < to ? watts : 0;
        for (int r = next; r < m && readings.get(r).seconds() <= stop; r++) {
          before[r] = seen(r, model);
        }
        earlier = now;
        model.step(dt, beyond.set(air(z, middle), around.ground()), on);
        now += dt;
      }
      if (stop == end) {
        usable = model.usableEnergy();
        full = model.state();
      }
      for (; next < m && readings.get(next).seconds() <= stop; next++) {
        asked[6 + next] = model.meanCelsius();
        look(next, model, is, z, read, byRadius, byHeight, full);
        doubt[next] = doubt(next, read[next], before[next], Math.max(1, now - earlier), z);
      }
    }
    asked[0] = Math.log(Math.max(1, usable));
    asked[1] = Math.log(Math.max(1, model.usableEnergy()));
    asked[5] = Math.log(Math.max(1, watts * (to - from)));
    if (cooling) {
      cooling(is, full, mean(z, end), asked);
    }
    return new Run(read, byRadius, byHeight, doubt, asked);
  }

  private double seen(int i, StoreModel model) {
    Reading r = readings.get(i);
    return r.at() == At.AIR
        ? Double.NaN
        : model.at(
            store.probes().get(r.probe()).radiusFraction(),
            store.probes().get(r.probe()).heightFraction());
  }

  /** What the model and the clock leave open of a reading, K. */
  private double doubt(int i, double read, double before, double seconds, double[] z) {
    Reading r = readings.get(i);
    if (r.at() == At.AIR) {
      return 0;
    }
    double rate = Double.isNaN(before) ? 0 : Math.abs(read - before) / seconds;
    return Math.hypot(MODEL * Math.abs(read - air(z, r.seconds())), Math.min(10, CLOCK * rate));
  }

  /** Mean air from the end of the charge to the last reading. */
  private double mean(double[] z, double end) {
    double sum = 0;
    for (int i = 0; i < 48; i++) {
      sum += air(z, end + (last - end) * (i + 0.5) / 48) / 48;
    }
    return sum;
  }

  private double[] stops(double from, double to, double end) {
    List<Double> all = new ArrayList<>(List.of(end, last));
    readings.forEach(r -> all.add(r.seconds()));
    if (charge.watts() > 0) {
      all.add(from);
      all.add(to);
    }
    return all.stream()
        .mapToDouble(x -> x)
        .filter(t -> t >= begin && t <= Math.max(last, end))
        .sorted()
        .distinct()
        .toArray();
  }

  private void look(
      int i,
      StoreModel model,
      HeatStore is,
      double[] z,
      double[] read,
      double[] byRadius,
      double[] byHeight,
      StoreState full) {
    Reading r = readings.get(i);
    if (r.at() == At.AIR) {
      read[i] = air(z, r.seconds());
      return;
    }
    int k = OF_STORE + OF_PROBE * r.probe();
    double wrong = z[k + 2] * sd[k + 2];
    if (r.at() == At.SURFACE) {
      double out = air(z, r.seconds());
      double cell = model.at(1, store.probes().get(r.probe()).heightFraction());
      double u = is.transmittance(FaceName.SIDE, cell, out);
      StoreGrid grid = full.grid();
      double run = grid.cells() < 4 ? 0 : grid.acrossRun(grid.across() - 1);
      double inside = run / is.medium().conductivity().value();
      double film = is.face(FaceName.SIDE).layers().isEmpty() ? 1 / u : 0.1;
      read[i] = out + (cell - out) * film / (1 / u + inside) + wrong;
      return;
    }
    double radius = within(store.probes().get(r.probe()).radiusFraction() + z[k] * sd[k]);
    double height = within(store.probes().get(r.probe()).heightFraction() + z[k + 1] * sd[k + 1]);
    double d = 0.04;
    read[i] = model.at(radius, height) + wrong;
    byRadius[i] =
        (model.at(within(radius + d), height) - model.at(within(radius - d), height))
            / (within(radius + d) - within(radius - d));
    byHeight[i] =
        (model.at(radius, within(height + d)) - model.at(radius, within(height - d)))
            / (within(height + d) - within(height - d));
  }

  private static double within(double fraction) {
    return Math.max(0, Math.min(1, fraction));
  }

  /** Half-life, time constant and loss from full on, air and ground standing still. */
  private void cooling(HeatStore is, StoreState full, double air, double[] asked) {
    double lossy = 0;
    double toGround = 0;
    double warm = full.meanCelsius();
    for (FaceName name : FaceName.values()) {
      boolean down = name == FaceName.FOOT && is.place().onGround();
      double ua =
          is.transmittance(name, warm, down ? around.ground() : air)
              * is.faceArea(name)
              * is.count();
      lossy += ua;
      toGround += down ? ua : 0;
    }
    double rest = air + (around.ground() - air) * toGround / lossy;
    StoreModel model = StoreModel.of(is, full);
    Surroundings beyond = Surroundings.of(air, around.ground());
    double at = model.heatContent();
    double none = StoreModel.of(is, StoreState.uniform(full.grid(), rest)).heatContent();
    double first = at - none;
    double capacity = is.heatCapacity(warm);
    double scale = capacity / lossy;
    double now = 0;
    double half = Double.NaN;
    double before = first;
    double late = Double.NaN;
    double lateAt = 0;
    double dt = scale / 120;
    while (now < 40 * scale
        && (Double.isNaN(half)
            || now < half * 2
            || Double.isNaN(late)
            || now < lateAt + 0.5 * scale)) {
      model.step(dt, beyond);
      now += dt;
      double held = model.heatContent() - none;
      if (Double.isNaN(half) && held <= first / 2) {
        half = now - dt * Math.log(first / 2 / held) / Math.log(before / held);
      }
      if (!Double.isNaN(half) && Double.isNaN(late) && now >= 1.5 * half) {
        late = held;
        lateAt = now;
      }
      before = held;
      dt = Math.min(scale / 30, dt * 1.02);
    }
    double tau = (now - lateAt) / Math.log(late / before);
    asked[2] = Math.log(half);
    asked[3] = Math.log(tau);
    asked[4] = Math.log(capacity / tau);
  }
}
