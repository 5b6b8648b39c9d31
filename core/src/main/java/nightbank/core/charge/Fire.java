package nightbank.core.charge;

import nightbank.core.store.StoreModel;

/**
 * A wood fire as a source: its flue gas goes through the mass until the lever sends it past.
 *
 * @param bypassFromSeconds after the start; from then the mass gets nothing more, the room its
 *     share
 */
public record Fire(WoodFire wood, double litSeconds, double bypassFromSeconds) implements Source {
  public static Fire lit(WoodFire wood) {
    return new Fire(wood, 0, Double.POSITIVE_INFINITY);
  }

  @Override
  public Given give(double second, double seconds, StoreModel model) {
    double mean = wood.joulesBetween(second - litSeconds, second + seconds - litSeconds) / seconds;
    double through = second >= bypassFromSeconds ? 0 : wood.toStore();
    return new Given(mean * through, 0, mean * wood.toRoom(), mean);
  }

  @Override
  public double endsAt() {
    return litSeconds + WoodFire.LONGEST;
  }
}
