package nightbank.core.fit;

import nightbank.core.store.FaceName;
import nightbank.core.store.HeatStore;
import nightbank.core.store.model.StoreModel;
import nightbank.core.store.model.StoreState;
import nightbank.core.store.model.Surroundings;

/**
 * How a store cools from a state, air and ground standing still. All are NaN where it holds too
 * little above its surroundings to be said to cool.
 *
 * @param halfLife until half of what it holds above its surroundings has left, the evening out
 *     included, s
 * @param timeConstant of its late cooling, s
 * @param loss W per kelvin of its mean above the surroundings, late
 */
record HandCooling(double halfLife, double timeConstant, double loss) {
  private static final HandCooling NONE = new HandCooling(Double.NaN, Double.NaN, Double.NaN);
  private static final double WARMER = 2; // K on the mean that count as warm
  private static final double LATE = 1.5; // half-lives after which its inside has evened out
  private static final double LONG = 0.5; // lumped time constants over which that is read
  private static final double LONGEST = 40; // of them: it then cools to something else
  private static final double FIRST_STEP = 1.0 / 120;
  private static final double LAST_STEP = 1.0 / 30;
  private static final double GROWS = 1.02;

  static HandCooling of(HeatStore store, StoreState full, double air, double ground) {
    double warm = full.meanCelsius();
    double lossy = 0;
    double down = 0;
    for (FaceName name : FaceName.values()) {
      boolean earth = name == FaceName.FOOT && store.place().onGround();
      double ua =
          store.transmittance(name, warm, earth ? ground : air)
              * store.faceArea(name)
              * store.count();
      lossy += ua;
      down += earth ? ua : 0;
    }
    double rest = air + (ground - air) * down / lossy;
    if (warm - rest < WARMER) {
      return NONE;
    }
    StoreModel model = StoreModel.of(store, full);
    Surroundings beyond = Surroundings.of(air, ground);
    double none = StoreModel.of(store, StoreState.uniform(full.grid(), rest)).heatContent();
    double capacity = store.heatCapacity(warm);
    double scale = capacity / lossy;
    double first = model.heatContent() - none;
    double before = first;
    double half = Double.NaN;
    double late = Double.NaN;
    double lateAt = 0;
    double step = scale * FIRST_STEP;
    for (double now = 0; now < LONGEST * scale; step = Math.min(scale * LAST_STEP, step * GROWS)) {
      model.step(step, beyond);
      now += step;
      double held = model.heatContent() - none;
      if (Double.isNaN(half) && held <= first / 2) {
        half = now - step * Math.log(first / 2 / held) / Math.log(before / held);
      }
      if (Double.isNaN(late) && now >= LATE * half) {
        late = held;
        lateAt = now;
      }
      before = held;
      if (!Double.isNaN(late) && now >= Math.max(2 * half, lateAt + LONG * scale)) {
        double tau = (now - lateAt) / Math.log(late / held);
        return new HandCooling(half, tau, capacity / tau);
      }
    }
    return NONE;
  }
}
