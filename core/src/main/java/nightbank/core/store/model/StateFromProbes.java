package nightbank.core.store.model;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import nightbank.core.store.FaceName;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Probe;
import org.jspecify.annotations.Nullable;

/**
 * A store's field from a few probes, in the shapes that its own physics gives it: the excess over
 * what surrounds it is that of an evenly warm store, or of one charged by its source, each left to
 * cool for some hours; a mass that makes heat of its own has the shapes of days of it. Shapes and
 * pairs of shapes count by how well they meet the probes; what their mean misses at a probe is
 * spread round that probe.
 *
 * <p>Three probes at half height say nothing of the colder top and foot: a mean weighted by
 * distance takes the mass for a third too warm, a day after a charge. One probe alone is taken for
 * that of a store charged by its source and left for eight hours. Neglects the specific heat's rise
 * with temperature in the shapes.
 */
public final class StateFromProbes {
  private static final double FADED = 0.3; // K, a hundredth of what it cooled from
  private static final double[] HOURS = {0, 0.5, 1, 2, 4, 8, 16, 32, 64};
  private static final double[] DAYS = {0.5, 1, 2, 4, 8, 16, 40, 100};
  private static final int ALONE = 5; // index of the shape that one probe is taken for
  private static final double CHARGE_HOURS = 4;
  private static final double STEP = 600;
  private static final double WARM =
      30; // K over the surroundings on the whole, about where films are read
  private static final Surroundings COLD = Surroundings.of(0, 0);
  private static final double SENSOR = 0.7; // K
  private static final double MODEL = 0.03; // of the excess
  private static final double REACH = 0.25; // of half width and height, round a probe

  private final StoreGrid grid;
  private final List<Probe> probes;
  private final double footShare;
  private final List<Shape> shapes = new ArrayList<>();

  /**
   * A field with a mean of one.
   *
   * @param cost beside the plain even one, in units of χ²: stores are charged by their source,
   *     hardly ever evenly and then left; heaps are rarely days old
   */
  private record Shape(double[] field, double[] atProbes, double cost) {}

  private record Fit(double misfit, double even, double charged, Shape a, Shape b) {}

  /** Prepares for a store that is charged from outside and the probes that it has. */
  public StateFromProbes(HeatStore store, StoreGrid grid) {
    this(store, grid, false);
  }

  /**
   * Prepares.
   *
   * @param makesHeat whether the mass warms itself, as a heap does
   */
  public StateFromProbes(HeatStore store, StoreGrid grid, boolean makesHeat) {
    this.grid = grid;
    this.probes = store.probes();
    double foot = store.transmittance(FaceName.FOOT, WARM, 0) * store.faceArea(FaceName.FOOT);
    double rest =
        store.transmittance(FaceName.SIDE, WARM, 0) * store.faceArea(FaceName.SIDE)
            + store.transmittance(FaceName.TOP, WARM, 0) * store.faceArea(FaceName.TOP);
    footShare = store.place().onGround() ? foot / (foot + rest) : 0;
    if (grid.cells() == 1) {
      shapes.add(shape(StoreState.uniform(grid, 1), 1, 0));
      return;
    }
    if (makesHeat) {
      warm(StoreModel.of(store, StoreState.uniform(grid, 0)));
      return;
    }
    cool(StoreModel.of(store, StoreState.uniform(grid, WARM)), true);
    StoreModel charged = StoreModel.of(store, StoreState.uniform(grid, 0));
    double watts = store.heatCapacity(WARM) * WARM / (CHARGE_HOURS * 3600);
    for (int i = 0; i < CHARGE_HOURS * 3600 / STEP; i++) {
      charged.step(STEP, COLD, watts);
    }
    cool(charged, false);
  }

  private void warm(StoreModel model) {
    double days = 0;
    for (int k = 0; k < DAYS.length; k++) {
      for (; days < DAYS[k] - 1e-9; days += 0.25) {
        model.step(0.25 * 86_400, COLD, 1000); // any power: shapes have a mean of one
      }
      shapes.add(shape(model.state(), model.meanCelsius(), Math.max(0, 6 - k)));
    }
  }

  private void cool(StoreModel model, boolean even) {
    double hours = 0;
    for (int k = 0; k < HOURS.length; k++) {
      for (; hours < HOURS[k] - 1e-9; hours += STEP / 3600) {
        model.step(STEP, COLD, 0);
      }
      if (k > 0 && model.meanCelsius() < FADED) {
        return; // a small store has long gone cold, and a shape of nothing is none
      }
      shapes.add(shape(model.state(), model.meanCelsius(), !even ? 0.5 : k == 0 ? 0 : 3));
    }
  }

