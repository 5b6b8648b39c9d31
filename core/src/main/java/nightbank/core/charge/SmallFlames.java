package nightbank.core.charge;

import nightbank.core.store.StoreModel;

/**
 * Candles, wax burners or lamps under or in a store. Paraffin wax gives 43 MJ/kg (lower heating
 * value, Kaye and Laby); what does not go into the store warms the room, since there is no flue.
 *
 * @param toStore share that the mass takes up; 0.3 to 0.6 for a pot over a flame (estimate)
 */
public record SmallFlames(int flames, double gramsPerHourEach, double toStore, double seconds)
    implements Source {
  private static final double WAX = 43e3; // J/g

  public SmallFlames {
    if (flames < 1 || flames > 500) {
      throw new IllegalArgumentException("flames must be 1 to 500, was " + flames);
    }
    if (!(gramsPerHourEach > 0 && gramsPerHourEach <= 500)) {
      throw new IllegalArgumentException(
          "wax must lie between 0 and 500 g an hour, was " + gramsPerHourEach);
    }
    if (!(toStore >= 0 && toStore <= 1)) {
      throw new IllegalArgumentException("the store's share must lie in 0 to 1, was " + toStore);
    }
  }

  public double watts() {
    return flames * gramsPerHourEach * WAX / 3600;
  }

  @Override
  public Given give(double second, double span, StoreModel model) {
    double burning = Math.max(0, Math.min(second + span, seconds) - second) / span;
    double all = watts() * burning;
    return new Given(all * toStore, 0, all * (1 - toStore), all);
  }

  @Override
  public double endsAt() {
    return seconds;
  }
}
