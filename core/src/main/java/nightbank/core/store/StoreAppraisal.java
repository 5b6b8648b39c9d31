package nightbank.core.store;

import java.util.EnumMap;
import java.util.Map;

/**
 * What a design comes to before anything is measured: balance at full charge, loss by face with the
 * mass evenly warm and the air at the floor temperature, half-life once the inside has settled,
 * time to charge.
 */
public final class StoreAppraisal {
  private static final int NIGHT_HOURS = 14;

  private final HeatStore store;
  private final double full;
  private final double power;
  private final Map<FaceName, Double> transmittance = new EnumMap<>(FaceName.class);

  private StoreAppraisal(HeatStore store, double full, double power) {
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
    return new StoreAppraisal(store, chargeToCelsius, sourceWatts);
  }

  public double transmittance(FaceName name) {
    return transmittance.get(name);
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
    StoreGrid grid = StoreGrid.coarse(store);
    StoreModel model = StoreModel.of(store, StoreState.uniform(grid, full));
    double around = store.floorCelsius();
    Surroundings still = Surroundings.of(around, around);
    if (!(full > around)) {
      return 0;
    }
    double roughly = store.heatCapacity((full + around) / 2) / lossCoefficient() * (1 + biot());
    double step = Math.max(1, Math.min(6 * 3600, roughly / 150));
    double half = Double.NaN;
    double before = 1;
    for (double at = step; at < 366 * 86_400.0; at += step) {
      model.step(step, still, 0);
      double left = (model.meanCelsius() - around) / (full - around);
      if (Double.isNaN(half) && left <= 0.5) {
        half = at - step * (0.5 - left) / (before - left);
      }
      if (left <= 0.25) {
        return at - step * (0.25 - left) / (before - left) - half;
      }
      before = left;
    }
    return 366 * 86_400.0;
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

  /** Time to full charge, half of the final loss taken as lost on the way; infinite if too weak. */
  public double chargeSeconds() {
    double lost = lossCoefficient() * (full - store.floorCelsius()) / 2;
    return power > lost ? usableJoules() / (power - lost) : Double.POSITIVE_INFINITY;
  }

  /** U V/A over k, of all faces together. */
  public double biot() {
    double area = store.geometry().sideArea() + 2 * store.geometry().endArea();
    double u = lossCoefficient() / store.count() / area;
    return u * store.geometry().volume() / area / store.medium().conductivity().value();
  }
}