  private Shape shape(StoreState state, double mean, double cost) {
    double scale = Math.max(1e-9, mean);
    double[] field = Arrays.stream(state.celsius()).map(t -> t / scale).toArray();
    double[] at =
        probes.stream()
            .mapToDouble(p -> state.at(p.radiusFraction(), p.heightFraction()))
            .toArray();
    return new Shape(field, Arrays.stream(at).map(t -> t / scale).toArray(), cost);
  }

  /**
   * A field with how well its mean is known.
   *
   * @param meanDoubt one standard deviation of the mean, K: how far the shapes that meet the probes
   *     differ in what they hold elsewhere
   * @param bent the field moved the way in which those shapes differ where their mean does; the
   *     same field where they do not
   */
  public record Estimate(StoreState state, double meanDoubt, StoreState bent) {}

  /** As {@link #estimate}, without the doubt. */
  public StoreState of(double[] celsius, double air, double ground) {
    return estimate(celsius, air, ground).state();
  }

  /**
   * The field.
   *
   * @param celsius readings by probe, NaN where there is none; at least one must be a number
   * @param air beside the store, °C
   * @param ground below it, °C
   */
  public Estimate estimate(double[] celsius, double air, double ground) {
    double base = air * (1 - footShare) + ground * footShare;
    int readings = (int) Arrays.stream(celsius).filter(t -> !Double.isNaN(t)).count();
    if (readings == 0) {
      throw new IllegalArgumentException("no probe of the store has a reading");
    }
    List<Fit> fits = readings == 1 ? List.of(alone(celsius, base)) : fits(celsius, base, readings);
    double least = fits.stream().mapToDouble(Fit::misfit).min().orElseThrow();
    double[] t = new double[grid.cells()];
    double weights = 0;
    double sum = 0;
    double squares = 0;
    for (Fit f : fits) {
      double weight = Math.exp((least - f.misfit) / 2);
      if (weight > 1e-4) {
        double mean = f.even + f.charged; // shapes have a mean of one
        weights += weight;
        sum += weight * mean;
        squares += weight * mean * mean;
        for (int c = 0; c < t.length; c++) {
          t[c] += weight * (f.even * f.a.field[c] + f.charged * f.b.field[c]);
        }
      }
    }
    for (int c = 0; c < t.length; c++) {
      t[c] = base + t[c] / weights;
    }
    spreadMisfits(t, celsius);
    double mean = sum / weights;
    double spread = Math.sqrt(Math.max(0, squares / weights - mean * mean));
    double alone = readings == 1 && grid.cells() > 1 ? 0.2 * Math.abs(mean) : 0;
    double[] way = readings == 1 ? wayOfOne(celsius) : wayOfMany(fits, least, mean);
    double[] bent = IntStream.range(0, t.length).mapToDouble(c -> t[c] + way[c]).toArray();
    return new Estimate(
        new StoreState(grid, t), Math.hypot(spread, alone), new StoreState(grid, bent));
  }

  /** How fields go with their means: a regression over the shapes by their weights, K. */
  private double[] wayOfMany(List<Fit> fits, double least, double mean) {
    double[] way = new double[grid.cells()];
    double squares = 0;
    for (Fit f : fits) {
      double off = f.even + f.charged - mean;
      double weight = Math.exp((least - f.misfit) / 2) * off;
      squares += weight * off;
      for (int c = 0; c < way.length; c++) {
        way[c] += weight * (f.even * f.a.field[c] + f.charged * f.b.field[c]);
      }
    }
    double scale = squares > 0 ? Math.abs(mean) / 10 / squares : 0; // by a tenth of the excess
    for (int c = 0; c < way.length; c++) {
      way[c] *= scale;
    }
    return way;
  }

  /** One probe cannot tell an even store from one charged by its source. */
  private double[] wayOfOne(double[] celsius) {
    Shape even = shapes.get(0);
    Shape charged = shapes.get(Math.min(shapes.size() - 1, HOURS.length + ALONE));
    int p =
        IntStream.range(0, celsius.length)
            .filter(i -> !Double.isNaN(celsius[i]))
            .findFirst()
            .orElseThrow();
    return IntStream.range(0, grid.cells())
        .mapToDouble(c -> even.field[c] / even.atProbes[p] - charged.field[c] / charged.atProbes[p])
        .toArray();
  }

  /** What the field still misses at a probe is given to its neighbourhood. */
  private void spreadMisfits(double[] t, double[] celsius) {
    StoreState before = new StoreState(grid, t);
    double[] missed = new double[celsius.length];
    for (int p = 0; p < missed.length; p++) {
      Probe at = probes.get(p);
      missed[p] = celsius[p] - before.at(at.radiusFraction(), at.heightFraction());
    }
    for (int c = 0; c < t.length; c++) {
      t[c] += nearby(c, missed);
    }
  }

