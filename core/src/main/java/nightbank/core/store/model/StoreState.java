package nightbank.core.store.model;

import java.util.Arrays;
import java.util.function.DoubleBinaryOperator;
import nightbank.core.medium.Enthalpy;
import nightbank.core.store.HeatStore;

/**
 * How a store is at one moment: cell temperatures on its grid. All bodies of a row are taken as
 * alike.
 */
public final class StoreState {
  private final StoreGrid grid;
  private final double[] celsius;

  public StoreState(StoreGrid grid, double[] celsius) {
    if (celsius.length != grid.cells()) {
      throw new IllegalArgumentException(
          "expected " + grid.cells() + " cell temperatures, was " + celsius.length);
    }
    this.grid = grid;
    this.celsius = celsius.clone();
  }

  public static StoreState uniform(StoreGrid grid, double celsius) {
    double[] t = new double[grid.cells()];
    Arrays.fill(t, celsius);
    return new StoreState(grid, t);
  }

  /**
   * A field told by place.
   *
   * @param celsius at shares of the half width and of the height
   */
  public static StoreState by(StoreGrid grid, DoubleBinaryOperator celsius) {
    double[] t = new double[grid.cells()];
    Arrays.setAll(t, c -> celsius.applyAsDouble(grid.radiusFraction(c), grid.heightFraction(c)));
    return new StoreState(grid, t);
  }

  public StoreGrid grid() {
    return grid;
  }

  public double[] celsius() {
    return celsius.clone();
  }

  /** Mean weighted by volume, °C. */
  public double meanCelsius() {
    double sum = 0;
    for (int i = 0; i < celsius.length; i++) {
      sum += celsius[i] * grid.cellVolume(i);
    }
    return sum / grid.geometry().volume();
  }

  public double highestCelsius() {
    return Arrays.stream(celsius).max().orElseThrow();
  }

  public double lowestCelsius() {
    return Arrays.stream(celsius).min().orElseThrow();
  }

  /** Temperature at a position, linear between cell centres, °C. */
  public double at(double radiusFraction, double heightFraction) {
    return grid.interpolate(celsius, radiusFraction, heightFraction);
  }

  /** The same heat on another grid of the same body: each cell takes the mean of what it covers. */
  public StoreState on(StoreGrid other) {
    double[] t = new double[other.cells()];
    for (int ol = 0; ol < other.layers(); ol++) {
      for (int oj = 0; oj < other.along(); oj++) {
        for (int oi = 0; oi < other.across(); oi++) {
          t[other.cell(oi, oj, ol)] = covered(other, oi, oj, ol);
        }
      }
    }
    return new StoreState(other, t);
  }

  private double covered(StoreGrid other, int oi, int oj, int ol) {
    double sum = 0;
    double volume = 0;
    for (int l = 0; l < grid.layers(); l++) {
      for (int j = 0; j < grid.along(); j++) {
        for (int i = 0; i < grid.across(); i++) {
          double v = grid.shared(i, j, l, other, oi, oj, ol);
          sum += v * celsius[grid.cell(i, j, l)];
          volume += v;
        }
      }
    }
    return sum / volume;
  }

  /** The state with every cell warmer by so many kelvin. */
  public StoreState shifted(double kelvin) {
    return new StoreState(grid, Arrays.stream(celsius).map(t -> t + kelvin).toArray());
  }

  /** Σ m ∫ c dT from the floor temperature over all cells, cold cells counting negative, J. */
  public double grossEnergy(HeatStore store) {
    return sum(store, false);
  }

  /**
   * The balance: what lies above the floor temperature, J. In a body that heat crosses by
   * conduction a cell below the floor is reheated by the others before they give anything off, so
   * it counts against them; a layer of water or of a bed with its own draught is left lying cold,
   * and counts for nothing.
   */
  public double usableEnergy(HeatStore store) {
    return store.isDrawnByLayers() ? sum(store, true) : Math.max(0, sum(store, false));
  }

  private double sum(HeatStore store, boolean onlyAbove) {
    if (!store.fills().isEmpty()) {
      return sum(new CellMedia(store, grid), store, onlyAbove);
    }
    Enthalpy h = store.medium().enthalpy();
    double floor = h.joulesPerKg(store.floorCelsius());
    double density = store.medium().density().value() * store.count();
    double joules = 0;
    for (int i = 0; i < celsius.length; i++) {
      double each = grid.cellVolume(i) * density * (h.joulesPerKg(celsius[i]) - floor);
      joules += onlyAbove ? Math.max(0, each) : each;
    }
    return joules;
  }

  private double sum(CellMedia media, HeatStore store, boolean onlyAbove) {
    double joules = 0;
    for (int i = 0; i < celsius.length; i++) {
      double above =
          media.joulesAsFilled(i, celsius[i]) - media.joulesAsFilled(i, store.floorCelsius());
      double each = grid.cellVolume(i) * store.count() * media.density(i) * above;
      joules += onlyAbove ? Math.max(0, each) : each;
    }
    return joules;
  }
}
