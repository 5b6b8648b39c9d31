package nightbank.core.store.model;

import java.util.EnumMap;
import java.util.Map;
import java.util.Objects;
import java.util.function.DoubleUnaryOperator;
import nightbank.core.store.FaceName;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Place;
import org.jspecify.annotations.Nullable;

/**
 * What a design comes to before anything is measured: balance at full charge, loss by face with the
 * mass evenly warm and the air at the floor temperature, half-life once the inside has settled,
 * time to charge.
 */
public final class StoreAppraisal {
  private static final int NIGHT_HOURS = 14;
  private static final double YEAR = 366 * 86_400.0;
  private static final double MOST_CHARGING = 30 * 86_400.0;
  private static final double STILL = 1e-6; // of what it can hold, in a step

  private final HeatStore store;
  private final double full;
  private final DoubleUnaryOperator power;

  /** To the first half and of the settled half, s; null until asked. */
  private double @Nullable [] halves;

  private final Map<FaceName, Double> transmittance = new EnumMap<>(FaceName.class);

  private StoreAppraisal(HeatStore store, double full, DoubleUnaryOperator power) {
    this.store = store;
    this.full = full;
    this.power = power;
    for (FaceName name : FaceName.values()) {
      transmittance.put(name, store.transmittance(name, full, store.floorCelsius()));
    }
  }

  /**
   * Appraises a design.
   *
   * @param chargeToCelsius even temperature at full charge
   * @param sourceWatts power of the source, 0 when unknown
   */
  public static StoreAppraisal of(HeatStore store, double chargeToCelsius, double sourceWatts) {
    return new StoreAppraisal(store, chargeToCelsius, t -> sourceWatts);
  }

  /**
   * Appraises with a source that gives less the warmer the store is.
   *
   * @param sourceWatts by the store's mean, °C
   */
  public static StoreAppraisal of(
      HeatStore store, double chargeToCelsius, DoubleUnaryOperator sourceWatts) {
    return new StoreAppraisal(store, chargeToCelsius, sourceWatts);
  }

  public double transmittance(FaceName name) {
    return Objects.requireNonNull(transmittance.get(name));
  }

  /** W through a face of all bodies at full charge. */
  public double watts(FaceName name) {
    return transmittance(name)
        * store.faceArea(name)
        * store.count()
        * (full - store.floorCelsius());
  }

  public double usableJoules() {
    return store.usableEnergyAt(full);
  }

  public double usableLow() {
    return usableJoules() * (1 - spread());
  }

  public double usableHigh() {
    return usableJoules() * (1 + spread());
  }

  private double spread() {
    return Math.hypot(
        store.medium().density().relativeSpread(), store.medium().specificHeat().relativeSpread());
  }

  /** W/K over all faces. */
  public double lossCoefficient() {
    double sum = 0;
    for (FaceName name : FaceName.values()) {
      sum += transmittance(name) * store.faceArea(name) * store.count();
    }
    return sum;
  }

  /**
   * Time in which half of the settled excess goes, s: evenly full in surroundings at its floor
   * temperature, from half of the excess to a quarter of it by the conduction model, so that the
   * slow inside counts. A year at most.
   */
  public double halfLifeSeconds() {
    return halves()[1];
  }

  /**
   * Time from evenly full until half of what it holds over its floor has left, s: in still
   * surroundings at its floor temperature. A year at most.
   */
  public double losesHalfSeconds() {
    return halves()[0];
  }

  private double[] halves() {
    if (halves == null) {
      halves = cooled();
    }
    return halves;
  }

  private double[] cooled() {
    StoreGrid grid = StoreGrid.coarse(store);
    StoreModel model = StoreModel.of(store, StoreState.uniform(grid, full));
    double around = store.floorCelsius();
    Surroundings still = Surroundings.of(around, around);
    if (!(full > around)) {
      return new double[2];
    }
    double roughly = store.heatCapacity((full + around) / 2) / lossCoefficient() * (1 + biot());
    double step = Math.max(1, Math.min(6 * 3600, roughly / 150));
    double half = Double.NaN;
    double before = 1;
    for (double at = step; at < YEAR; at += step) {
      model.step(step, still, 0);
      double left = (model.meanCelsius() - around) / (full - around);
      if (Double.isNaN(half) && left <= 0.5) {
        half = at - step * (0.5 - left) / (before - left);
      }
      if (left <= 0.25) {
        return new double[] {half, at - step * (0.25 - left) / (before - left) - half};
      }
      before = left;
    }
    return new double[] {Double.isNaN(half) ? YEAR : half, YEAR};
  }

  /**
   * What it still gives to the air round it after a night of fourteen hours beside air at its floor
   * temperature, W; ground and open air get theirs on top.
   */
  public double dawnWatts() {
    StoreModel model = StoreModel.of(store, StoreState.uniform(StoreGrid.coarse(store), full));
    Surroundings still = Surroundings.of(store.floorCelsius(), store.floorCelsius());
    for (int i = 0; i < NIGHT_HOURS * 6; i++) {
      model.step(600, still, 0);
    }
    double watts = 0;
    for (FaceName name : FaceName.values()) {
      boolean toAir = store.place().beyond(name) == Place.Beyond.HOUSE_AIR;
      watts += toAir ? model.faceWatts(name) : 0;
    }
    return watts;
  }

  /**
   * Time from its floor temperature until it holds what it holds evenly full, s, by the conduction
   * model in still surroundings at its floor temperature; infinite if the source is too weak, NaN
   * where nobody knows its power.
   */
  public double chargeSeconds() {
    if (!(power.applyAsDouble(store.floorCelsius()) > 0)) {
      return Double.NaN;
    }
    StoreModel model =
        StoreModel.of(store, StoreState.uniform(StoreGrid.coarse(store), store.floorCelsius()));
    Surroundings still = Surroundings.of(store.floorCelsius(), store.floorCelsius());
    double aim = usableJoules();
    double least = aim / power.applyAsDouble(store.floorCelsius());
    double step = Math.max(10, Math.min(3600, least / 100));
    double before = 0;
    for (double at = step; at < Math.max(MOST_CHARGING, 20 * least); at += step) {
      model.put(0, power.applyAsDouble(model.meanCelsius()));
      model.step(step, still, 0);
      double held = model.usableEnergy();
      if (held >= aim) {
        return at - step * (held - aim) / (held - before);
      }
      if (held - before < STILL * aim) {
        return Double.POSITIVE_INFINITY;
      }
      before = held;
    }
    return Double.POSITIVE_INFINITY;
  }

  /** U V/A over k, of all faces together. */
  public double biot() {
    double area = store.geometry().sideArea() + 2 * store.geometry().endArea();
    double u = lossCoefficient() / store.count() / area;
    return u * store.geometry().volume() / area / store.medium().conductivity().value();
  }
}