  /** Mean of the misfits round a cell, fading to nothing away from all probes. */
  private double nearby(int cell, double[] missed) {
    double weight = grid.cells() == 1 ? 0 : 0.3;
    double sum = 0;
    for (int p = 0; p < missed.length; p++) {
      if (!Double.isNaN(missed[p])) {
        double w = Math.exp(-distanceSquared(grid, cell, probes.get(p)) / (2 * REACH * REACH));
        weight += w;
        sum += w * missed[p];
      }
    }
    return sum / weight;
  }

  private Fit alone(double[] celsius, double base) {
    Shape s = shapes.get(Math.min(shapes.size() - 1, HOURS.length + ALONE));
    for (int p = 0; p < celsius.length; p++) {
      if (!Double.isNaN(celsius[p])) {
        return new Fit(0, (celsius[p] - base) / s.atProbes[p], 0, s, s);
      }
    }
    throw new AssertionError();
  }

  private List<Fit> fits(double[] celsius, double base, int readings) {
    List<Fit> fits = new ArrayList<>();
    for (int i = 0; i < shapes.size(); i++) {
      fits.add(one(celsius, base, shapes.get(i)));
      for (int k = 0; k < i; k++) {
        Fit pair = readings > 2 ? two(celsius, base, shapes.get(i), shapes.get(k)) : null;
        if (pair != null) {
          fits.add(pair);
        }
      }
    }
    return fits;
  }

  private Fit one(double[] celsius, double base, Shape s) {
    double top = 0;
    double bottom = 0;
    for (int p = 0; p < celsius.length; p++) {
      if (!Double.isNaN(celsius[p])) {
        double w = weight(celsius[p] - base);
        top += w * s.atProbes[p] * (celsius[p] - base);
        bottom += w * s.atProbes[p] * s.atProbes[p];
      }
    }
    double amplitude = bottom > 0 ? top / bottom : 0;
    Fit fit = new Fit(0, amplitude, 0, s, s);
    return new Fit(misfit(celsius, base, fit) + s.cost, amplitude, 0, s, s);
  }

  private @Nullable Fit two(double[] celsius, double base, Shape a, Shape b) {
    double aa = 0;
    double ab = 0;
    double bb = 0;
    double ay = 0;
    double by = 0;
    for (int p = 0; p < celsius.length; p++) {
      if (!Double.isNaN(celsius[p])) {
        double y = celsius[p] - base;
        double w = weight(y);
        aa += w * a.atProbes[p] * a.atProbes[p];
        ab += w * a.atProbes[p] * b.atProbes[p];
        bb += w * b.atProbes[p] * b.atProbes[p];
        ay += w * a.atProbes[p] * y;
        by += w * b.atProbes[p] * y;
      }
    }
    double determinant = aa * bb - ab * ab;
    if (determinant < 1e-9 * aa * bb) {
      return null;
    }
    double even = (bb * ay - ab * by) / determinant;
    double charged = (aa * by - ab * ay) / determinant;
    if (even < 0 || charged < 0) {
      return null;
    }
    Fit fit = new Fit(0, even, charged, a, b);
    return new Fit(misfit(celsius, base, fit) + 2 + a.cost + b.cost, even, charged, a, b);
  }

  private double misfit(double[] celsius, double base, Fit f) {
    double sum = 0;
    for (int p = 0; p < celsius.length; p++) {
      if (!Double.isNaN(celsius[p])) {
        double y = celsius[p] - base;
        double r = y - f.even * f.a.atProbes[p] - f.charged * f.b.atProbes[p];
        sum += weight(y) * r * r;
      }
    }
    return sum;
  }

  private static double weight(double excess) {
    double sigma = Math.hypot(SENSOR, MODEL * excess);
    return 1 / (sigma * sigma);
  }

  /** Share of the store's volume that lies nearest to each probe; probes without reading get 0. */
  public static double[] volumeShares(StoreGrid grid, List<Probe> probes, boolean[] present) {
    double[] share = new double[probes.size()];
    for (int cell = 0; cell < grid.cells(); cell++) {
      int nearest = -1;
      double least = Double.POSITIVE_INFINITY;
      for (int p = 0; p < share.length; p++) {
        double d = present[p] ? distanceSquared(grid, cell, probes.get(p)) : least;
        if (d < least) {
          least = d;
          nearest = p;
        }
      }
      if (nearest >= 0) {
        share[nearest] += grid.cellVolume(cell) / grid.geometry().volume();
      }
    }
    return share;
  }

  private static double distanceSquared(StoreGrid grid, int cell, Probe probe) {
    double r = grid.radiusFraction(cell) - probe.radiusFraction();
    double h = grid.heightFraction(cell) - probe.heightFraction();
    return r * r + h * h;
  }
}
